import { words } from '../text/key';
import { spellingPairs } from '../text/spellingPairs';
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
  /** Whether a word stands in the language's dictionary. */
  isWord: (word: string) => boolean;
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
 * Groups of variants (method §13, §1): what is spelled otherwise goes under the right form, close variants under the
 * most searched of them, what another language says under its translation. What was decided by hand goes before all.
 *
 * A spelling a goes under b when they may be spellings of each other and b is searched at least five times as often, or
 * b is in the dictionary while a is not; of several b the one in the dictionary, then the most searched. Groups do not
 * depend on the order of the keywords but for ties, which go to the smaller index.
 */
export function groupVariants(material: VariantMaterial): VariantGroups {
  const { keys, translations, byHand } = material;
  const size = keys.length;
  const parent = Int32Array.from({ length: size }, (_, index) => index);
  const link = new Uint8Array(size);
  const put = (child: number, under: number, how: VariantLink): void => {
    if (byHand.has(child) || parent[child] !== child || rootOf(parent, under) === child) return;
    parent[child] = under;
    link[child] = VARIANT_LINKS.indexOf(how);
  };
  // First, so that nothing else can close a ring with them.
  for (const [child, under] of byHand) {
    if (rootOf(parent, under) === child) continue;
    parent[child] = under;
    link[child] = VARIANT_LINKS.indexOf('by hand');
  }
  spellUnder(material, put);
  closeUnder(material, parent, put);
  if (translations.size > 0) translateUnder(material, parent, put);
  const main = Int32Array.from(parent, (_, index) => rootOf(parent, index));
  return { main, link };
}

type Put = (child: number, under: number, how: VariantLink) => void;

function rootOf(parent: Int32Array, index: number): number {
  let root = index;
  while (parent[root] !== root) root = parent[root]!;
  return root;
}

function spellUnder({ keys, volumes, isWord, language }: VariantMaterial, put: Put): void {
  const known = new Map<string, boolean>();
  const wordKnown = (word: string): boolean => {
    let answer = known.get(word);
    if (answer === undefined) known.set(word, (answer = /\d/.test(word) || isWord(word)));
    return answer;
  };
  const inDictionary = keys.map((key) => words(key).every(wordKnown));
  const better = (a: number, b: number): number =>
    Number(inDictionary[b]) - Number(inDictionary[a]) || volumeOf(volumes, b) - volumeOf(volumes, a) || a - b;
  const right = new Map<number, number>();
  const offer = (variant: number, form: number): void => {
    const dictionarySays = !inDictionary[variant] && inDictionary[form];
    if (!dictionarySays && !(volumes[form]! >= 5 * volumes[variant]!)) return;
    const found = right.get(variant);
    if (found === undefined || better(form, found) < 0) right.set(variant, form);
  };
  for (const [a, b] of spellingPairs(keys)) {
    offer(a, b);
    offer(b, a);
  }
  // The least of each first: where two claim each other, the better form stays.
  for (const variant of [...right.keys()].sort((a, b) => better(b, a))) {
    const form = right.get(variant)!;
    const joined = keys[variant]!.replace(/ /g, '') === keys[form]!.replace(/ /g, '');
    const isClose = closeVariantKey(keys[variant]!, language) === closeVariantKey(keys[form]!, language);
    put(variant, form, isClose ? 'close' : joined ? 'joined or split' : 'spelling');
  }
}

function closeUnder({ keys, volumes, language }: VariantMaterial, parent: Int32Array, put: Put): void {
  const first = new Map<string, number>();
  const order = mains(parent).sort((a, b) => volumeOf(volumes, b) - volumeOf(volumes, a) || a - b);
  for (const index of order) {
    const stems = closeVariantKey(keys[index]!, language);
    const under = first.get(stems);
    if (under === undefined) first.set(stems, index);
    else put(index, under, 'close');
  }
}

function translateUnder(
  { keys, translations, language }: VariantMaterial,
  parent: Int32Array,
  put: Put,
): void {
  const byKey = new Map<string, number>();
  const byStems = new Map<string, number>();
  for (const index of mains(parent)) {
    if (translations.has(index)) continue;
    byKey.set(keys[index]!, index);
    byStems.set(closeVariantKey(keys[index]!, language), index);
  }
  for (const [index, translation] of translations) {
    const under = byKey.get(translation) ?? byStems.get(closeVariantKey(translation, language));
    if (under !== undefined) put(index, under, 'translation');
  }
}

function mains(parent: Int32Array): number[] {
  return Array.from(parent.keys()).filter((index) => parent[index] === index);
}

function volumeOf(volumes: ArrayLike<number>, index: number): number {
  const volume = volumes[index]!;
  return volume === volume ? volume : -1;
}
