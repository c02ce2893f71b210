import { memo } from 'react';
import type { GridColumn } from './gridColumn';
import { cellClass, pinsOf } from './pins';

interface GridRowProps<Row> {
  row: Row | undefined;
  columns: readonly GridColumn<Row>[];
  index: number;
  start: number;
  height: number;
  template: string;
  active: boolean;
  selected: boolean;
  open: boolean;
  onPress: (index: number, row: unknown) => void;
}

/** One row; drawn again only when something of its own changes. */
export const GridRow = memo(function GridRow({
  row,
  columns,
  index,
  start,
  height,
  template,
  ...state
}: GridRowProps<never>) {
  const pins = pinsOf(columns);
  const states = [state.active && 'active', state.selected && 'selected', state.open && 'open'].filter(
    Boolean,
  );
  return (
    <div
      id={`row-${index}`}
      role="row"
      aria-rowindex={index + 2}
      aria-selected={state.selected}
      className={`grid-row ${states.join(' ')}`}
      style={{ gridTemplateColumns: template, height, transform: `translateY(${start}px)` }}
      onClick={() => state.onPress(index, row)}
    >
      {columns.map((column) => (
        <div key={column.id} role="gridcell" className={cellClass(column)} style={pins.get(column.id)}>
          {row === undefined ? <span className="faint">…</span> : column.cell(row)}
        </div>
      ))}
    </div>
  );
}) as unknown as <Row>(props: GridRowProps<Row>) => React.ReactElement;
