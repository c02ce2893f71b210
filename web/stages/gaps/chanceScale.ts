/** Where a chance is drawn: on its log odds, which spread what lies near 0 and near 1, where most chances are. */
const LEAST = 0.002;
const MOST = 1 - LEAST;
const logOdds = (chance: number): number => Math.log(chance / (1 - chance));

export const CHANCE_TICKS = [0.01, 0.05, 0.2, 0.5, 0.8, 0.95, 0.99];

/** Both ends of the scale. */
export const CHANCE_ENDS: readonly [number, number] = [logOdds(LEAST), logOdds(MOST)];

/** @param chance 0–1; what lies beyond the scale stands at its end */
export const placeOfChance = (chance: number): number => logOdds(Math.min(MOST, Math.max(LEAST, chance)));

/** The chance at a place; the ends of the scale are 0 and 1, so that a field drawn to an end leaves nothing out. */
export function chanceAtPlace(place: number): number {
  const [low, high] = CHANCE_ENDS;
  if (place <= low) return 0;
  if (place >= high) return 1;
  return 1 / (1 + Math.exp(-place));
}
