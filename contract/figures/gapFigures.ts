import { type Figure, type FigureContext, money, plain } from './figure';
import { FRONT_FIGURES } from './frontFigures';

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
    section: '§6a',
    digits: 2,
    fileDigits: 4,
    tip: plain(
      'Probability of standing on the front after the best action, at the horizon set. Estimated; “no capture” where it rests on the position alone.',
    ),
    estimated: true,
    width: 68,
  },
  'as it is': {
    head: 'As it is',
    unit: plain('0-1'),
    section: '§6a',
    digits: 2,
    fileDigits: 4,
    tip: plain('Probability of standing on the front at the horizon set if nothing is done. Estimated.'),
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
    width: 72,
  },
  gain: {
    head: 'Clicks added',
    unit: plain('clicks a month'),
    section: '§8',
    digits: 0,
    fileDigits: 2,
    tip: plain(
      'Clicks a month that the best action adds on this keyword to what would come without it. Estimated.',
    ),
    estimated: true,
    width: 92,
  },
  elsewhere: {
    head: 'Elsewhere',
    unit: plain('clicks a month on other keywords of the page'),
    section: '§8',
    digits: 0,
    fileDigits: 2,
    tip: plain(
      'Clicks a month that the best action adds on other keywords of the same page, less what they lose. Estimated.',
    ),
    estimated: true,
    width: 78,
  },
  'a month': {
    head: 'Adds',
    unit: money('a month'),
    section: '§8',
    digits: 2,
    fileDigits: 4,
    tip: ({ currency }) =>
      `What the best action adds in ${currency} a month: clicks added × worth × fit, with what other keywords of the page win and lose, less what it costs beside work. Estimated.`,
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
      `What the best action adds in ${currency} a month for a day of work. Estimated; the dossier opens the sum.`,
    estimated: true,
    width: 98,
  },
  effort: {
    head: 'Days',
    unit: plain('days of work'),
    section: '§8',
    digits: 2,
    fileDigits: 2,
    tip: plain('Effort of the best action in days, from the settings.'),
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
  'bid guide': {
    head: 'Bid guide',
    unit: money('a click'),
    section: '§17',
    digits: 2,
    fileDigits: 4,
    tip: ({ currency }) =>
      `What has to be bid in ${currency} for the first page, exact match: the median of the lowest winning bids of the auctions observed in the last 28 days, with their 20th to 80th percentile. Unknown where none was observed.`,
    width: 116,
  },
  'bid from': {
    head: 'Bid from',
    unit: money('a click, 20th percentile'),
    section: '§17',
    digits: 2,
    fileDigits: 4,
    tip: plain('Low end of the bid guide: on one day in five less was enough.'),
    width: 72,
  },
  'bid to': {
    head: 'Bid to',
    unit: money('a click, 80th percentile'),
    section: '§17',
    digits: 2,
    fileDigits: 4,
    tip: plain('High end of the bid guide: on four days in five this was enough.'),
    width: 72,
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
    head: 'Moved',
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
  'to lose': {
    head: 'To lose',
    unit: plain('clicks a month, of a place on the front'),
    section: '§8',
    digits: 0,
    fileDigits: 1,
    tip: plain(
      'Clicks a month that our place on the front is expected to lose by the horizon if nothing is done; below 0 it is expected to gain. Estimated.',
    ),
    estimated: true,
    width: 70,
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
  ...FRONT_FIGURES,
} as const satisfies Record<string, Figure>;

export type GapFigure = keyof typeof GAP_FIGURES;
export const GAP_FIGURE_NAMES = Object.keys(GAP_FIGURES) as GapFigure[];
export const figureOf = (name: GapFigure): Figure => GAP_FIGURES[name];

/** Head of a figure in files: what it is, with its unit. */
export function fileHead(name: GapFigure, context: FigureContext): string {
  const { head, unit, estimated } = figureOf(name);
  return `${head.toLowerCase()} (${unit(context)}${estimated ? ', estimated' : ''})`;
}
