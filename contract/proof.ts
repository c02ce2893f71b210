import type { Surface } from './source/answers';

/** How forecasts did on a set of keywords (method §6a). */
export interface ProofPart {
  rows: number;
  /** Mean chance of the front, and the share that was, 0–1. */
  foretold: number;
  came: number;
  calibrationError: number;
  /** Clicks a month. */
  clicksForetold: number;
  clicksCame: number;
}

/** What `npm run validate -- --keep` found in simulated worlds beside twins in which nothing was done. */
export interface Proof {
  seeds: number[];
  surfaces: {
    surface: Surface;
    /** Keywords whose page nobody touched, and those that work was done for. */
    untouched: ProofPart;
    done: ProofPart;
    /** Clicks a month that the work added to the whole site. */
    siteForetold: number;
    siteCame: number;
  }[];
}
