/** What is known of a bid that stands. */
export interface StandingBid {
  bid: number;
  /** Days since it was set. */
  days: number;
  /** Mean slot that it won; `null` where it never won one. */
  slot: number | null;
  /** What suffices for the first page, from the low to the high end. */
  guide: { low: number; high: number };
}

/** What to do with a bid next: leave it until its days are over, or move it by one step. */
export type NextBid =
  { step: 'wait'; days: number } | { step: 'stay' } | { step: 'raise' | 'lower'; to: number };

const STEP_SHARE = 0.1;
const WAIT_DAYS = 7;
/** This near to the wanted slot is there. */
const NEAR = 0.5;

/**
 * Small steps towards a wanted slot (method §17): after seven days a tenth of the guide’s range, never beyond its high end, never
 * below its low end while the wanted slot is not won.
 *
 * @param wanted slot, 1 first
 */
export function nextBid({ bid, days, slot, guide }: StandingBid, wanted: number): NextBid {
  if (days < WAIT_DAYS) return { step: 'wait', days: WAIT_DAYS - days };
  const step = Math.max(0.01, STEP_SHARE * (guide.high - guide.low));
  const cents = (value: number): number => Math.round(100 * value) / 100;
  if (slot === null || slot > wanted + NEAR) {
    if (bid >= guide.high) return { step: 'stay' };
    return { step: 'raise', to: cents(Math.min(guide.high, Math.max(guide.low, bid + step))) };
  }
  if (slot < wanted - NEAR && bid - step >= 0.01) return { step: 'lower', to: cents(bid - step) };
  return { step: 'stay' };
}
