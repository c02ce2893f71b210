/** Columns that can be added to the usual ones. */
export const EXTRA_COLUMNS = [
  { id: 'purpose', name: 'purpose' },
  { id: 'language', name: 'language' },
  { id: 'contained', name: 'contained in longer ones' },
  { id: 'reason', name: 'reason' },
  { id: 'words', name: 'word count' },
  { id: 'trend', name: 'trend' },
  { id: 'competition', name: 'ad competition' },
  { id: 'sources', name: 'how it was found' },
] as const;
export type ExtraColumn = (typeof EXTRA_COLUMNS)[number]['id'];

const isExtra = (id: string): id is ExtraColumn => EXTRA_COLUMNS.some((column) => column.id === id);
const place = (project: number): string => `opsimath.sift-columns.${project}`;

/** What the address says, else what was chosen last in this project. */
export function shownExtra(project: number, inAddress: readonly string[]): ExtraColumn[] {
  if (inAddress.length > 0) return inAddress.filter(isExtra);
  return (localStorage.getItem(place(project)) ?? '').split(',').filter(isExtra);
}

export function rememberExtra(project: number, chosen: readonly ExtraColumn[]): void {
  localStorage.setItem(place(project), chosen.join(','));
}
