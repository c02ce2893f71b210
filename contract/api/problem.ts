import { z } from 'zod';

/** What went wrong: a code to act on, what happened, and what to do about it. */
export const problem = z.object({
  code: z.string(),
  message: z.string(),
  todo: z.string().optional(),
});
export type Problem = z.infer<typeof problem>;
