import type { Verdict } from '@opsimath/contract/api/judgements';

/** One key for each verdict; `w` puts a keyword off. */
export const VERDICT_KEYS: Record<string, { verdict: Verdict; parked: boolean; word: string }> = {
  f: { verdict: 'fit', parked: false, word: 'fit' },
  a: { verdict: 'adjacent', parked: false, word: 'adjacent' },
  o: { verdict: 'off', parked: false, word: 'off' },
  u: { verdict: 'unjudged', parked: false, word: 'unjudged' },
  w: { verdict: 'unjudged', parked: true, word: 'parked' },
};
