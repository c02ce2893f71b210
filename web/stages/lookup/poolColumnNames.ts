import { POOL_FIGURES } from '@opsimath/contract/figures/poolFigures';

/** Columns of a pool that can be shown or not, in their order. The keyword is always there. */
export const COLUMN_NAMES = {
  found: POOL_FIGURES.sources.head,
  volume: POOL_FIGURES.volume.head,
  months: POOL_FIGURES.peak.head,
  trend: POOL_FIGURES.trend.head,
  lane: 'Positions',
  targets: POOL_FIGURES.targets.head,
  appearances: POOL_FIGURES.appearances.head,
  clicks: POOL_FIGURES.clicks.head,
  cpc: POOL_FIGURES.cpc.head,
  adCompetition: POOL_FIGURES.adCompetition.head,
  difficulty: POOL_FIGURES.difficulty.head,
  results: POOL_FIGURES.results.head,
  words: POOL_FIGURES.words.head,
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
