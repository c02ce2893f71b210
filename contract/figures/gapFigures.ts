/** What may stand beside a figure: its currency, how many rivals there are, how many results make a page. */
export interface FigureContext {
  currency: string;
  rivals: number;
  resultsPerPage: number;
}

/** A figure of a keyword in a comparison: what it is called everywhere, its unit, and where it is defined. */
export interface Figure {
  /** Head of its column in tables. */
  head: string;
  /** Its unit, with the currency where it has one. */
  unit: (context: FigureContext) => string;
  /** Section of the method. */
  section: string;
  /** Digits behind the point in tables, and in files. */
  digits: number;
  fileDigits: number;
  /** What a tip says of it. */
  tip: (context: FigureContext) => string;
  estimated: boolean;
  /** Whether a limit can be set to it. All of them sort. */
  limits: boolean;
  /** A position: shown as a place, “absent” or “unknown”. */
  position?: boolean;
  width: number;
}

const plain = (text: string) => (): string => text;
const money =
  (per: string) =>
  ({ currency }: FigureContext): string =>
    `${currency} ${per}`;

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
    estimated: false,
    limits: true,
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
    limits: true,
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
    limits: true,
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
    limits: true,
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
    limits: true,
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
    limits: true,
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
    limits: true,
    width: 84,
  },
  effort: {
    head: 'Days',
    unit: plain('days of work'),
    section: '§8',
    digits: 2,
    fileDigits: 2,
    tip: plain('Effort of the suggested action in days, from the settings.'),
    estimated: false,
    limits: true,
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
    estimated: false,
    limits: true,
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
    estimated: false,
    limits: true,
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
    limits: true,
    width: 76,
  },
  own: {
    head: 'Ours',
    unit: plain('organic position'),
    section: '§4',
    digits: 0,
    fileDigits: 0,
    tip: ({ resultsPerPage }) => `Our best organic position. ${resultsPerPage} results make a page.`,
    estimated: false,
    limits: true,
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
    estimated: false,
    limits: true,
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
    estimated: false,
    limits: true,
    width: 64,
  },
  move: {
    head: 'Move',
    unit: plain('places since the compare-with date, positive is up'),
    section: '§5',
    digits: 0,
    fileDigits: 0,
    tip: plain('Places moved since the compare-with date; positive is up. Never computed from an unknown.'),
    estimated: false,
    limits: true,
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
    estimated: false,
    limits: true,
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
    limits: true,
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
    limits: true,
    width: 92,
  },
  results: {
    head: 'Results',
    unit: plain('results, rough'),
    section: '§14',
    digits: 0,
    fileDigits: 0,
    tip: plain('How many results the source counts. Rough: no part of chance or priority.'),
    estimated: false,
    limits: true,
    width: 86,
  },
  'exact rivals': {
    head: 'Exact rivals',
    unit: plain('results of the front'),
    section: '§14',
    digits: 0,
    fileDigits: 0,
    tip: plain('Results of the captured front, ours left out, with the phrase in the title.'),
    estimated: false,
    limits: true,
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
    estimated: false,
    limits: true,
    width: 98,
  },
  'volume to rivals': {
    head: 'Vol. to rivals',
    unit: plain('searches a month for each exact rival and one more'),
    section: '§14',
    digits: 0,
    fileDigits: 2,
    tip: plain('Searches a month for each exact rival and one more. No part of priority.'),
    estimated: false,
    limits: true,
    width: 92,
  },
  'front price': {
    head: 'Front’s price',
    unit: money('median of the front'),
    section: '§14',
    digits: 2,
    fileDigits: 2,
    tip: ({ currency }) => `Median price of the captured front in ${currency}; marketplaces only.`,
    estimated: false,
    limits: true,
    width: 92,
  },
  'front rating': {
    head: 'Its rating',
    unit: plain('median of the front'),
    section: '§14',
    digits: 1,
    fileDigits: 2,
    tip: plain('Median rating of the captured front; marketplaces only.'),
    estimated: false,
    limits: true,
    width: 76,
  },
  'front reviews': {
    head: 'Its reviews',
    unit: plain('median of the front'),
    section: '§14',
    digits: 0,
    fileDigits: 1,
    tip: plain('Median number of reviews of the captured front; marketplaces only.'),
    estimated: false,
    limits: true,
    width: 84,
  },
} as const satisfies Record<string, Figure>;

export type GapFigure = keyof typeof GAP_FIGURES;
export const GAP_FIGURE_NAMES = Object.keys(GAP_FIGURES) as GapFigure[];
export const figureOf = (name: GapFigure): Figure => GAP_FIGURES[name];
/** Figures that a limit can be set to. */
export const LIMITED = GAP_FIGURE_NAMES.filter((name) => GAP_FIGURES[name].limits);

/** Head of a figure in files: what it is, with its unit. */
export function fileHead(name: GapFigure, context: FigureContext): string {
  const { head, unit, estimated } = figureOf(name);
  return `${head.toLowerCase()} (${unit(context)}${estimated ? ', estimated' : ''})`;
}
