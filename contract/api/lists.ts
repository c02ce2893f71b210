import { z } from 'zod';
import { siftQuery } from './sift';
import { verdict } from './judgements';

export const keywordList = z.object({
  id: z.int(),
  name: z.string(),
  market: z.string(),
  keywords: z.int(),
  volume: z.number(),
  locked: z.boolean(),
  /** Where its keywords came from, in words. */
  origin: z.string(),
  /** The look-up whose pool it came from, which is the one to show it in; `null` where none is known. */
  lookUp: z.int().nullable(),
  /** Whether the look-up and recipe it came from are known, so that it can be made again. */
  renewable: z.boolean(),
  /** How many fit keywords it is to hold, and how many of its keywords have which verdict. */
  goal: z.int().nullable(),
  judged: z.object({ fit: z.int(), adjacent: z.int(), off: z.int(), unjudged: z.int(), parked: z.int() }),
  fitVolume: z.number(),
  revision: z.int(),
  createdAt: z.string(),
  history: z.array(z.object({ at: z.string(), person: z.string(), what: z.string() })),
});
export type KeywordList = z.infer<typeof keywordList>;
const listName = z.string().trim().min(1).max(200);
const signed = { person: z.string().trim().max(80).default('') };
export const listAddition = z.object({
  name: listName,
  market: z.string(),
  keywords: z.array(z.int()).min(1).max(1_000_000),
  origin: z.string().max(500).default(''),
  ...signed,
});
export type ListAddition = z.input<typeof listAddition>;
export const listCombination = z.object({
  name: listName,
  lists: z.array(z.int()).min(2).max(20),
  how: z.enum(['union', 'intersection', 'difference']),
  ...signed,
});
export type ListCombination = z.input<typeof listCombination>;
export const listChange = z.object({
  name: listName.optional(),
  locked: z.boolean().optional(),
  goal: z.int().min(1).max(100_000).nullable().optional(),
  /** The revision that the change rests on. */
  revision: z.int().optional(),
  add: z.array(z.int()).max(100_000).optional(),
  remove: z.array(z.int()).max(100_000).optional(),
  ...signed,
});
export type ListChange = z.input<typeof listChange>;
/** What of a sifted pool becomes a list. */
export const listFromSift = z.object({
  name: listName,
  query: siftQuery.omit({
    offset: true,
    limit: true,
    sort: true,
    languages: true,
    contained: true,
    into: true,
  }),
  only: z.array(verdict).default([]),
  origin: z.string().max(500).default(''),
  ...signed,
});
/** What making a list again would change; the first keywords of each by name. */
export const listRenewal = z.object({
  added: z.int(),
  gone: z.int(),
  comes: z.array(z.object({ id: z.int(), text: z.string() })),
  goes: z.array(z.object({ id: z.int(), text: z.string() })),
});
export type ListRenewal = z.infer<typeof listRenewal>;
export type ListFromSift = z.input<typeof listFromSift>;
