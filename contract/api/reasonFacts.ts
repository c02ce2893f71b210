import { z } from 'zod';
import { action } from './gapQuery';

const keywordsAndClicks = z.object({ keywords: z.int(), clicks: z.number() });

/** What an action does to other keywords of the same page: how many win or lose a click a month or more, and clicks of all. */
export const elsewhere = z.object({ won: keywordsAndClicks, lost: keywordsAndClicks });

/** What the sentence on an action is made of, for those who say it in another language (method §8). */
export const reasonFacts = z.object({
  action,
  /** Positions: 0 where nobody looked, see the core’s `ranking/position` for absent. */
  own: z.int(),
  ownPaid: z.int(),
  /** Of rivals within the front, best first. */
  rivalsInFront: z.array(z.int()),
  front: z.int(),
  /** Results of the captured front, and how many have the phrase in the title; `null` without a capture. */
  frontPhrase: z.object({ results: z.int(), held: z.int() }).nullable(),
  ownTargets: z.int(),
  /** Searches a month. */
  searches: z.number().nullable(),
  /** 0–1, as it is and after the action. */
  asIs: z.number().nullable(),
  chance: z.number().nullable(),
  /** A month, in the currency. */
  value: z.number().nullable(),
  currency: z.string(),
  /** Days of work. */
  effort: z.number(),
  elsewhere: elsewhere.nullable(),
});
