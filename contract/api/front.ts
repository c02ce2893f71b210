import { z } from 'zod';
import { isoDay, surface, targetKind } from '../source/answers';

/** The front of a result page as cards: who stands there, with the figures of the surface. */
export const frontRequest = z.object({
  market: z.string(),
  date: isoDay,
  keyword: z.string().trim().min(1).max(300),
  /** How many organic results are shown. */
  show: z.int().min(1).max(100).default(20),
});
export type FrontRequest = z.input<typeof frontRequest>;

export const frontCard = z.object({
  position: z.int(),
  slot: z.int(),
  paid: z.boolean(),
  address: z.string(),
  kind: targetKind,
  parent: z.string().nullable(),
  owner: z.string(),
  title: z.string(),
  description: z.string(),
  category: z.string().nullable(),
  published: isoDay.nullable(),
  updated: isoDay.nullable(),
  /** authority, price, rating, reviews, sales rank, views, views a day…; absent figures are unknown. */
  figures: z.record(z.string(), z.number().nullable()),
  /** Estimated units and revenue a month, where the source gives a curve. */
  units: z.number().nullable(),
  revenue: z.number().nullable(),
  /** 0–1 to our own target. */
  likeness: z.number().nullable(),
  /** Its picture as a data address; `null` where the service gives none. */
  picture: z.string().nullable(),
  mark: z.enum(['like', 'unlike']).nullable(),
  side: z.enum(['own', 'rival', 'other']),
  /** In what it does better than our best target, and by how much, in words. */
  ahead: z.array(z.string()),
  /** Keywords held, where it has been looked up. */
  heldKeywords: z.int().nullable(),
  /** Paid slot of the same owner on this page. */
  paysAt: z.int().nullable(),
});
export type FrontCard = z.infer<typeof frontCard>;

export const front = z.object({
  keyword: z.string(),
  keywordId: z.int().nullable(),
  market: z.string(),
  surface,
  date: isoDay,
  currency: z.string(),
  held: z.boolean(),
  units: z.number(),
  depth: z.int(),
  results: z.number().nullable(),
  volume: z.number().nullable(),
  /** Own slots within the front, whoever's host they stand on. */
  ownPlaces: z.int(),
  own: z
    .object({ name: z.string(), title: z.string(), address: z.string(), position: z.int().nullable() })
    .nullable(),
  cards: z.array(frontCard),
  parents: z.array(
    z.object({
      address: z.string(),
      owner: z.string(),
      kind: targetKind,
      slots: z.int(),
      best: z.int(),
      inRoster: z.boolean(),
      figures: z.record(z.string(), z.number().nullable()),
    }),
  ),
});
export type Front = z.infer<typeof front>;
