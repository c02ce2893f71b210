import { z } from 'zod';
import { isoDay } from '../source/answers';
import { gapFilter, comparisonScope } from './gapQuery';
import { ownPeriod } from './ownQueries';

export const overTimeQuery = comparisonScope.extend(gapFilter.shape).extend({
  own: ownPeriod,
  /** First day to draw; the first that is held unless given. */
  from: isoDay.optional(),
});
export type OverTimeQuery = z.input<typeof overTimeQuery>;

const sideAt = z.object({
  /** 0–1; `null` where nothing is known. */
  visibility: z.number().nullable(),
  /** Share of the clicks of all captured targets, 0–1. */
  share: z.number().nullable(),
  /** In the order of DEPTH_BANDS. */
  depth: z.array(z.int()),
  /** Keywords with a paid slot. */
  paid: z.int(),
});

/** What one side did between the two dates. */
const sideChange = z.object({
  name: z.string(),
  letter: z.string().nullable(),
  gained: z.int(),
  lost: z.int(),
  climbing: z.int(),
  slipping: z.int(),
  cameIn: z.int(),
  wentOut: z.int(),
  paidGained: z.int(),
  paidLost: z.int(),
  /** Keywords of which both dates are known. */
  known: z.int(),
});

export const overTime = z.object({
  keywords: z.int(),
  /** Us first, then the rivals. */
  names: z.array(z.string()),
  letters: z.array(z.string().nullable()),
  /** Every day over the same keywords: the panel. `captured`: how many of all were captured by then. */
  dates: z.array(z.object({ date: isoDay, captured: z.int(), sides: z.array(sideAt) })),
  /** Keywords captured by the first day drawn. */
  panel: z.int(),
  /** Days from which on more keywords are captured: a panel that begins there has so many. */
  bases: z.array(z.object({ date: isoDay, keywords: z.int() })),
  /** Own search performance of these keywords by week, from its first day on. */
  weeks: z.array(
    z.object({ from: isoDay, clicks: z.int(), impressions: z.int(), position: z.number().nullable() }),
  ),
  /** `null` without a compare-with date. */
  changes: z.array(sideChange).nullable(),
  /** Owners that came onto fronts since the compare-with date, of the keywords captured at both. */
  newcomers: z.array(
    z.object({
      owner: z.string(),
      /** Fronts it came onto, those it left, and those it is on now. */
      came: z.int(),
      left: z.int(),
      now: z.int(),
      best: z.int(),
      /** Searches a month of those it came onto. */
      volume: z.number(),
      /** Whether it is in the roster; whether it was on no front before. */
      known: z.boolean(),
      isNew: z.boolean(),
    }),
  ),
});
export type OverTime = z.infer<typeof overTime>;
