import { z } from 'zod';

/** Phrases of chosen words that a pool does not hold yet. */
export const combinedQuery = z.object({
  words: z.array(z.string().trim().min(1).max(200)).min(2).max(30),
  /** Fewest and most words of a phrase. */
  least: z.int().min(2).max(5).default(2),
  most: z.int().min(2).max(5).default(3),
  anyOrder: z.boolean().default(false),
});
export type CombinedQuery = z.input<typeof combinedQuery>;
export const combinedPhrases = z.object({
  /** New to the pool, short ones first; at most 500. */
  phrases: z.array(z.string()),
  /** How many there are in all, those held among them. */
  possible: z.int(),
  /** Held by the pool already, of those looked through to find the new ones. */
  held: z.int(),
});
export type CombinedPhrases = z.infer<typeof combinedPhrases>;
