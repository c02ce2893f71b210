import type { CSSProperties } from 'react';
import type { GridColumn } from './gridColumn';
import { Tip } from '../words/Tip';
import { cellClass } from './pins';

export interface GridOrder {
  sort: string;
  descending: boolean;
}
interface GridHeadProps<Row> {
  column: GridColumn<Row>;
  orders: readonly GridOrder[];
  /** `add`: as a further order after those there are. */
  onSort: (sort: string, descending: boolean, add: boolean) => void;
  style?: CSSProperties | undefined;
}

/** A column's head: explains its figure, and sorts by it; with Shift as a further order. */
export function GridHead<Row>({ column, orders, onSort, style }: GridHeadProps<Row>) {
  const place = orders.findIndex(({ sort }) => sort === column.sort);
  const sorted = column.sort !== undefined && place >= 0 ? orders[place]! : null;
  const order = sorted ? (sorted.descending ? 'descending' : 'ascending') : undefined;
  return (
    <div role="columnheader" aria-sort={order} className={cellClass(column)} style={style}>
      <Tip text={column.tip} section={column.section}>
        {column.sort === undefined ? (
          <span>{column.head}</span>
        ) : (
          <button
            className="plain"
            aria-label={column.name}
            onClick={(event) =>
              onSort(
                column.sort!,
                sorted ? !sorted.descending : column.align === 'right',
                event.shiftKey && orders.length > 0,
              )
            }
          >
            {column.head}
            {sorted && (
              <span aria-hidden>
                {' '}
                {sorted.descending ? '↓' : '↑'}
                {orders.length > 1 && <small>{place + 1}</small>}
              </span>
            )}
          </button>
        )}
      </Tip>
    </div>
  );
}
