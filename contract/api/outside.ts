import { z } from 'zod';
import { keptJudgement, verdict } from './judgements';

/** What a table worked on outside would change. Nothing is changed before it is said so. */
export const outsidePreview = z.object({
  /** Rows read, and those of them that say what stands already. */
  rows: z.int(),
  unchanged: z.int(),
  /** Rows that fit no keyword of the market, or say something that cannot be. */
  unmatched: z.array(z.object({ line: z.int(), text: z.string(), why: z.string() })),
  verdicts: z.array(
    z.object({
      keyword: z.int(),
      text: z.string(),
      before: keptJudgement.omit({ keyword: true }),
      after: z.object({ verdict, parked: z.boolean(), reason: z.string() }),
      /** Somebody judged it after the table was written: the newer judgement would be overwritten. */
      newer: z.boolean(),
    }),
  ),
  notes: z.array(z.object({ keyword: z.int(), text: z.string(), note: z.string() })),
  markers: z.array(
    z.object({ marker: z.int(), name: z.string(), on: z.array(z.int()), off: z.array(z.int()) }),
  ),
});
export type OutsidePreview = z.infer<typeof outsidePreview>;
