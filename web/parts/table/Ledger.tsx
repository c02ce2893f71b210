import { Tip } from '../words/Tip';
import { TakeTable } from './TakeTable';

/** One column of a ledger. */
export interface LedgerColumn<Row> {
  head: React.ReactNode;
  /** What it means, said on the head. */
  tip?: string;
  /** Section of the method that defines it. */
  section?: string;
  /** Name of a head that shows nothing. */
  label?: string;
  /** Figures stand at the right. */
  figure?: boolean;
  className?: string;
  /** By what pressing the head sorts. */
  sort?: string;
  cell: (row: Row, n: number) => React.ReactNode;
  title?: (row: Row) => string | undefined;
}

interface LedgerOrder {
  sort: string;
  descending: boolean;
}

interface LedgerProps<Row> {
  columns: readonly (LedgerColumn<Row> | false)[];
  rows: readonly Row[];
  keyOf: (row: Row) => React.Key;
  className?: string;
  label?: string;
  /** Said where there is no row. */
  empty?: string;
  /** Under which name the table can be taken along: copied, or written as a file. */
  take?: string;
  order?: LedgerOrder;
  /** Told the order that pressing a head asks for; a head pressed again turns round. */
  onOrder?: (order: LedgerOrder) => void;
}

/** A plain table of the ledger: hairlines, figures at the right, every head explained on the spot. */
export function Ledger<Row>(props: LedgerProps<Row>) {
  const { rows, keyOf, className = '', label, empty, take, order, onOrder } = props;
  const columns = props.columns.filter((column) => column !== false);
  const classOf = ({ figure, className: own }: LedgerColumn<Row>): string | undefined =>
    [figure && 'figure', own].filter(Boolean).join(' ') || undefined;
  const table = (
    <table className={`ledger ${className}`.trim()} aria-label={label}>
      <thead>
        <tr>
          {columns.map((column, n) => {
            const { sort } = column;
            const sorted = sort !== undefined && order?.sort === sort ? order : null;
            return (
              <th
                key={n}
                className={column.figure ? 'figure' : undefined}
                aria-label={column.label}
                aria-sort={sorted ? (sorted.descending ? 'descending' : 'ascending') : undefined}
              >
                <Tip text={column.tip} section={column.section}>
                  {sort !== undefined && onOrder ? (
                    <button
                      className="plain"
                      onClick={() => onOrder({ sort, descending: sorted ? !sorted.descending : true })}
                    >
                      {column.head}
                      {sorted && <span aria-hidden> {sorted.descending ? '↓' : '↑'}</span>}
                    </button>
                  ) : (
                    <span>{column.head}</span>
                  )}
                </Tip>
              </th>
            );
          })}
        </tr>
      </thead>
      <tbody>
        {rows.map((row, n) => (
          <tr key={keyOf(row)}>
            {columns.map((column, c) => (
              <td key={c} className={classOf(column)} title={column.title?.(row)}>
                {column.cell(row, n)}
              </td>
            ))}
          </tr>
        ))}
        {rows.length === 0 && empty !== undefined && (
          <tr>
            <td colSpan={columns.length} className="soft">
              {empty}
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
  return take === undefined || rows.length === 0 ? (
    table
  ) : (
    <>
      <TakeTable name={take} />
      {table}
    </>
  );
}
