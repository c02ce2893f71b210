/** What a finished import has to say. */
export function outcome(kept: number, refused: number): string | null {
  if (kept === 0) return 'No row of this file could be used; the list of rejected rows says why.';
  if (refused === 0) return null;
  return `${refused} ${refused === 1 ? 'row was' : 'rows were'} rejected; the list says which and why.`;
}
