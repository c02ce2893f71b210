import { z } from 'zod';
import { isoDay, surface } from '../source/answers';
import { frontQuartile } from './around';

/** What somebody looks at in a result. */
export const READ_ABOUT = ['opening', 'picture'] as const;
export const readAbout = z.enum(READ_ABOUT);
export type ReadAbout = z.infer<typeof readAbout>;

const traits = z.array(z.string().max(80)).max(200);

export const studiedResult = z.object({
  position: z.int().nullable(),
  address: z.string(),
  owner: z.string().nullable(),
  side: z.enum(['own', 'rival', 'other']),
  title: z.string(),
  /** The first 160 characters of its description. */
  opening: z.string(),
  /** As a data address; `null` where none is held. */
  picture: z.string().nullable(),
  /** Whether its whole public record is held. */
  recorded: z.boolean(),
  tags: z.object({ count: z.int(), characters: z.int() }).nullable(),
  /** Units sold a month by its sales rank. Estimated; `null` without a rank or a curve. */
  units: z.number().nullable(),
  /** Traits that were ticked; `null` where nobody has looked. */
  read: z.object({ opening: traits.nullable(), picture: traits.nullable() }),
});
export type StudiedResult = z.infer<typeof studiedResult>;

const shares = z.object({
  looked: z.int(),
  shares: z.array(z.object({ trait: z.string(), shown: z.int(), share: z.number().nullable() })),
});

/** How a front shows itself: openings, pictures, tags, kinds of thing, and the pace of its sales. */
export const study = z.object({
  /** Day of the captured page. */
  date: isoDay,
  surface,
  /** The front, then ours where it is not on it. */
  results: z.array(studiedResult),
  /** How many of the front have a whole record. */
  recorded: z.int(),
  front: z.int(),
  read: z.object({ opening: shares, picture: shares }),
  /** Of tags on the front: how many, and their characters together; with the limit of the surface. */
  tags: z.array(frontQuartile.extend({ limit: z.int() })),
  things: z.object({
    counts: z.array(z.object({ thing: z.string(), titles: z.int(), ours: z.boolean() })),
    none: z.int(),
  }),
  pace: z
    .object({ aDay: z.number(), inAll: z.number(), position: z.int(), known: z.int(), days: z.int() })
    .nullable(),
});
export type Study = z.infer<typeof study>;

export const studyQuery = z.object({ market: z.string(), date: isoDay });
/** `null` takes back that it was looked at. */
export const reading = z.object({
  address: z.string().min(1).max(2000),
  about: readAbout,
  traits: traits.nullable(),
});
export type Reading = z.infer<typeof reading>;
