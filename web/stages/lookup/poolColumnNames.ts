import type { LookUp } from '@opsimath/contract/api/lookUps';
import { type PoolFigure, POOL_FIGURES } from '@opsimath/contract/figures/poolFigures';
import { figureWords, t } from '../../words/t';

const headOf = (name: PoolFigure): string =>
  figureWords('pool', name, { head: POOL_FIGURES[name].head, tip: '' }, {}).head;

/** Columns of a pool that can be shown or not, in their order. The keyword is always there. */
export const COLUMN_NAMES = {
  found: headOf('sources'),
  volume: headOf('volume'),
  months: headOf('peak'),
  trend: headOf('trend'),
  lane: t('lookup:poolColumnNames.positions'),
  page: t('lookup:poolColumnNames.rankingPage'),
  targets: headOf('targets'),
  appearances: headOf('appearances'),
  clicks: headOf('clicks'),
  cpc: headOf('cpc'),
  adCompetition: headOf('adCompetition'),
  difficulty: headOf('difficulty'),
  results: headOf('results'),
  words: headOf('words'),
} as const;
export type ColumnId = keyof typeof COLUMN_NAMES;

const USUAL: ColumnId[] = ['volume', 'months', 'lane', 'targets', 'cpc', 'adCompetition', 'difficulty'];
const PLACE = 'opsimath.pool-columns';

/** Columns that matter to one way of looking up, whatever is usual: how it was found, and of how many it was. */
const OF_SEEDS: ColumnId[] = [
  'found',
  'volume',
  'months',
  'lane',
  'appearances',
  'cpc',
  'adCompetition',
  'difficulty',
];
/** Of one target alone the page that ranks says more than how many do. */
const OF_ONE: ColumnId[] = ['volume', 'months', 'lane', 'page', 'cpc', 'adCompetition', 'difficulty'];

/** What says why a keyword is here that shares no word with what was looked up: always there then. */
const WHY_HERE: ColumnId[] = ['found', 'appearances'];

/**
 * Columns in the address, else those chosen last in this project, else the usual ones of such a look-up. `apart`: only keywords
 * that share no word with the seeds are shown, and each says why it is here.
 */
export function shownColumns(
  project: number,
  inAddress: readonly string[],
  lookUp: Pick<LookUp, 'kind' | 'targets'>,
  apart = false,
): ColumnId[] {
  const chosen = chosenColumns(project, inAddress, lookUp);
  const names = Object.keys(COLUMN_NAMES) as ColumnId[];
  return apart ? names.filter((id) => chosen.includes(id) || WHY_HERE.includes(id)) : chosen;
}

function chosenColumns(
  project: number,
  inAddress: readonly string[],
  lookUp: Pick<LookUp, 'kind' | 'targets'>,
): ColumnId[] {
  const known = (names: readonly string[]): ColumnId[] =>
    (Object.keys(COLUMN_NAMES) as ColumnId[]).filter((id) => names.includes(id));
  if (inAddress.length > 0) return known(inAddress);
  const kept = localStorage.getItem(`${PLACE}.${project}`);
  if (kept) return known(kept.split(','));
  if (lookUp.kind === 'seeds' || lookUp.kind === 'mixed') return OF_SEEDS;
  return lookUp.targets.length === 1 ? OF_ONE : USUAL;
}

export function rememberColumns(project: number, columns: readonly ColumnId[]): void {
  localStorage.setItem(`${PLACE}.${project}`, columns.join(','));
}
