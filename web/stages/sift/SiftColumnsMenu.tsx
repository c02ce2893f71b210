import { Segmented } from 'antd';
import { LANGUAGES } from '@opsimath/core/text/stems';
import { ColumnsMenu } from '../../parts/table/ColumnsMenu';
import { LANGUAGE_NAMES } from '../../parts/words/languages';
import { useScope } from '../../state/useScope';
import { siftExtra } from './extraColumns';

/** Columns beside the usual ones, and the language in which keywords are said a second time. */
export function SiftColumnsMenu() {
  const { scope, change } = useScope();
  return (
    <ColumnsMenu
      size="small"
      columns={siftExtra}
      inAddress={scope.siftColumns}
      onChoose={(siftColumns) => change({ siftColumns }, { replace: true })}
    >
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
    </ColumnsMenu>
  );
}
