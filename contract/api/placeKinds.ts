/** Ways of saying a place within a market. */
export const PLACE_KINDS = ['city', 'region', 'postcode', 'point'] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];
