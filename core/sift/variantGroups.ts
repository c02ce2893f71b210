import { misspellings } from '../text/misspellings';
import { closeVariants } from '../text/closeVariants';
import { closeVariantKey } from '../text/stems';

/** How a keyword belongs to the main keyword of its group. */
export const VARIANT_LINKS = [
  'main',
  'close',
  'spelling',
  'joined or split',
  'translation',
  'by hand',
] as const;
export type VariantLink = (typeof VARIANT_LINKS)[number];

export interface VariantMaterial {
  /** Keyword keys (§1), each once. */
  keys: readonly string[];
  /** Searches a month, NaN where unknown. */
  volumes: ArrayLike<number>;
  /** Language of the market, for stems. */
  language: string;
  /** Words that nobody would call a slip ({@link knownWords}). */
  known: ReadonlySet<string>;
  /** Key of what a keyword of another language says in the market's language, where it is known. */
  translations: ReadonlyMap<number, string>;
  /** What somebody decided: under which keyword another belongs; under itself is a group of its own. */
  byHand: ReadonlyMap<number, number>;
}

export interface VariantGroups {
  /** Index of the main keyword of each, its own index where it is one itself. */
  main: Int32Array;
  /** Index into {@link VARIANT_LINKS} of each. */
  link: Uint8Array;
}

/**
 * Groups of variants (method §13, §1): spellings, close variants, translations, and what was put together by hand. What
 * somebody decided goes before all: a keyword of which that was done is joined by hand only.
 *
 * The main keyword of a group is the most searched of it; ties go to the smaller index. Each other one bears how it came to
 * the group.
 */
export function groupVariants(material: VariantMaterial): VariantGroups {
  const { keys, volumes, byHand } = material;
  const ties: Tie[] = [...byHand].flatMap(([one, other]) =>
    one === other ? [] : [{ one, other, how: 'by hand' as const }],
  );
  for (const tie of [...spellings(material), ...closeTies(material), ...translated(material)])
    if (!byHand.has(tie.one) && !byHand.has(tie.other)) ties.push(tie);
  const tied: { to: number; how: VariantLink }[][] = keys.map(() => []);
  for (const { one, other, how } of ties) {
    tied[one]!.push({ to: other, how });
    tied[other]!.push({ to: one, how });
  }
  const main = new Int32Array(keys.length).fill(-1);
  const link = new Uint8Array(keys.length);
  const order = Array.from(keys.keys()).sort((a, b) => volumeOf(volumes, b) - volumeOf(volumes, a) || a - b);
  // The most searched first: whoever is met before anybody of its group is its main keyword.
  for (const root of order) {
    if (main[root] !== -1) continue;
    main[root] = root;
    const reached = [root];
    for (let n = 0; n < reached.length; n++)
      for (const { to, how } of tied[reached[n]!]!) {
        if (main[to] !== -1) continue;
        main[to] = root;
        link[to] = VARIANT_LINKS.indexOf(how);
        reached.push(to);
      }
  }
  return { main, link };
}

/** Two keywords that belong together, and why. */
interface Tie {
  one: number;
  other: number;
  how: VariantLink;
}

function spellings({ keys, known, language }: VariantMaterial): Tie[] {
  return misspellings(keys, known).map(({ variant, form, how }) => {
    const isClose = closeVariantKey(keys[variant]!, language) === closeVariantKey(keys[form]!, language);
    return { one: variant, other: form, how: isClose ? 'close' : how };
  });
}

function closeTies({ keys, language }: VariantMaterial): Tie[] {
  return Array.from(closeVariants(keys, language)).flatMap((other, one): Tie[] =>
    other < 0 || other === one ? [] : [{ one, other, how: 'close' }],
  );
}

function translated({ keys, translations, language }: VariantMaterial): Tie[] {
  if (translations.size === 0) return [];
  const byKey = new Map<string, number>();
  const byStems = new Map<string, number>();
  keys.forEach((key, index) => {
    if (translations.has(index)) return;
    byKey.set(key, index);
    byStems.set(closeVariantKey(key, language), index);
  });
  return [...translations].flatMap(([one, translation]): Tie[] => {
    const other = byKey.get(translation) ?? byStems.get(closeVariantKey(translation, language));
    return other === undefined ? [] : [{ one, other, how: 'translation' }];
  });
}

function volumeOf(volumes: ArrayLike<number>, index: number): number {
  const volume = volumes[index]!;
  return volume === volume ? volume : -1;
}
