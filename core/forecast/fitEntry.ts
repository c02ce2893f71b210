import { FEATURE_COUNT } from './forecast';
import { type FittedLogit, fitOrderedLogit } from './orderedLogit';

/** Targets whose fields hold every word of a keyword, ranked or not, a target a row. */
export interface EntryRows {
  /** Seven features a row, in the order of CHANCE_FEATURES. */
  features: Float64Array;
  /** Band in which it stood. */
  band: Uint8Array;
}

/** Targets below which the stated default holds. */
const LEAST_ENTRIES = 500;

/**
 * Where a target comes in that is not written yet (method §6a): learnt from all targets that hold a keyword’s words, the
 * absent ones included.
 *
 * @returns `null` for fewer than {@link LEAST_ENTRIES}, or where all stand alike
 */
export function fitEntry({ features, band }: EntryRows): FittedLogit | null {
  if (band.length < LEAST_ENTRIES) return null;
  return fitOrderedLogit({ inputs: features, width: FEATURE_COUNT, band }, 'free');
}
