import type { Columns } from './columns';
import { pickRows } from './rows';

/** A segment's columns in parts of at most so many bytes, each a segment of its own; slots go with their captures. */
export function* splitColumns(
  columns: Columns,
  mostBytes: number,
): Generator<{ columns: Columns; rows: number }> {
  const rows = columns.keyword?.length ?? 0;
  const bytes = Object.values(columns).reduce((sum, column) => sum + column.byteLength, 0);
  const parts = Math.max(1, Math.ceil(bytes / mostBytes));
  if (parts === 1) return void (yield { columns, rows });
  const size = Math.ceil(rows / parts);
  for (let from = 0; from < rows; from += size) {
    const part = Array.from({ length: Math.min(size, rows - from) }, (_, n) => from + n);
    yield { columns: pickRows(columns, part), rows: part.length };
  }
}
