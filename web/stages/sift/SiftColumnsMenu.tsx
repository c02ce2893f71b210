import { Button, Checkbox, Popover, Segmented } from 'antd';
import { LANGUAGES } from '@opsimath/core/text/stems';
import { LANGUAGE_NAMES } from '../../parts/words/languages';
import { useScope } from '../../state/useScope';
import { EXTRA_COLUMNS, type ExtraColumn, rememberExtra, shownExtra } from './extraColumns';

/** Columns beside the usual ones, and the language in which keywords are said a second time. */
export function SiftColumnsMenu() {
  const { project, scope, change } = useScope();
  const shown = shownExtra(project, scope.siftColumns);
  return (
    <Popover
      trigger="click"
      placement="bottomRight"
      arrow={false}
      content={
        <div className="column-choice">
          <Checkbox.Group
            value={shown}
            options={EXTRA_COLUMNS.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(chosen) => {
              rememberExtra(project, chosen as ExtraColumn[]);
              change({ siftColumns: chosen as string[] }, { replace: true });
            }}
          />
          <p className="soft">
            Said a second time (key x): machine-made, kept, 1 unit for each 100 that are not held yet
          </p>
          <Segmented
            size="small"
            aria-label="Language of the second line"
            value={scope.into || 'none'}
            options={[
              { value: 'none', label: 'not' },
              ...LANGUAGES.map((value) => ({ value, label: `in ${LANGUAGE_NAMES[value]}` })),
            ]}
            onChange={(into) => change({ into: into === 'none' ? '' : (into as 'en') }, { replace: true })}
          />
        </div>
      }
    >
      <Button size="small">Columns</Button>
    </Popover>
  );
}
