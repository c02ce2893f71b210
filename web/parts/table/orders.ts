import type { GridOrder } from './GridHead';

/** Several orders as they stand in the address: `-volume,keyword`; a minus runs from large to small. */
export function readOrders(text: string): GridOrder[] {
  return text
    .split(',')
    .filter(Boolean)
    .map((part) => ({ sort: part.replace(/^-/, ''), descending: part.startsWith('-') }));
}

/** The orders after a head was pressed: alone, or as a further one. */
export function writeOrders(orders: readonly GridOrder[], pressed: GridOrder, add: boolean): string {
  const kept = add ? orders.filter(({ sort }) => sort !== pressed.sort) : [];
  const at = add ? orders.findIndex(({ sort }) => sort === pressed.sort) : -1;
  const next = at < 0 ? [...kept, pressed] : kept.toSpliced(at, 0, pressed);
  return next.map(({ sort, descending }) => `${descending ? '-' : ''}${sort}`).join(',');
}
