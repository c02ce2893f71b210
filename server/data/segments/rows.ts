import { createHash } from 'node:crypto';
import { type Column, type Columns, emptyColumn, typeOf } from './columns';

// Single rows of a segment: a capture with its slots, a keyword's metrics.

const OF_CAPTURES = new Set(['keyword', 'depth', 'above', 'paidAbove', 'results', 'words', 'slotCount']);

/** Whether a column of captures has an entry for each slot rather than for each capture. */
function isOfSlots(name: string, columns: Columns): boolean {
  return columns.slotStart !== undefined && !OF_CAPTURES.has(name) && !/^m[0-6]$/.test(name);
}

/** Where the entries of a row stand in a column: from … to. */
function spanOf(columns: Columns, name: string, row: number): [number, number] {
  const { slotStart, slotCount, keyword } = columns;
  if (isOfSlots(name, columns)) return [slotStart![row]!, slotStart![row]! + slotCount![row]!];
  const per = columns[name]!.length / keyword!.length;
  return [row * per, (row + 1) * per];
}

/** What each row says, as a short text: rows that say the same have the same, wherever they stand. */
export function rowHashes(columns: Columns): string[] {
  const names = Object.keys(columns)
    .filter((name) => name !== 'slotStart')
    .sort();
  return Array.from(columns.keyword!, (_, row) => {
    const hash = createHash('sha1');
    for (const name of names) {
      const column = columns[name]!;
      const [from, to] = spanOf(columns, name, row);
      const part = column.subarray(from, to);
      hash.update(`${name} ${part.length} `);
      hash.update(new Uint8Array(part.buffer, part.byteOffset, part.byteLength));
    }
    return hash.digest('base64url');
  });
}

/** Some rows of a segment as columns of their own, in the order given. */
export function pickRows(columns: Columns, rows: readonly number[]): Columns {
  const picked: Columns = {};
  for (const [name, column] of Object.entries(columns)) {
    if (name === 'slotStart') continue;
    const spans = rows.map((row) => spanOf(columns, name, row));
    const whole = emptyColumn(
      typeOf(column),
      spans.reduce((sum, [from, to]) => sum + to - from, 0),
    );
    let at = 0;
    for (const [from, to] of spans) {
      whole.set(column.subarray(from, to), at);
      at += to - from;
    }
    picked[name] = whole;
  }
  if (columns.slotStart) picked.slotStart = startsOf(picked.slotCount!);
  return picked;
}

function startsOf(counts: Column): Int32Array {
  let next = 0;
  return Int32Array.from(counts, (count) => {
    const start = next;
    next += count;
    return start;
  });
}
