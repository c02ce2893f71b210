import type { PoolRow } from '../api/pool';
import { middleCpc } from '@opsimath/core/gap/worth';
import { type Figure, type FigureContext, plain } from './figure';
import { GAP_FIGURES } from './gapFigures';

/**
 * The register of figures of a pool: what a figure is called, its unit and its tip are the same in Look-up, Sift and every
 * file. What Gaps shows too is Gaps' own entry.
 */
export const POOL_FIGURES = {
  volume: GAP_FIGURES.volume,
  cpc: {
    ...GAP_FIGURES.cpc,
    tip: plain(
      'What advertisers pay for a click, from low to high, in the market’s currency. Sorts by the middle.',
    ),
  },
  adCompetition: GAP_FIGURES['ad competition'],
  difficulty: GAP_FIGURES.difficulty,
  results: GAP_FIGURES.results,
  sources: {
    head: 'How found',
    unit: plain('ways'),
    section: '§9',
    digits: 0,
    fileDigits: 0,
    tip: plain('Every way in which this keyword came into the pool. Sorts by how many.'),
    width: 126,
  },
  targets: {
    head: 'Targets',
    unit: plain('looked-up targets that rank'),
    section: '§4',
    digits: 0,
    fileDigits: 0,
    tip: plain('How many of the looked-up targets rank.'),
    width: 62,
  },
  appearances: {
    head: 'Appearances',
    unit: plain('of the first ten'),
    section: '§9',
    digits: 0,
    fileDigits: 0,
    tip: plain(
      'Of how many of the first ten it is also ranked (§9), or how many targets of the front use it.',
    ),
    width: 92,
  },
  clicks: {
    head: 'Clicks',
    unit: plain('clicks a month of these targets'),
    section: '§3',
    digits: 0,
    fileDigits: 1,
    tip: plain(
      'Clicks a month of all these targets together: volume · c(position) · feature factor (§3). Estimated.',
    ),
    estimated: true,
    width: 66,
  },
  trend: {
    head: 'Trend',
    unit: plain('ln of volume a year'),
    section: '§2',
    digits: 0,
    fileDigits: 4,
    tip: plain(
      'Rising or falling over three years after taking out the season, said only at p < 0.05 (§2), with the change a year. Estimated.',
    ),
    estimated: true,
    width: 88,
  },
  peak: {
    head: '12 months',
    unit: plain('month of the peak, 1-12'),
    section: '§2',
    digits: 0,
    fileDigits: 0,
    tip: plain('Searches month by month. Sorts by the month of the season’s peak.'),
    width: 84,
  },
  words: {
    head: 'Words',
    unit: plain('words'),
    section: '§1',
    digits: 0,
    fileDigits: 0,
    tip: plain('How many words the keyword has.'),
    width: 54,
  },
} as const satisfies Record<string, Figure>;

export type PoolFigure = keyof typeof POOL_FIGURES;
export const poolFigureOf = (name: PoolFigure): Figure => POOL_FIGURES[name];

/** What a row says of a figure; `null` where it is unknown. */
export const POOL_READERS: Record<PoolFigure, (row: PoolRow) => number | null> = {
  volume: (row) => row.volume,
  cpc: (row) => (row.cpcLow === null || row.cpcHigh === null ? null : middleCpc(row.cpcLow, row.cpcHigh)),
  adCompetition: (row) => row.adCompetition,
  difficulty: (row) => row.difficulty,
  results: (row) => row.results,
  sources: (row) => row.found.length,
  targets: (row) => row.organic.filter((position) => position !== null).length,
  appearances: (row) => row.appearances ?? row.uses,
  clicks: (row) => row.clicks,
  trend: (row) => row.trendSlope,
  peak: (row) => (row.peak === null ? null : row.peak + 1),
  words: (row) => row.words,
};

/** Head of a pool’s figure in files: what it is, with its unit. */
export function poolFileHead(name: PoolFigure, currency: string): string {
  const { head, unit, estimated } = poolFigureOf(name);
  return `${head.toLowerCase()} (${unit(besides(currency))}${estimated ? ', estimated' : ''})`;
}

/** A pool has no rivals of its own: nothing of its figures’ words depends on them. */
const besides = (currency: string): FigureContext => ({ currency, rivals: 0, resultsPerPage: 10 });

/** What a tip says of a pool’s figure. */
export const poolTip = (name: PoolFigure, currency: string): string =>
  poolFigureOf(name).tip(besides(currency));
