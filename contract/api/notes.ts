import { z } from 'zod';
import { isoDay } from '../source/answers';

/** What a note can be written on. A slot is one place on a captured result page. */
export const noteSubject = z.discriminatedUnion('on', [
  z.object({ on: z.literal('keyword'), keyword: z.int() }),
  z.object({ on: z.literal('target'), target: z.int() }),
  z.object({ on: z.literal('word'), word: z.string().trim().min(1).max(200) }),
  z.object({ on: z.literal('slot'), keyword: z.int(), date: isoDay, address: z.string().min(1).max(2000) }),
]);
export type NoteSubject = z.infer<typeof noteSubject>;

export const noteText = z.string().trim().min(1, 'a note needs words').max(5000);
/** A picture as a data address: PNG, JPEG, WebP or GIF, up to 3 MB of it. */
const picture = z
  .string()
  .max(4_200_000, 'a picture may have 3 MB')
  .regex(/^data:image\/(png|jpeg|webp|gif);base64,[A-Za-z0-9+/]+=*$/, 'a PNG, JPEG, WebP or GIF');
export const noteAddition = z.object({
  subject: noteSubject,
  text: noteText,
  /** Who says so; nobody signs in here. */
  person: z.string().trim().max(80).default(''),
  /** Pasted beside the words. */
  picture: picture.nullable().default(null),
});
export type NoteAddition = z.input<typeof noteAddition>;

export const noteChange = z.object({
  text: noteText,
  /** The revision that the change rests on. */
  revision: z.int().optional(),
  person: z.string().trim().max(80).default(''),
});

export const note = z.object({
  id: z.int(),
  subject: noteSubject,
  /** The keyword, target, word or address it is about, in words. */
  about: z.string(),
  /** Market of the keyword, where it is about one. */
  market: z.string().nullable(),
  text: z.string(),
  person: z.string(),
  /** Whether it has a picture: `/projects/:id/notes/:note/picture`. */
  picture: z.boolean(),
  /** ISO moment. */
  writtenAt: z.string(),
  revision: z.int(),
});
export type Note = z.infer<typeof note>;
