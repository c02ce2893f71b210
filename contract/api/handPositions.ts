import { z } from 'zod';
import { isoDay } from '../source/answers';

const place = z.int().min(1).max(250).nullable();

/** What somebody saw with their own eyes; it may be personal to who looked. */
export const handPosition = z.object({
  id: z.int(),
  target: z.int(),
  name: z.string(),
  date: isoDay,
  organic: place,
  paid: place,
  person: z.string(),
});
export type HandPosition = z.infer<typeof handPosition>;

export const handEntry = z
  .object({
    /** Of an entry that was taken away and is put back. */
    id: z.int().positive().optional(),
    target: z.int(),
    date: isoDay,
    organic: place.default(null),
    paid: place.default(null),
    person: z.string().trim().max(80).default(''),
  })
  .refine(({ organic, paid }) => organic !== null || paid !== null, 'an entry needs a position');
export type HandEntry = z.input<typeof handEntry>;
