import { type Figure, type FigureContext, money, plain } from './figure';

/**
 * The register of figures of a comparison. A name means the same figure, with the same value, in the table, its sorting and
 * limits, the dossier and every file: `server/analysis/comparison/gapFigures.ts` says how each is read, and nothing else does.
 */
export const GAP_FIGURES = {
  volume: {
    head: 'Volume',
    unit: plain('searches a month'),
    section: '§2',
    digits: 0,
    fileDigits: 0,
    tip: plain('Searches a month, mean of the latest 12; with ~ borrowed from another surface.'),
    width: 76,
  },
  demand: {
    head: 'Demand',
    unit: plain('searches a month, coming three'),
    section: '§8',
    digits: 0,
    fileDigits: 1,
    tip: plain('Searches a month expected over the coming three months: volume × season. Estimated.'),
    estimated: true,
    width: 76,
  },
  chance: {
    head: 'Chance',
    unit: plain('0-1'),
    section: '§6',
    digits: 2,
    fileDigits: 4,
    tip: plain(
      'Probability of standing on the front after the suggested action. Estimated from the capture; “mean” is the market’s, for want of one.',
    ),
    estimated: true,
    width: 68,
  },
  worth: {
    head: 'Worth',
    unit: money('a click'),
    section: '§7',
    digits: 2,
    fileDigits: 4,
    tip: ({ currency }) =>
      `Worth of a click in ${currency}. By own conversions, price and margin, or the CPC, else set for the project. Estimated.`,
    estimated: true,
    width: 64,
  },
  gain: {
    head: 'Gain',
    unit: plain('clicks a month'),
    section: '§8',
    digits: 0,
    fileDigits: 2,
    tip: plain('Clicks a month more at the position aimed at. Estimated.'),
    estimated: true,
    width: 70,
  },
  'a month': {
    head: 'A month',
    unit: money('a month'),
    section: '§8',
    digits: 2,
    fileDigits: 4,
    tip: ({ currency }) =>
      `Expected worth in ${currency} a month: chance × gain in clicks × worth × fit. Estimated.`,
    estimated: true,
    width: 74,
  },
  priority: {
    head: 'Priority',
    unit: money('a month for a day of work'),
    section: '§8',
    digits: 2,
    fileDigits: 4,
    tip: ({ currency }) =>
      `Expected worth in ${currency} a month for a day of work. Estimated; the dossier opens the sum.`,
    estimated: true,
    width: 84,
  },
  effort: {
    head: 'Days',
    unit: plain('days of work'),
    section: '§8',
    digits: 2,
    fileDigits: 2,
    tip: plain('Effort of the suggested action in days, from the settings.'),
    width: 60,
  },
  cpc: {
    head: 'CPC',
    unit: money('a click, middle of the range'),
    section: '§7',
    digits: 2,
    fileDigits: 4,
    tip: ({ currency }) =>
      `What a click costs in ${currency}, middle of the range that its source gives. A high CPC is not a high conversion.`,
    width: 96,
  },
  'ad competition': {
    head: 'Ad comp.',
    unit: plain('0-1'),
    section: '§6',
    digits: 2,
    fileDigits: 4,
    tip: plain(
      'Competition among advertisers, 0–1, as the source says. It tells nothing of organic difficulty.',
    ),
    width: 76,
  },
  difficulty: {
    head: 'Difficulty',
    unit: plain('0-100'),
    section: '§6',
    digits: 0,
    fileDigits: 0,
    tip: plain(
      '0–100, of the captured front: 0.7 × its median authority + 30 × share with the phrase in the title. Nothing of ours is in it.',
    ),
    estimated: true,
    width: 76,
  },
  own: {
    head: 'Ours',
    unit: plain('organic position'),
    section: '§4',
    digits: 0,
    fileDigits: 0,
    tip: ({ resultsPerPage }) => `Our best organic position. ${resultsPerPage} results make a page.`,
    position: true,
    width: 70,
  },
  'best rival': {
    head: 'Best rival',
    unit: plain('organic position'),
    section: '§5',
    digits: 0,
    fileDigits: 0,
    tip: plain('The best organic position of any rival.'),
    position: true,
    width: 78,
  },
  spread: {
    head: 'Spread',
    unit: plain('rivals on the front'),
    section: '§5',
    digits: 0,
    fileDigits: 0,
    tip: ({ rivals }) =>
      `Rivals within the front, of ${rivals}. It proves relevance, not gain: it is no part of priority. Unknown where nobody looked.`,
    width: 64,
  },
  move: {
    head: 'Move',
    unit: plain('places since the compare-with date, positive is up'),
    section: '§5',
    digits: 0,
    fileDigits: 0,
    tip: plain('Places moved since the compare-with date; positive is up. Never computed from an unknown.'),
    width: 58,
  },
  'at stake': {
    head: 'At stake',
    unit: money('a month'),
    section: '§5',
    digits: 2,
    fileDigits: 2,
    tip: ({ currency }) =>
      `What our ads cost a month in ${currency} on terms where we stand near the top without paying. Exact, from own ad terms.`,
    width: 74,
  },
  'our clicks': {
    head: 'Our clicks',
    unit: plain('clicks a month'),
    section: '§3',
    digits: 0,
    fileDigits: 1,
    tip: plain(
      'Clicks a month at our position: volume × click-through × what stands above. Estimated; true clicks are in own search performance.',
    ),
    estimated: true,
    width: 80,
  },
  'rival clicks': {
    head: 'Rival’s clicks',
    unit: plain('clicks a month'),
    section: '§3',
    digits: 0,
    fileDigits: 1,
    tip: plain('The same at the best rival’s position. Estimated.'),
    estimated: true,
    width: 92,
  },
  results: {
    head: 'Results',
    unit: plain('results, rough'),
    section: '§14',
    digits: 0,
    fileDigits: 0,
    tip: plain('How many results the source counts. Rough: no part of chance or priority.'),
    width: 86,
  },
  'exact rivals': {
    head: 'Exact rivals',
    unit: plain('results of the front'),
    section: '§14',
    digits: 0,
    fileDigits: 0,
    tip: plain('Results of the captured front, ours left out, with the phrase in the title.'),
    width: 86,
  },
  'volume to results': {
    head: 'Vol. to results',
    unit: plain('searches a month for a thousand results'),
    section: '§14',
    digits: 2,
    fileDigits: 4,
    tip: plain(
      'Searches a month for a thousand results. Counts of different sources do not compare; no part of priority.',
    ),
    width: 98,
  },
  'volume to rivals': {
    head: 'Vol. to rivals',
    unit: plain('searches a month for each exact rival and one more'),
    section: '§14',
    digits: 0,
    fileDigits: 2,
    tip: plain('Searches a month for each exact rival and one more. No part of priority.'),
    width: 92,
  },
  'front price': {
    head: 'Front’s price',
    unit: money('median of the front'),
    section: '§14',
    digits: 2,
    fileDigits: 2,
    tip: ({ currency }) => `Median price of the captured front in ${currency}; marketplaces only.`,
    width: 92,
  },
  'front rating': {
    head: 'Its rating',
    unit: plain('median of the front'),
    section: '§14',
    digits: 1,
    fileDigits: 2,
    tip: plain('Median rating of the captured front; marketplaces only.'),
    width: 76,
  },
  'front reviews': {
    head: 'Its reviews',
    unit: plain('median of the front'),
    section: '§14',
    digits: 0,
    fileDigits: 1,
    tip: plain('Median number of reviews of the captured front; marketplaces only.'),
    width: 84,
  },
} as const satisfies Record<string, Figure>;

export type GapFigure = keyof typeof GAP_FIGURES;
export const GAP_FIGURE_NAMES = Object.keys(GAP_FIGURES) as GapFigure[];
export const figureOf = (name: GapFigure): Figure => GAP_FIGURES[name];

/** Head of a figure in files: what it is, with its unit. */
export function fileHead(name: GapFigure, context: FigureContext): string {
  const { head, unit, estimated } = figureOf(name);
  return `${head.toLowerCase()} (${unit(context)}${estimated ? ', estimated' : ''})`;
}
