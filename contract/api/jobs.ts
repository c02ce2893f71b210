import { z } from 'zod';

export const jobState = z.enum(['queued', 'running', 'done', 'failed', 'cancelled']);

export const jobProgress = z.object({
  /** What it is doing, in words. */
  step: z.string(),
  done: z.number().nonnegative(),
  total: z.number().nonnegative().nullable(),
  units: z.number().nonnegative(),
  /** Seconds left, estimated; `null` while unknown. */
  secondsLeft: z.number().nonnegative().nullable(),
});
export type JobProgress = z.infer<typeof jobProgress>;

export const job = z.object({
  id: z.int(),
  projectId: z.int(),
  kind: z.enum(['look-up', 'captures', 'import', 'archive', 'auctions', 'audit']),
  state: jobState,
  progress: jobProgress,
  message: z.string().nullable(),
  createdAt: z.string(),
  finishedAt: z.string().nullable(),
});
export type Job = z.infer<typeof job>;
