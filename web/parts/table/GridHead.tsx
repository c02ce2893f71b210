import type { GridColumn } from './gridColumn';

interface GridHeadProps<Row> {
  column: GridColumn<Row>;
  sort: string;
  descending: boolean;
  onSort: (sort: string, descending: boolean) => void;
}

/** A column's head: explains its figure, and sorts by it. */
export function GridHead<Row>({ column, sort, descending, onSort }: GridHeadProps<Row>) {
  const sorted = column.sort !== undefined && column.sort === sort;
  const order = sorted ? (descending ? 'descending' : 'ascending') : undefined;
  return (
    <div
      role="columnheader"
      aria-sort={order}
      className={column.align === 'right' ? 'cell figure' : 'cell'}
      title={column.tip}
    >
      {column.sort === undefined ? (
        column.head
      ) : (
        <button
          className="plain"
          aria-label={column.name}
          onClick={() => onSort(column.sort!, sorted ? !descending : column.align === 'right')}
        >
          {column.head}
          {sorted && <span aria-hidden> {descending ? '↓' : '↑'}</span>}
        </button>
      )}
    </div>
  );
}
