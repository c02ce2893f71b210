import { ACTIONS } from '@opsimath/core/gap/action';
import { z } from 'zod';
import { isoDay, surface } from '../source/answers';
import { position } from './position';

export const surfacesQuery = z.object({
  market: z.string(),
  date: isoDay,
  /** The surfaces of the market's place and language, or all markets of its surface. */
  across: z.enum(['surfaces', 'markets']).default('surfaces'),
  /** Keywords of that market. */
  keywords: z.preprocess(
    (value) => (typeof value === 'string' ? value.split(',').filter(Boolean) : value),
    z.array(z.coerce.number().int()).min(1).max(50),
  ),
});
export type SurfacesQuery = z.input<typeof surfacesQuery>;

const holder = z.object({
  side: z.enum(['own', 'rival', 'other']),
  letter: z.string().nullable(),
  owner: z.string().nullable(),
});
const onSurface = z.object({
  market: z.string(),
  surface,
  placeName: z.string(),
  languageName: z.string(),
  /** Searches a month there; `null` where they are unknown. */
  volume: z.number().nullable(),
  /** `null` where the keyword was never captured there. */
  captured: isoDay.nullable(),
  own: position,
  /** Organic slots within the front. */
  front: z.int(),
  ours: z.array(z.int()),
  rivals: z.array(z.object({ letter: z.string(), name: z.string(), positions: z.array(z.int()) })),
  /** Kinds of target within the front: pages, videos, listings. */
  kinds: z.array(z.object({ kind: z.string(), slots: z.int(), ours: z.int() })),
  /** Answer, image and video blocks, and who holds each slot of them. */
  blocks: z.array(z.object({ kind: z.string(), slot: z.int(), holder })),
  /** Slots that could be ours: one of every kind of target there is, and every block that is not ours yet. */
  could: z.int(),
  held: z.int(),
  /** What is best to do there, and what it adds a month; `null` where nothing is known of it, or nothing is to be done. */
  best: z
    .object({
      action: z.enum(ACTIONS),
      /** P(within F) after it; `null` if unknown. */
      chance: z.number().nullable(),
      value: z.number().nullable(),
      priority: z.number().nullable(),
    })
    .nullable(),
});
export type OnSurface = z.infer<typeof onSurface>;
export const surfacesView = z.object({
  front: z.int(),
  currency: z.string(),
  /** Across surfaces, what could be won most first; across markets in the order asked for. */
  keywords: z.array(
    z.object({
      id: z.int(),
      text: z.string(),
      volume: z.number().nullable(),
      surfaces: z.array(onSurface),
      could: z.int(),
      held: z.int(),
      /** What the best actions on all of them add a month. */
      value: z.number(),
      /** Of the places looked at: on how many we are on the front, of how many that are known, and our worst position. */
      onFront: z.int(),
      known: z.int(),
      worst: position,
    }),
  ),
});
export type SurfacesView = z.infer<typeof surfacesView>;
