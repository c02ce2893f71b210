/** Columns of a pool that can be shown or not, in their order. The keyword is always there. */
export const COLUMN_NAMES = {
  found: 'How found',
  volume: 'Volume',
  months: '12 months',
  trend: 'Trend',
  lane: 'Positions',
  targets: 'Targets',
  appearances: 'Appearances',
  clicks: 'Clicks',
  cpc: 'CPC',
  adCompetition: 'Ad competition',
  difficulty: 'Difficulty',
  results: 'Results',
  words: 'Words',
} as const;
export type ColumnId = keyof typeof COLUMN_NAMES;

const USUAL: ColumnId[] = ['volume', 'months', 'lane', 'targets', 'cpc', 'adCompetition', 'difficulty'];
const PLACE = 'opsimath.pool-columns';

/** Columns in the address, else those chosen last in this project, else the usual ones. */
export function shownColumns(project: number, inAddress: readonly string[]): ColumnId[] {
  const known = (names: readonly string[]): ColumnId[] =>
    (Object.keys(COLUMN_NAMES) as ColumnId[]).filter((id) => names.includes(id));
  if (inAddress.length > 0) return known(inAddress);
  const kept = localStorage.getItem(`${PLACE}.${project}`);
  return kept ? known(kept.split(',')) : USUAL;
}

export function rememberColumns(project: number, columns: readonly ColumnId[]): void {
  localStorage.setItem(`${PLACE}.${project}`, columns.join(','));
}
