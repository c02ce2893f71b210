import { z } from 'zod';
import { sourceMarket } from '../source/answers';

export const knownMarket = sourceMarket.extend({
  /** Code of the market that this is a place within; `null` for the services' own. */
  within: z.string().nullable(),
});
export type KnownMarket = z.infer<typeof knownMarket>;

const named = z
  .string()
  .trim()
  .min(1)
  .max(80)
  .regex(/^[^@]*$/, 'a place has no @ in its name');
/** A place to narrow a market to: searches, positions and look-ups there are kept apart from those of the whole. */
export const placeWithin = z.discriminatedUnion('kind', [
  z.object({ market: z.string(), kind: z.enum(['city', 'region', 'postcode']), value: named }),
  z.object({
    market: z.string(),
    kind: z.literal('point'),
    latitude: z.number().min(-90).max(90),
    longitude: z.number().min(-180).max(180),
    /** Radius in kilometres. */
    km: z.number().min(1).max(500),
  }),
]);
export type PlaceWithin = z.input<typeof placeWithin>;

/** The code of a place within a market: `web-us-en@city:Fernmoor`, `web-us-en@point:44.05,-121.3,25`. */
export function codeOfPlace(place: z.output<typeof placeWithin>): string {
  const said = place.kind === 'point' ? `${place.latitude},${place.longitude},${place.km}` : place.value;
  return `${place.market}@${place.kind}:${said}`;
}
