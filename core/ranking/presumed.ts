/** Days that two look-ups may lie apart to speak of one state of things (method §4). */
export const PRESUMED_DAYS = 7;

/** A look-up as far as presumption goes: where it came from, and its day since 1970. */
export interface LookedUp {
  source: string | null;
  day: number;
}

/**
 * Whether a complete look-up of one side makes that side absent from a keyword it does not name and another look-up names for
 * somebody else (method §4): of the same source, at most seven days apart.
 */
export function presumedAbsent(complete: LookedUp, naming: LookedUp): boolean {
  return complete.source === naming.source && Math.abs(complete.day - naming.day) <= PRESUMED_DAYS;
}
