import type { CSSProperties } from 'react';
import type { GridColumn } from './gridColumn';

const EDGE = 10;
const kept = new WeakMap<object, ReadonlyMap<string, CSSProperties>>();

/** Where the columns that stay in sight stand, by their names. */
export function pinsOf(columns: readonly GridColumn<never>[]): ReadonlyMap<string, CSSProperties> {
  let pins = kept.get(columns);
  if (pins) return pins;
  const made = new Map<string, CSSProperties>();
  let left = EDGE;
  for (const { id, pinned, width } of columns) {
    if (!pinned) continue;
    // The first covers the edge of the row as well.
    made.set(id, { left: made.size === 0 ? left - EDGE : left });
    left += width;
  }
  kept.set(columns, (pins = made));
  return pins;
}

export function cellClass({ align, pinned }: Pick<GridColumn<never>, 'align' | 'pinned'>): string {
  return ['cell', align === 'right' && 'figure', pinned && 'pinned'].filter(Boolean).join(' ');
}

/** How wide a table is with both its edges. */
export function widthOf(columns: readonly Pick<GridColumn<never>, 'width'>[]): number {
  return columns.reduce((sum, { width }) => sum + width, 2 * EDGE);
}
