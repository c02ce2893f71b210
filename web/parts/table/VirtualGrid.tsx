import { useVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useEffect, useRef, useState } from 'react';
import { GridHead, type GridOrder } from './GridHead';
import { GridRow } from './GridRow';
import type { GridColumn } from './gridColumn';
import { pinsOf, widthOf } from './pins';
import './grid.css';

interface VirtualGridProps<Row> {
  label: string;
  columns: readonly GridColumn<Row>[];
  /** How many rows there are in all. */
  total: number;
  /** A row by its index; undefined while it is being fetched. */
  rowAt: (index: number) => Row | undefined;
  idOf: (row: Row) => number;
  rowHeight: number;
  /** Another list from here on: back to its first row. */
  listName: string;
  orders: readonly GridOrder[];
  selected: ReadonlySet<number>;
  openId?: number | null;
  onVisible: (first: number, last: number) => void;
  onSort: (sort: string, descending: boolean, add: boolean) => void;
  onSelect: (row: Row) => void;
  onOpen?: (row: Row) => void;
  onClose?: () => void;
  /** Further keys, by what is pressed; each is given the row that has the focus. */
  rowKeys?: Readonly<Record<string, (row: Row) => void>>;
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
    overscan: 4,
    // The head sticks to the top of what scrolls.
    scrollPaddingEnd: HEAD_HEIGHT,
  });
  const items = virtual.getVirtualItems();
  const first = items[0]?.index ?? 0;
  const last = items.at(-1)?.index ?? 0;
  useEffect(() => onVisible(first, last), [first, last, onVisible]);
  const [shownList, setShownList] = useState(props.listName);
  if (shownList !== props.listName) {
    setShownList(props.listName);
    setActive(0);
  }
  // In braces: newer browsers return a promise from scrollTo, which is no clean-up.
  useEffect(() => {
    scroller.current?.scrollTo(0, 0);
  }, [props.listName]);
  const pins = pinsOf(columns);
  const width = widthOf(columns);
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

  const onOpen = useRef(props.onOpen);
  useEffect(() => {
    onOpen.current = props.onOpen;
  });
  // Stable, so that rows which did not change are not drawn again.
  const press = useCallback((index: number, row: unknown) => {
    setActive(index);
    if (row !== undefined) onOpen.current?.(row as Row);
  }, []);

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
        const rowKey = props.rowKeys?.[event.key];
        const step = steps[event.key] ?? (rowKey && (() => withRow(current, rowKey)));
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
      <div role="rowgroup" className="grid-top" style={{ minWidth: width }}>
        <div className="grid-head" role="row" style={{ gridTemplateColumns: template }}>
          {columns.map((column) => (
            <GridHead
              key={column.id}
              column={column}
              orders={props.orders}
              onSort={props.onSort}
              style={pins.get(column.id)}
            />
          ))}
        </div>
      </div>
      <div className="grid-rows" role="rowgroup" style={{ minWidth: width }}>
        <div style={{ height: virtual.getTotalSize(), position: 'relative' }}>
          {items.map((item) => {
            const row = rowAt(item.index);
            const id = row === undefined ? null : idOf(row);
            return (
              <GridRow
                key={item.key}
                row={row}
                columns={columns}
                index={item.index}
                start={item.start}
                height={rowHeight}
                template={template}
                active={item.index === current}
                selected={id !== null && selected.has(id)}
                open={id !== null && id === openId}
                onPress={press}
              />
            );
          })}
        </div>
      </div>
    </div>
  );
}
