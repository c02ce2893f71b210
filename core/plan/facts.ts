import type { Surface } from '../text/surfaces';

/** What a forecast says of one keyword: P(within F), and the click-through to be expected, both 0–1; NaN where unknown. */
export interface Foretold {
  chance: number;
  clickThrough: number;
}

/** What the alternatives of one keyword are chosen from (method §8). Money in the project’s currency, a month. */
export interface PlanFacts {
  surface: Surface;
  /** Own organic position and paid slot as column values; the position is not unknown. */
  own: number;
  ownPaid: number;
  /** We pay for it while standing near the top without (method §5). */
  doubling: boolean;
  /** Some own target ranks for it or holds all its words. */
  served: boolean;
  /** Searches a month that are left to organic results: V · feature factor. NaN if unknown. */
  demand: number;
  /** V itself: paid slots lose nothing to what stands above. */
  searches: number;
  /** Worth and expected cost of a click; the cost NaN if unknown. */
  worth: number;
  clickCost: number;
  /** Share of paid clicks that come to our organic result once a bid is gone, 0–1. */
  shareMoved: number;
  /** 0–1 by verdict. */
  fit: number;
  /** What own ads bring and cost for it; NaN where no ad terms tell. */
  paidClicks: number;
  paidCost: number;
  /** What the best bid would bring and cost by the auctions observed; NaN where none was. */
  bidClicks: number;
  bidCost: number;
  /** Without any action, and after each: not to be had where its clickThrough is NaN. */
  asIs: Foretold;
  retitled: Foretold;
  strengthened: Foretold;
  written: Foretold;
  /** What rewording the page does to its other keywords, by action. */
  elsewhere: { retitled: Brought; strengthened: Brought };
}

/** Clicks a month, and what they are worth a month. */
export interface Brought {
  clicks: number;
  value: number;
}

/** What one alternative brings, a month. */
export interface Outcome {
  /** Clicks more, or fewer, on the keyword itself. */
  clicks: number;
  /** What the page’s other keywords win, less what they lose. */
  elsewhere: Brought;
  /** What it costs beside work; what it saves is below 0. */
  cost: number;
  /** P(within F) after it. */
  chance: number;
}
