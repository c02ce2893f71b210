import { viewsADay } from '../ranking/front';
import { quartiles } from '../ranking/statistics';
import { key, words } from '../text/key';
import { isStopWord } from '../text/stems';

/** One organic result of a front as facts are taken from it; `null` where nobody gave the figure. */
export interface FrontResult {
  position: number;
  title: string;
  owner: string | null;
  own: boolean;
  authority: number | null;
  /** Days since it was published. */
  age: number | null;
  price: number | null;
  rating: number | null;
  reviews: number | null;
  views: number | null;
}

/** Lower quartile, median and upper quartile of one figure over the front, and where ours lies. */
export interface FrontQuartiles {
  name: string;
  low: number;
  middle: number;
  high: number;
  least: number;
  most: number;
  /** How many of the front give the figure. */
  known: number;
  /** Our value, and the quarter of the front it falls into: 1 the lowest to 4; `null` without one. */
  ours: number | null;
  quarter: number | null;
}

export interface ResultFacts {
  quartiles: FrontQuartiles[];
  /** Titles that hold the phrase; those that hold all its words in any order. */
  exactRivals: number;
  allWords: number;
  results: number;
  /** Owners that hold several slots. */
  several: { owner: string; positions: number[] }[];
  /** Runs of one to three words that at least two titles share, the most common first. */
  patterns: { text: string; titles: number }[];
  /** Where the phrase stands in the titles that hold it. */
  phrasePlace: { first: number; later: number };
  /** Titles with a word all in capitals of three letters or more. */
  capitals: number;
}

const MOST_PATTERNS = 8;
const LONGEST = 3;

/**
 * What a front is made of (method §14): quartiles of its figures with ours beside, exact rivals, owners of several slots,
 * how titles are written. Exact rivals leave ours out. Order of the results does not matter.
 *
 * @param ours our own target's figures where it is not on the front; figures of our best on the front go before
 */
export function resultFacts(
  front: readonly FrontResult[],
  keywordKey: string,
  language: string,
  ours: Partial<FrontResult> | null,
): ResultFacts {
  const own = [...front].filter((result) => result.own).sort((a, b) => a.position - b.position)[0] ?? ours;
  const rivals = front.filter((result) => !result.own);
  const phrase = ` ${keywordKey} `;
  const wanted = words(keywordKey);
  const keyed = (title: string): string => ` ${key(title)} `;
  const holding = front.filter(({ title }) => keyed(title).includes(phrase));
  return {
    quartiles: FIGURES.flatMap(
      ({ name, of }) => quartilesOf(name, front.map(of), (own && of(own)) ?? null) ?? [],
    ),
    exactRivals: rivals.filter(({ title }) => keyed(title).includes(phrase)).length,
    allWords: rivals.filter(({ title }) => {
      const held = new Set(words(key(title)));
      return wanted.every((word) => held.has(word));
    }).length,
    results: front.length,
    several: severalSlots(front),
    patterns: patternsOf(front, language),
    phrasePlace: {
      first: holding.filter(({ title }) => keyed(title).startsWith(phrase)).length,
      later: holding.filter(({ title }) => !keyed(title).startsWith(phrase)).length,
    },
    capitals: front.filter(({ title }) => /(?<!\p{L})\p{Lu}{3,}(?!\p{L})/u.test(title)).length,
  };
}

type Figure = (result: Partial<FrontResult>) => number | null | undefined;
const FIGURES: readonly { name: string; of: Figure }[] = [
  { name: 'title length', of: ({ title }) => (title === undefined ? null : [...title].length) },
  { name: 'price', of: ({ price }) => price },
  { name: 'rating', of: ({ rating }) => rating },
  { name: 'reviews', of: ({ reviews }) => reviews },
  { name: 'age in days', of: ({ age }) => age },
  {
    name: 'views a day',
    of: ({ views, age }) => viewsADay(views, age),
  },
  { name: 'authority', of: ({ authority }) => authority },
];

/**
 * Quartiles of one figure over a front, and into which quarter ours falls. `null` where nobody gives the figure.
 *
 * @param values `null` or `undefined` where unknown
 */
export function quartilesOf(
  name: string,
  values: readonly (number | null | undefined)[],
  ours: number | null,
): FrontQuartiles | null {
  const known = values.filter((value): value is number => typeof value === 'number');
  const found = quartiles(known);
  if (found === null) return null;
  const [low, middle, high] = found;
  const quarter = ours === null ? null : ours < low ? 1 : ours < middle ? 2 : ours < high ? 3 : 4;
  return {
    name,
    low,
    middle,
    high,
    least: Math.min(...known),
    most: Math.max(...known),
    known: known.length,
    ours,
    quarter,
  };
}

function severalSlots(front: readonly FrontResult[]): ResultFacts['several'] {
  const byOwner = new Map<string, number[]>();
  for (const { owner, position } of front)
    if (owner !== null) byOwner.set(owner, [...(byOwner.get(owner) ?? []), position]);
  return [...byOwner]
    .filter(([, positions]) => positions.length > 1)
    .map(([owner, positions]) => ({ owner, positions: positions.sort((a, b) => a - b) }))
    .sort((a, b) => b.positions.length - a.positions.length || a.positions[0]! - b.positions[0]!);
}

function patternsOf(front: readonly FrontResult[], language: string): ResultFacts['patterns'] {
  const counts = new Map<string, number>();
  for (const { title } of front) {
    const own = words(key(title));
    const runs = new Set<string>();
    for (let length = 1; length <= LONGEST; length++)
      for (let at = 0; at + length <= own.length; at++) {
        const run = own.slice(at, at + length);
        // A run that begins or ends with a filler is part of a better one.
        if (isStopWord(run[0]!, language) || isStopWord(run.at(-1)!, language)) continue;
        runs.add(run.join(' '));
      }
    for (const run of runs) counts.set(run, (counts.get(run) ?? 0) + 1);
  }
  const shared = [...counts].filter(([, titles]) => titles > 1);
  // What a longer run says as often need not be said by itself.
  return shared
    .filter(
      ([text, titles]) =>
        !shared.some(
          ([longer, as]) => as === titles && longer !== text && ` ${longer} `.includes(` ${text} `),
        ),
    )
    .map(([text, titles]) => ({ text, titles }))
    .sort((a, b) => b.titles - a.titles || b.text.length - a.text.length || (a.text < b.text ? -1 : 1))
    .slice(0, MOST_PATTERNS);
}

/**
 * Positions of weak places (method §14): views a day in the lowest and age in the highest quarter of the front. What nobody
 * gives is neither.
 */
export function weakPlaces(front: readonly FrontResult[]): number[] {
  const known = (values: (number | null)[]): number[] => values.filter((value) => value !== null);
  const daily = ({ views, age }: FrontResult): number | null => viewsADay(views, age);
  const views = quartiles(known(front.map(daily)));
  const ages = quartiles(known(front.map(({ age }) => age)));
  if (views === null || ages === null) return [];
  return front
    .filter((result) => (daily(result) ?? Infinity) <= views[0] && (result.age ?? -1) >= ages[2])
    .map(({ position }) => position);
}
