import { Button, Checkbox, Popover } from 'antd';
import { useScope } from '../../state/useScope';
import { GAP_EXTRA, rememberGapColumns, shownGapColumns } from './gapExtraColumns';

/** Columns beside the usual ones; keyword stays in sight when the table is wider than the screen. */
export function GapColumnsMenu() {
  const { project, scope, change } = useScope();
  return (
    <Popover
      trigger="click"
      placement="bottomRight"
      arrow={false}
      content={
        <div className="column-choice">
          <Checkbox.Group
            value={shownGapColumns(project, scope.gapColumns)}
            options={GAP_EXTRA.map(({ id, head }) => ({ value: id, label: head }))}
            onChange={(chosen) => {
              rememberGapColumns(project, chosen as string[]);
              change({ gapColumns: chosen as string[] }, { replace: true });
            }}
          />
        </div>
      }
    >
      <Button>Columns</Button>
    </Popover>
  );
}
