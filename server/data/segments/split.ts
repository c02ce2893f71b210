import type { Columns } from './columns';

/** Columns that count slots, not captures. */
const MAIN = 'keyword';

/**
 * A segment's columns in parts of at most so many bytes, each a segment of its own. Of captures the slots go with their
 * captures.
 */
export function* splitColumns(
  columns: Columns,
  mostBytes: number,
): Generator<{ columns: Columns; rows: number }> {
  const rows = columns[MAIN]?.length ?? 0;
  const bytes = Object.values(columns).reduce((sum, column) => sum + column.byteLength, 0);
  const parts = Math.max(1, Math.ceil(bytes / mostBytes));
  const size = Math.max(1, Math.ceil(rows / parts));
  for (let from = 0; from === 0 || from < rows; from += size) {
    const to = Math.min(rows, from + size);
    yield { rows: to - from, columns: parts === 1 ? columns : rowsOf(columns, rows, from, to) };
    if (parts === 1) return;
  }
}

function rowsOf(columns: Columns, rows: number, from: number, to: number): Columns {
  const { slotStart, slotCount } = columns;
  const firstSlot = slotStart ? slotStart[from]! : 0;
  const lastSlot = slotStart ? slotStart[to - 1]! + slotCount![to - 1]! : 0;
  const slots = slotStart && rows > 0 ? slotStart[rows - 1]! + slotCount![rows - 1]! : -1;
  return Object.fromEntries(
    Object.entries(columns).map(([name, column]) => {
      if (name === 'slotStart') return [name, column.slice(from, to).map((start) => start - firstSlot)];
      // The columns of a capture are as long as there are captures, those of its slots as long as there are slots.
      if (slotStart && isOfSlots(name) && column.length === slots)
        return [name, column.slice(firstSlot, lastSlot)];
      const per = column.length / rows;
      return [name, column.slice(from * per, to * per)];
    }),
  ) as Columns;
}

const OF_CAPTURES = new Set(['keyword', 'depth', 'above', 'paidAbove', 'results', 'words', 'slotCount']);

function isOfSlots(name: string): boolean {
  return !OF_CAPTURES.has(name) && !/^m[0-6]$/.test(name);
}
