import type { Change } from '../forecast/forecast';
import {
  type PreparedKeyword,
  type PreparedText,
  type TextStanding,
  textStanding,
} from '../gap/textStanding';

/** A keyword that a page of ours serves. */
export interface ServedKeyword {
  keyword: PreparedKeyword;
  /** Searches a month left to organic results. */
  demand: number;
  /** Click-through to be expected: without any change, and after one. */
  asIs: number;
  after: (change: Change) => number;
}

/** What an action on a page does to keywords other than the one it is done for. */
export interface Elsewhere {
  /** Index into the keywords of the page. */
  keyword: Int32Array;
  /** Clicks a month won; lost below 0. */
  clicks: Float32Array;
}

/** Keywords of a page that count, the most searched first; and those of them it may be reworded for that are looked at. */
export const MOST_SIBLINGS = 300;
export const MOST_LEADS = 12;

/** What differs for a keyword when a page’s words become others, and it is touched. */
export function changeBetween(before: TextStanding, after: TextStanding): Change {
  return [
    after.phraseInTitle - before.phraseInTitle,
    after.wordsInTitle - before.wordsInTitle,
    after.wordsInFields - before.wordsInFields,
    1,
    0,
  ];
}

/** A page with its words as they are and the keywords it serves: says what other words would do to each. */
export class PageKeywords {
  private readonly before: TextStanding[];

  /** @param keywords those that count ({@link MOST_SIBLINGS}) */
  constructor(
    text: PreparedText,
    private readonly keywords: readonly ServedKeyword[],
  ) {
    this.before = keywords.map(({ keyword }) => textStanding(keyword, text));
  }

  /**
   * What the page’s keywords win and lose by other words (method §8): V · f · (Σ P_after · c − Σ P_as it is · c) each.
   *
   * @param lead the keyword that it is done for, which is left out
   */
  elsewhere(words: PreparedText, lead: number): Elsewhere {
    const keyword: number[] = [];
    const clicks: number[] = [];
    this.keywords.forEach(({ keyword: sought, demand, asIs, after }, n) => {
      if (n === lead) return;
      const change = changeBetween(this.before[n]!, textStanding(sought, words));
      const won = demand * (after(change) - asIs);
      if (Number.isNaN(won) || won === 0) return;
      keyword.push(n);
      clicks.push(won);
    });
    return { keyword: Int32Array.from(keyword), clicks: Float32Array.from(clicks) };
  }
}
