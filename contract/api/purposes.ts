import { PURPOSES } from '@opsimath/core/sift/purpose';
import { z } from 'zod';

/** What a search is for, said by hand; `null` leaves it to the rules. */
export const purposeChoice = z.object({
  purpose: z.enum(PURPOSES).nullable(),
  person: z.string().trim().max(80).default(''),
});
export type PurposeChoice = z.input<typeof purposeChoice>;
