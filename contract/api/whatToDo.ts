import { z } from 'zod';
import { action, gapQuery } from './gapQuery';
import { elsewhere, reasonFacts } from './reasonFacts';

/** Work for the keywords that pass a filter; the filter is that of the table. */
export const whatToDoQuery = gapQuery.omit({ sort: true });
export type WhatToDoQuery = z.input<typeof whatToDoQuery>;

export const workLine = z.object({
  action,
  /** The target of ours that it is done to; `null` for one that is not there yet, and for bids. */
  target: z.object({ address: z.string(), title: z.string() }).nullable(),
  /** The keyword that it is done for. */
  lead: z.object({ id: z.int(), text: z.string() }),
  /** The title that is meant, where a new one is; it can be worded otherwise as long as the lead stays whole. */
  title: z.string().nullable(),
  /** Words of the lead that its fields beside the title lack, where they are to be added. */
  words: z.array(z.string()),
  /** Keywords that win a click a month or more, the lead among them, and those that lose as much. */
  served: elsewhere,
  /** What it adds a month: clicks, money beside work, value in the project’s currency, and the middle 80 % of that. */
  clicks: z.number(),
  cost: z.number(),
  value: z.number(),
  low: z.number(),
  high: z.number(),
  /** Days of work, and value for one. */
  effort: z.number(),
  priority: z.number(),
  /** In English, and what that is made of. */
  reason: z.string(),
  why: reasonFacts,
  /** The keywords it serves, those that matter most first. */
  serves: z.array(z.object({ id: z.int(), text: z.string(), clicks: z.number(), value: z.number() })),
});
export type WorkLine = z.infer<typeof workLine>;

export const whatToDo = z.object({
  /** Lines, and what all of them bring and take; each keyword’s gain counted once. */
  total: z.int(),
  value: z.number(),
  days: z.number(),
  /** What the first 20 would add a month together, and the middle 80 % of it. */
  first: z
    .object({ lines: z.int(), value: z.number(), low: z.number(), high: z.number(), days: z.number() })
    .nullable(),
  currency: z.string(),
  front: z.int(),
  horizon: z.int(),
  /** New targets are planned keyword by keyword: there are too many for clusters. */
  withoutClusters: z.boolean(),
  lines: z.array(workLine),
});
export type WhatToDo = z.infer<typeof whatToDo>;
