import { words } from './key';
import { nearWords, wordNumber } from './nearWords';
import { mayBeSpellingOf } from './variants';

/**
 * Pairs of keys that may be spellings of each other (see {@link mayBeSpellingOf}), without comparing each with each:
 * pairs that differ in one word or in two, in spaces, or in a space and a letter beside it or elsewhere. What differs
 * in two letters put where two spaces were is not found.
 *
 * 100,000 keys take some seconds.
 *
 * @param keys keyword keys (§1), each once
 * @returns indices of both keys of each pair, the smaller first; each pair once, in no order
 */
export function spellingPairs(keys: readonly string[]): [number, number][] {
  const finder = new PairFinder(keys);
  finder.joinedAndSplit();
  for (let index = 0; index < keys.length; index++) {
    finder.wordsChanged(index);
    finder.spaceMoved(index);
  }
  return finder.pairs;
}

/**
 * Finds pairs by numbers. A key's number is the sum of the numbers of its words at their places, so that the number of
 * a key with another word somewhere is one subtraction and one addition away. Numbers may coincide by accident: every
 * pair that they propose is looked at before it counts.
 */
class PairFinder {
  readonly pairs: [number, number][] = [];
  private readonly seen = new Set<number>();
  private readonly own: Int32Array[];
  private readonly byNumber = new Map<number, number[]>();
  /** Keys by their number without one word, and without two. */
  private readonly withoutOne = new Map<number, number[]>();
  private readonly withoutTwo = new Map<number, number[]>();
  private readonly vocabulary = new Set<string>();
  private readonly near: ReturnType<typeof nearWords>;

  constructor(private readonly keys: readonly string[]) {
    this.own = keys.map((key) => {
      const list = words(key);
      for (const word of list) this.vocabulary.add(word);
      return Int32Array.from(list, wordNumber);
    });
    this.near = nearWords([...this.vocabulary]);
    this.own.forEach((own, index) => {
      const number = numberOf(own);
      put(this.byNumber, number, index);
      for (let i = 0; i < own.length; i++) {
        const rest = (number - placed(own[i]!, i)) | 0;
        put(this.withoutOne, rest ^ (i + 1), index);
        for (let j = i + 1; j < own.length; j++)
          put(this.withoutTwo, ((rest - placed(own[j]!, j)) | 0) ^ (i * 64 + j + 1), index);
      }
    });
  }

  /** Keys that are equal without spaces. */
  joinedAndSplit(): void {
    const byLetters = new Map<string, number[]>();
    this.keys.forEach((key, index) => {
      const letters = key.replace(/ /g, '');
      const alike = byLetters.get(letters);
      if (!alike) return void byLetters.set(letters, [index]);
      for (const other of alike) this.add(other, index);
      alike.push(index);
    });
  }

  /** Keys with another word at one place, up to two edits away, or at two places, each one edit away. */
  wordsChanged(index: number): void {
    const own = this.own[index]!;
    const texts = words(this.keys[index]!);
    const number = numberOf(own);
    for (let i = 0; i < own.length; i++) {
      const rest = (number - placed(own[i]!, i)) | 0;
      const alike = this.withoutOne.get(rest ^ (i + 1))!;
      if (alike.length > 1) {
        const near = this.near(texts[i]!);
        if (alike.length <= near.one.size + near.two.size) {
          // Ascending: the pairs with a smaller one were found from there.
          for (let n = alike.length - 1; n >= 0 && alike[n]! > index; n--) {
            const word = this.own[alike[n]!]![i];
            if (word !== undefined && (near.one.has(word) || near.two.has(word))) this.add(index, alike[n]!);
          }
        } else {
          for (const word of near.one) this.addNumber(index, rest + placed(word, i));
          for (const word of near.two) this.addNumber(index, rest + placed(word, i));
        }
      }
      for (let j = i + 1; j < own.length; j++) {
        const both = (rest - placed(own[j]!, j)) | 0;
        const group = this.withoutTwo.get(both ^ (i * 64 + j + 1))!;
        if (group.at(-1)! > index) this.twoChanged(index, index, group, both, [i, j], [texts[i]!, texts[j]!]);
      }
    }
  }

  /** @param above only keys after this one are looked at where they are looked at one by one */
  private twoChanged(
    index: number,
    above: number,
    group: readonly number[],
    rest: number,
    [i, j]: [number, number],
    [first, second]: [string, string],
  ): void {
    const ones = this.near(first).one;
    const others = this.near(second).one;
    if (ones.size === 0 || others.size === 0) return;
    const firstIsFewer = ones.size <= others.size;
    const [fewer, more] = firstIsFewer ? [ones, others] : [others, ones];
    if (group.length <= 2 * fewer.size) {
      for (let n = group.length - 1; n >= 0 && group[n]! > above; n--) {
        const own = this.own[group[n]!]!;
        if (i < own.length && j < own.length && ones.has(own[i]!) && others.has(own[j]!))
          this.add(index, group[n]!);
      }
      return;
    }
    // Most words that are near stand in no key with the others: half a look tells.
    const [here, there] = firstIsFewer ? [i, j] : [j, i];
    for (const word of fewer) {
      const half = rest + placed(word, here);
      if (!this.withoutOne.has((half | 0) ^ (there + 1))) continue;
      for (const other of more) this.addNumber(index, half + placed(other, there));
    }
  }

  /** Keys with a space gone or moved past a letter, and a letter changed. */
  spaceMoved(index: number): void {
    const texts = words(this.keys[index]!);
    for (let at = 0; at + 1 < texts.length; at++) {
      const [before, after] = [texts[at]!, texts[at + 1]!];
      this.joinedAndChanged(index, [...texts.slice(0, at), before + after, ...texts.slice(at + 2)], at);
      this.movedAndChanged(index, texts, at, before.slice(0, -1), before.slice(-1) + after);
      this.movedAndChanged(index, texts, at, before + after.slice(0, 1), after.slice(1));
    }
  }

  /** Keys one edit from words of which two were joined; the letter may also stand where the space was. */
  private joinedAndChanged(index: number, texts: readonly string[], joined: number): void {
    const own = Int32Array.from(texts, wordNumber);
    const number = numberOf(own);
    this.oneChanged(index, own, texts, joined, true);
    const isWord = this.vocabulary.has(texts[joined]!);
    for (let i = 0; i < own.length; i++) {
      if (i === joined) continue;
      if (isWord) this.oneChanged(index, own, texts, i, false);
      const both = (number - placed(own[i]!, i) - placed(own[joined]!, joined)) | 0;
      const places: [number, number] = i < joined ? [i, joined] : [joined, i];
      const group = this.withoutTwo.get(both ^ (places[0] * 64 + places[1] + 1));
      if (group) this.twoChanged(index, -1, group, both, places, [texts[places[0]]!, texts[places[1]]!]);
    }
  }

  /** Keys that are some words but for two between which a space was moved, and one edit more. */
  private movedAndChanged(
    index: number,
    given: readonly string[],
    at: number,
    before: string,
    after: string,
  ): void {
    const strange = [before, after].filter((word) => word !== '' && !this.vocabulary.has(word)).length;
    // One more edit can make a word of one of them, never of both.
    if (strange > 1) return;
    const texts = spaced(given, at, before, after);
    const own = Int32Array.from(texts, wordNumber);
    if (strange === 0) this.addNumber(index, numberOf(own));
    for (let place = 0; place < texts.length; place++)
      if (strange === 0 || !this.vocabulary.has(texts[place]!))
        this.oneChanged(index, own, texts, place, false);
  }

  /** Keys with another word at one place, one edit away, or up to two. */
  private oneChanged(
    index: number,
    own: Int32Array,
    texts: readonly string[],
    place: number,
    farther: boolean,
  ): void {
    const rest = (numberOf(own) - placed(own[place]!, place)) | 0;
    const alike = this.withoutOne.get(rest ^ (place + 1));
    if (!alike) return;
    const { one, two } = this.near(texts[place]!);
    if (alike.length <= (farther ? one.size + two.size : one.size)) {
      for (const other of alike) {
        const word = this.own[other]![place];
        if (word !== undefined && (one.has(word) || (farther && two.has(word)))) this.add(index, other);
      }
      return;
    }
    for (const word of one) this.addNumber(index, rest + placed(word, place));
    if (farther) for (const word of two) this.addNumber(index, rest + placed(word, place));
  }

  private addNumber(index: number, number: number): void {
    const found = this.byNumber.get(number | 0);
    if (found) for (const other of found) if (other !== index) this.add(index, other);
  }

  private add(one: number, other: number): void {
    if (one === other) return;
    const [low, high] = one < other ? [one, other] : [other, one];
    const pair = low * this.keys.length + high;
    if (this.seen.has(pair)) return;
    this.seen.add(pair);
    if (mayBeSpellingOf(this.keys[low]!, this.keys[high]!)) this.pairs.push([low, high]);
  }
}

function spaced(texts: readonly string[], at: number, before: string, after: string): string[] {
  return [...texts.slice(0, at), before, after, ...texts.slice(at + 2)].filter((word) => word !== '');
}

function put(map: Map<number, number[]>, number: number, index: number): void {
  const known = map.get(number);
  if (known) known.push(index);
  else map.set(number, [index]);
}

/** The number of a word at a place of its key. */
function placed(word: number, place: number): number {
  return Math.imul(word ^ Math.imul(place + 1, 0x9e3779b1), 0x85ebca6b);
}

function numberOf(own: Int32Array): number {
  let number = Math.imul(own.length, 0x27d4eb2f);
  for (let place = 0; place < own.length; place++) number = (number + placed(own[place]!, place)) | 0;
  return number;
}
