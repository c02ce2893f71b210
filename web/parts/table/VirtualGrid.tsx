import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState } from 'react';
import './grid.css';

export interface GridColumn<Row> {
  id: string;
  head: React.ReactNode;
  /** Name of a head that is a picture. */
  name?: string;
  /** Explains the figure, its unit and its source. */
  tip?: string;
  width: number;
  align?: 'right';
  /** Name of the order it sorts by, if it can. */
  sort?: string;
  cell: (row: Row) => React.ReactNode;
}

interface VirtualGridProps<Row> {
  label: string;
  columns: readonly GridColumn<Row>[];
  /** How many rows there are in all. */
  total: number;
  /** A row by its index; undefined while it is being fetched. */
  rowAt: (index: number) => Row | undefined;
  idOf: (row: Row) => number;
  rowHeight: number;
  sort: string;
  descending: boolean;
  selected: ReadonlySet<number>;
  openId?: number | null;
  onVisible: (first: number, last: number) => void;
  onSort: (sort: string, descending: boolean) => void;
  onSelect: (row: Row) => void;
  onOpen?: (row: Row) => void;
  onClose?: () => void;
}

const HEAD_HEIGHT = 30;

/** A long table: only the rows in sight are drawn; arrows move, Space selects, Enter opens, Esc closes. */
export function VirtualGrid<Row>(props: VirtualGridProps<Row>) {
  const { columns, total, rowAt, idOf, rowHeight, selected, openId, onVisible } = props;
  const scroller = useRef<HTMLDivElement>(null);
  const [active, setActive] = useState(0);
  // The compiler leaves this component alone for the virtualizer's sake; nothing here depends on it.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count: total,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 8,
    // The head sticks to the top of what scrolls.
    scrollPaddingEnd: HEAD_HEIGHT,
  });
  const items = virtual.getVirtualItems();
  const first = items[0]?.index ?? 0;
  const last = items.at(-1)?.index ?? 0;
  useEffect(() => onVisible(first, last), [first, last, onVisible]);
  const template = columns.map((column) => `${column.width}px`).join(' ');
  const current = Math.min(active, Math.max(0, total - 1));

  const moveTo = (index: number): void => {
    const next = Math.max(0, Math.min(total - 1, index));
    setActive(next);
    virtual.scrollToIndex(next, { align: 'auto' });
  };
  const screen = Math.max(1, Math.floor((scroller.current?.clientHeight ?? 400) / rowHeight) - 2);
  const steps: Record<string, () => void> = {
    ArrowDown: () => moveTo(current + 1),
    ArrowUp: () => moveTo(current - 1),
    PageDown: () => moveTo(current + screen),
    PageUp: () => moveTo(current - screen),
    Home: () => moveTo(0),
    End: () => moveTo(total - 1),
    ' ': () => withRow(current, props.onSelect),
    Enter: () => withRow(current, props.onOpen),
    Escape: () => props.onClose?.(),
  };
  const withRow = (index: number, act: ((row: Row) => void) | undefined): void => {
    const row = rowAt(index);
    if (row !== undefined) act?.(row);
  };

  return (
    <div
      className="grid"
      ref={scroller}
      role="grid"
      aria-label={props.label}
      aria-rowcount={total + 1}
      aria-activedescendant={total > 0 ? `row-${current}` : undefined}
      tabIndex={0}
      onKeyDown={(event) => {
        const step = steps[event.key];
        // Keys pressed on a head's button are the button's own.
        if (
          !step ||
          event.target instanceof HTMLButtonElement ||
          event.ctrlKey ||
          event.metaKey ||
          event.altKey
        )
          return;
        event.preventDefault();
        step();
      }}
    >
      <div role="rowgroup" className="grid-top">
        <div className="grid-head" role="row" style={{ gridTemplateColumns: template }}>
          {columns.map((column) => (
            <GridHead key={column.id} column={column} {...props} />
          ))}
        </div>
      </div>
      <div className="grid-rows" role="rowgroup">
        <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
          {items.map((item) => {
            const row = rowAt(item.index);
            const id = row === undefined ? null : idOf(row);
            const states = [
              item.index === current && 'active',
              id !== null && selected.has(id) && 'selected',
              id !== null && id === openId && 'open',
            ].filter(Boolean);
            return (
              <div
                key={item.key}
                id={`row-${item.index}`}
                role="row"
                aria-rowindex={item.index + 2}
                aria-selected={id !== null && selected.has(id)}
                className={`grid-row ${states.join(' ')}`}
                style={{
                  gridTemplateColumns: template,
                  height: rowHeight,
                  transform: `translateY(${item.start}px)`,
                }}
                onClick={() => {
                  setActive(item.index);
                  if (row !== undefined) props.onOpen?.(row);
                }}
              >
                {columns.map((column) => (
                  <div
                    key={column.id}
                    role="gridcell"
                    className={column.align === 'right' ? 'cell figure' : 'cell'}
                  >
                    {row === undefined ? <span className="faint">…</span> : column.cell(row)}
                  </div>
                ))}
              </div>
            );
          })}
        </div>
      </div>
    </div>
  );
}

function GridHead<Row>({
  column,
  sort,
  descending,
  onSort,
}: { column: GridColumn<Row> } & Pick<VirtualGridProps<Row>, 'sort' | 'descending' | 'onSort'>) {
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
