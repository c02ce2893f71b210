import { key } from '@opsimath/core/text/key';
import { safeCell } from '@opsimath/core/text/safeCell';

/**
 * Names in a cell that holds several with commas (or semicolons) between. A name that holds such a mark itself is read as
 * one, where it is known: the longest known name from the left goes first.
 */
export function namesIn<T extends { name: string }>(
  cell: string,
  known: readonly T[],
): { found: T[]; strange: string[] } {
  const byKey = new Map(known.map((each) => [key(each.name), each]));
  const parts = cell.split(/[,;]/).map((part) => part.trim());
  const found: T[] = [];
  const strange: string[] = [];
  for (let from = 0; from < parts.length;) {
    let to = parts.length;
    while (to > from && !byKey.has(key(parts.slice(from, to).join(' ')))) to--;
    if (to > from) found.push(byKey.get(key(parts.slice(from, to).join(' ')))!);
    else if (parts[from] !== '') strange.push(parts[from]!);
    from = Math.max(to, from + 1);
  }
  return { found, strange };
}

/**
 * What somebody added to the notes of a cell, as it was written: the rest when every note that stands is taken away. A
 * note that is missing was not taken back by that; nothing is lost through a table.
 *
 * @param standing the notes as they are written, each by itself
 * @returns empty where nothing was added
 */
export function addedNote(cell: string, standing: readonly string[]): string {
  let rest = ` ${cell} `;
  // Longer ones first: a short note may stand within a longer one.
  for (const note of [...standing].sort((a, b) => b.length - a.length)) {
    const written = safeCell(note).replace(/^'/, '').trim();
    const at = rest.indexOf(written);
    if (at >= 0) rest = `${rest.slice(0, at)};${rest.slice(at + written.length)}`;
  }
  return rest
    .replace(/\s*;(\s*;)*\s*/g, '; ')
    .replace(/^[;\s]+|[;\s]+$/g, '')
    .trim();
}
