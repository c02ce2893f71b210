import { key, words } from '@opsimath/core/text/key';
import { matchWords } from '@opsimath/core/text/match';
import type { MatchMode } from '@opsimath/core/text/matchModes';
import type { MarketWorld } from '../world/world';

/** Keywords of a market that hold some words or begin with some letters, most searched first. */
export class KeywordSearch {
  private readonly split: string[][];
  private readonly keys: string[];

  constructor(market: MarketWorld) {
    this.keys = market.keywords.map(({ text }) => key(text));
    this.split = this.keys.map((text) => words(text));
  }

  /** Indices of the keywords. */
  holding(text: string, mode: MatchMode): number[] {
    const sought = words(key(text));
    return this.split.flatMap((have, i) => (matchWords(have, sought, mode) ? [i] : []));
  }

  /** What a search box would propose while this is being typed. */
  starting(prefix: string, most: number): number[] {
    const start = key(prefix) + (/\s$/.test(prefix) && key(prefix) !== '' ? ' ' : '');
    const found: number[] = [];
    for (let i = 0; i < this.keys.length && found.length < most; i++)
      if (this.keys[i]!.startsWith(start)) found.push(i);
    return found;
  }
}
