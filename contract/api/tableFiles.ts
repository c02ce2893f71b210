import { z } from 'zod';

/** A table as it is shown, to be written as a file. */
export const shownTable = z.object({
  format: z.enum(['csv', 'xlsx', 'json']),
  name: z.string().trim().min(1).max(200),
  /** Where it is from, in words: scope, date, what was chosen. */
  about: z.string().max(2000).default(''),
  heads: z.array(z.string().max(300)).min(1).max(100),
  rows: z.array(z.array(z.union([z.string().max(5000), z.number(), z.null()])).max(100)).max(20_000),
});
export type ShownTable = z.input<typeof shownTable>;
