import { Button, Checkbox, Popover } from 'antd';
import { useScope } from '../../state/useScope';
import type { ChosenColumns } from './chosenColumns';
import { t } from '../../words/t';

interface ColumnsMenuProps {
  columns: ChosenColumns<string>;
  /** The further columns that the address says. */
  inAddress: readonly string[];
  onChoose: (chosen: string[]) => void;
  size?: 'small';
  /** What else of the table is chosen here. */
  children?: React.ReactNode;
}

/** Columns beside the usual ones; the choice is kept with the project and stands in the address. */
export function ColumnsMenu({ columns, inAddress, onChoose, size, children }: ColumnsMenuProps) {
  const { project } = useScope();
  return (
    <Popover
      trigger="click"
      placement="bottomRight"
      arrow={false}
      content={
        <>
          <Checkbox.Group
            className="column-choice"
            value={columns.shown(project, inAddress)}
            options={columns.options.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(chosen) => {
              columns.remember(project, chosen as string[]);
              onChoose(chosen as string[]);
            }}
          />
          {children}
        </>
      }
    >
      <Button {...(size && { size })}>{t('parts:ColumnsMenu.columns')}</Button>
    </Popover>
  );
}
