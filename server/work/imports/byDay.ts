/** Rows by day, so that each segment speaks of one date. */
export function byDay<Row extends { day: number }>(rows: readonly Row[]): Map<number, Row[]> {
  const groups = new Map<number, Row[]>();
  for (const row of rows) {
    const group = groups.get(row.day);
    if (group) group.push(row);
    else groups.set(row.day, [row]);
  }
  return groups;
}
