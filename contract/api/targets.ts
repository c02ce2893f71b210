import { z } from 'zod';
import { isoDay, sourceFullRecord, targetKind } from '../source/answers';

export const side = z.enum(['own', 'rival']);
export type Side = z.infer<typeof side>;

export const target = z.object({
  id: z.int(),
  side,
  kind: targetKind,
  address: z.string(),
  name: z.string(),
  /** The newest public record, if it has been fetched. */
  record: sourceFullRecord.nullable(),
  recordDate: isoDay.nullable(),
  versions: z.int(),
});
export type Target = z.infer<typeof target>;

/** Many addresses as they were pasted, one a line. */
export const targetsAddition = z.object({ side, market: z.string(), text: z.string().max(200_000) });
export const targetsAdded = z.object({
  added: z.array(target),
  /** Lines that gave nothing new, each with its reason. */
  left: z.array(z.object({ line: z.int(), text: z.string(), reason: z.string() })),
});
export type TargetsAdded = z.infer<typeof targetsAdded>;
