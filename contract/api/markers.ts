import { MARKER_SHAPES } from '@opsimath/core/sift/sieve';
import { z } from 'zod';

const parts = { name: z.string().trim().min(1).max(60), shape: z.enum(MARKER_SHAPES) };
/** A mark that a project puts on keywords without deciding anything. */
export const marker = z.object({ id: z.int(), ...parts, keywords: z.int() });
export type Marker = z.infer<typeof marker>;
export const markerAddition = z.object(parts);
export type MarkerAddition = z.infer<typeof markerAddition>;
export const markerChange = z.object(parts).partial();
export const marking = z.object({ keywords: z.array(z.int()).min(1).max(100_000), on: z.boolean() });
export type Marking = z.infer<typeof marking>;
/** Keywords whose mark changed, so that it can be taken back. */
export const markingAnswer = z.object({ changed: z.array(z.int()) });
