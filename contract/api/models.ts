import { CHANGES } from '@opsimath/core/forecast/forecast';
import { CHANCE_FEATURES } from '@opsimath/core/gap/chance';
import { z } from 'zod';

/** How clicks and chance are estimated in a market at a date, and what that rests on. */
export const marketModels = z.object({
  curve: z.object({
    /** Whether own search performance is behind it; else it is the prior. */
    fitted: z.boolean(),
    impressions: z.number(),
    clicks: z.number(),
    /** Positions 1–100. */
    points: z.array(
      z.object({
        position: z.int(),
        prior: z.number(),
        used: z.number(),
        impressions: z.number(),
        clicks: z.number(),
      }),
    ),
  }),
  /** Where targets will stand (method §6a). */
  forecast: z.object({
    /** Whether pairs of captures are behind it; else the stated defaults hold. */
    fitted: z.boolean(),
    /** Days ahead. */
    horizon: z.int(),
    captures: z.int(),
    leastCaptures: z.int(),
    rows: z.int(),
    /** Results of which something changed, and how many of them the prior counts for; `null` where it alone holds. */
    changedRows: z.int(),
    priorRows: z.number().nullable(),
    changes: z.array(z.object({ change: z.enum(CHANGES), weight: z.number(), error: z.number().nullable() })),
    /** Targets that hold a keyword’s words: what a new one is judged by. */
    entryFitted: z.boolean(),
    /** On keywords that the model had not seen: mean ln of the probability of what came. */
    quality: z
      .object({
        logScore: z.number(),
        stays: z.number(),
        shares: z.number(),
        auc: z.number(),
        calibrationError: z.number(),
        calibration: z.array(
          z.object({ rows: z.int(), foretold: z.number().nullable(), inside: z.number().nullable() }),
        ),
      })
      .nullable(),
  }),
  /** What a page’s fields alone tell. */
  chance: z.object({
    /** Whether the captures are behind it; else the stated default weights hold. */
    fitted: z.boolean(),
    captures: z.int(),
    leastCaptures: z.int(),
    intercept: z.number(),
    weights: z.array(
      z.object({ feature: z.enum(CHANCE_FEATURES), weight: z.number(), error: z.number().nullable() }),
    ),
    /** On keywords that the model had not seen. */
    quality: z
      .object({
        auc: z.number(),
        brier: z.number(),
        calibrationError: z.number(),
        calibration: z.array(
          z.object({ rows: z.int(), foretold: z.number().nullable(), inside: z.number().nullable() }),
        ),
      })
      .nullable(),
    /** The same keywords foretold by the default weights, and by the share within the front alone. */
    others: z
      .object({
        defaults: z.object({ auc: z.number(), brier: z.number() }),
        constant: z.object({ auc: z.number(), brier: z.number() }),
      })
      .nullable(),
  }),
});
export type MarketModels = z.infer<typeof marketModels>;
