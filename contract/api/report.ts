import { z } from 'zod';
import { isoDay } from '../source/answers';
import { whatToDo } from './whatToDo';
import { comparisonScope, gapRow, gapTotals, rivalColumn, sideTotals } from './gaps';

export const reportQuery = comparisonScope.extend({
  top: z.coerce.number().int().min(1).max(100).default(20),
});

/** The prioritised gap report, every figure worked out from captures. */
export const report = z.object({
  project: z.string(),
  market: z.string(),
  date: isoDay,
  compare: isoDay.nullable(),
  front: z.int(),
  currency: z.string(),
  scope: z.string(),
  sentences: z.array(z.string()),
  totals: gapTotals,
  sides: z.array(sideTotals),
  rivals: z.array(rivalColumn),
  /** The first pieces of work. */
  work: whatToDo,
  /** The keywords that they lead with. */
  top: z.array(gapRow),
  paid: z.object({ unbid: z.array(gapRow), doubling: z.array(gapRow) }),
  movers: z.object({ up: z.array(gapRow), down: z.array(gapRow) }),
  quality: z.array(z.string()),
  sources: z.array(
    z.object({ source: z.string(), kind: z.string(), from: isoDay, to: isoDay, rows: z.int() }),
  ),
});
export type Report = z.infer<typeof report>;
