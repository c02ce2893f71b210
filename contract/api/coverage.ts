import { COVERAGES } from '@opsimath/core/copy/coverageWords';
import { z } from 'zod';
import { isoDay } from '../source/answers';

/** Which keywords a target is held against. */
export const COVERED_KEYWORDS = ['near', 'rivals', 'own', 'list'] as const;
export const coverageRequest = z.object({
  market: z.string(),
  date: isoDay,
  /**
   * `near`: those of others on the front that share half of their words with the target; `rivals`: all on which others
   * stand on the front; `own`: those that it ranks for itself; `list`: a list.
   */
  keywords: z.enum(COVERED_KEYWORDS).default('near'),
  list: z.int().optional(),
  /** Hidden slots as they were pasted, one a line; they count as a field of their own. */
  hidden: z.string().max(20_000).default(''),
});
export type CoverageRequest = z.input<typeof coverageRequest>;

export const targetCoverage = z.object({
  /** Fields that are known of the target, in order, each with how many words it has. */
  fields: z.array(z.object({ name: z.string(), words: z.int() })),
  /** Keywords it was held against, and how many there would be: the most searched are taken. */
  compared: z.int(),
  total: z.int(),
  /** How many of them each way of holding has, in the order of COVERAGES. */
  counts: z.array(z.int()),
  /** Words that they need, most searched first. */
  words: z.array(
    z.object({
      word: z.string(),
      keywords: z.int(),
      volume: z.number(),
      fields: z.array(z.enum(['as typed', 'another form', 'missing'])),
    }),
  ),
  /** Those not held whole, most searched first. */
  keywords: z.array(
    z.object({
      id: z.int(),
      text: z.string(),
      volume: z.number().nullable(),
      coverage: z.enum(COVERAGES),
      missing: z.array(z.string()),
    }),
  ),
});
export type TargetCoverage = z.infer<typeof targetCoverage>;
