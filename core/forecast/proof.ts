/** How forecasts did in simulated worlds beside twins in which nothing was done (method §6a); measured by `npm run validate`. */
export interface Proof {
  surface: 'web' | 'video' | 'marketplace';
  /** Keywords whose page nobody touched, and pieces of work that were done. */
  untouched: ProofPart;
  done: ProofPart;
  /** Clicks a month that the work added to the whole site. */
  site: { foretold: number; came: number };
}

interface ProofPart {
  rows: number;
  /** Mean chance of the front, and the share that was. */
  foretold: number;
  came: number;
  calibrationError: number;
  clicks: { foretold: number; came: number };
}

/** Seeds of the worlds. */
export const PROOF_SEEDS = [5, 17, 91] as const;
export const PROOF: readonly Proof[] = [
  {
    surface: 'web',
    untouched: {
      rows: 900,
      foretold: 0.21,
      came: 0.23,
      calibrationError: 0.024,
      clicks: { foretold: 16_898, came: 15_904 },
    },
    done: {
      rows: 180,
      foretold: 0.88,
      came: 0.97,
      calibrationError: 0.091,
      clicks: { foretold: 67_574, came: 73_434 },
    },
    site: { foretold: 161_023, came: 141_621 },
  },
  {
    surface: 'video',
    untouched: {
      rows: 244,
      foretold: 0.24,
      came: 0.24,
      calibrationError: 0.026,
      clicks: { foretold: 2663, came: 2487 },
    },
    done: {
      rows: 166,
      foretold: 0.87,
      came: 0.86,
      calibrationError: 0.061,
      clicks: { foretold: 21_691, came: 18_404 },
    },
    site: { foretold: 58_280, came: 33_760 },
  },
  {
    surface: 'marketplace',
    untouched: {
      rows: 145,
      foretold: 0.34,
      came: 0.36,
      calibrationError: 0.028,
      clicks: { foretold: 1691, came: 1777 },
    },
    done: {
      rows: 140,
      foretold: 0.85,
      came: 0.95,
      calibrationError: 0.109,
      clicks: { foretold: 30_763, came: 42_070 },
    },
    site: { foretold: 85_206, came: 98_945 },
  },
];
