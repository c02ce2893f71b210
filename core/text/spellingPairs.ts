import { Groups } from './groups';
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
  private readonly found = new Set<number>();
  /** Whom the key that is looked at now has met: most are no spellings of it, so that keeping all of them takes room. */
  private readonly met = new Set<number>();
  private meeting = -1;
  private readonly own: Int32Array[];
  private readonly byNumber: Groups;
  /** Keys by their number without one word, and without two. */
  private readonly withoutOne: Groups;
  private readonly withoutTwo: Groups;
  private readonly vocabulary = new Set<string>();
  private readonly near: ReturnType<typeof nearWords>;

  constructor(private readonly keys: readonly string[]) {
    this.own = keys.map((key) => {
      const list = words(key);
      for (const word of list) this.vocabulary.add(word);
      return Int32Array.from(list, wordNumber);
    });
    this.near = nearWords([...this.vocabulary]);
    const whole = new Entries(keys.length);
    const one = new Entries(this.own.reduce((sum, { length }) => sum + length, 0));
    const two = new Entries(this.own.reduce((sum, { length }) => sum + (length * (length - 1)) / 2, 0));
    this.own.forEach((own, index) => {
      const number = numberOf(own);
      whole.add(number, index);
      for (let i = 0; i < own.length; i++) {
        const rest = (number - placed(own[i]!, i)) | 0;
        one.add(rest ^ (i + 1), index);
        for (let j = i + 1; j < own.length; j++)
          two.add(((rest - placed(own[j]!, j)) | 0) ^ (i * 64 + j + 1), index);
      }
    });
    this.byNumber = whole.grouped();
    this.withoutOne = one.grouped();
    this.withoutTwo = two.grouped();
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
      // Ascending: the pairs with a smaller one were found from there.
      if (this.withoutOne.seek(rest ^ (i + 1)) && this.withoutOne.to - this.withoutOne.from > 1)
        this.oneAmong(index, index, rest, i, texts[i]!, true);
      for (let j = i + 1; j < own.length; j++) {
        const both = (rest - placed(own[j]!, j)) | 0;
        if (!this.withoutTwo.seek(both ^ (i * 64 + j + 1))) continue;
        if (this.withoutTwo.members[this.withoutTwo.to - 1]! > index)
          this.twoAmong(index, index, both, [i, j], [texts[i]!, texts[j]!]);
      }
    }
  }

  /**
   * Among the keys that `withoutOne` was just asked for: those with a near word at the place.
   * @param above only keys after this one are looked at where they are looked at one by one
   */
  private oneAmong(
    index: number,
    above: number,
    rest: number,
    place: number,
    text: string,
    farther: boolean,
  ): void {
    const { from, to, members } = this.withoutOne;
    const { one, two } = this.near(text);
    const reach = farther ? one.size + two.size : one.size;
    if (reach === 0) return;
    if (to - from <= 2 * reach) {
      for (let n = to - 1; n >= from && members[n]! > above; n--) {
        const word = this.own[members[n]!]![place];
        if (word !== undefined && (one.has(word) || (farther && two.has(word)))) this.add(index, members[n]!);
      }
      return;
    }
    for (const word of one) this.addNumber(index, rest + placed(word, place));
    if (farther) for (const word of two) this.addNumber(index, rest + placed(word, place));
  }

  /** Among the keys that `withoutTwo` was just asked for: those with a word one edit away at each of two places. */
  private twoAmong(
    index: number,
    above: number,
    rest: number,
    [i, j]: [number, number],
    [first, second]: [string, string],
  ): void {
    const { from, to, members } = this.withoutTwo;
    const ones = this.near(first).one;
    if (ones.size === 0) return;
    const others = this.near(second).one;
    if (others.size === 0) return;
    const firstIsFewer = ones.size <= others.size;
    const [fewer, more] = firstIsFewer ? [ones, others] : [others, ones];
    if (to - from <= 2 * fewer.size) {
      for (let n = to - 1; n >= from && members[n]! > above; n--) {
        const own = this.own[members[n]!]!;
        if (i < own.length && j < own.length && ones.has(own[i]!) && others.has(own[j]!))
          this.add(index, members[n]!);
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
      if (this.withoutTwo.seek(both ^ (places[0] * 64 + places[1] + 1)))
        this.twoAmong(index, -1, both, places, [texts[places[0]]!, texts[places[1]]!]);
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
    if (this.withoutOne.seek(rest ^ (place + 1)))
      this.oneAmong(index, -1, rest, place, texts[place]!, farther);
  }

  private addNumber(index: number, number: number): void {
    if (!this.byNumber.seek(number | 0)) return;
    const { from, to, members } = this.byNumber;
    for (let n = from; n < to; n++) this.add(index, members[n]!);
  }

  private add(one: number, other: number): void {
    if (one === other) return;
    if (one !== this.meeting) this.met.clear();
    this.meeting = one;
    if (this.met.has(other)) return;
    this.met.add(other);
    const [low, high] = one < other ? [one, other] : [other, one];
    const pair = low * this.keys.length + high;
    if (this.found.has(pair) || !mayBeSpellingOf(this.keys[low]!, this.keys[high]!)) return;
    this.found.add(pair);
    this.pairs.push([low, high]);
  }
}

function spaced(texts: readonly string[], at: number, before: string, after: string): string[] {
  return [...texts.slice(0, at), before, after, ...texts.slice(at + 2)].filter((word) => word !== '');
}

/** Numbers and members on their way into groups. */
class Entries {
  private readonly numbers: Int32Array;
  private readonly members: Int32Array;
  private filled = 0;

  constructor(size: number) {
    this.numbers = new Int32Array(size);
    this.members = new Int32Array(size);
  }

  add(number: number, member: number): void {
    this.numbers[this.filled] = number;
    this.members[this.filled++] = member;
  }

  grouped(): Groups {
    return new Groups(this.numbers, this.members);
  }
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
