import type { Verdict } from '@opsimath/contract/api/judgements';
import { t } from '../../words/t';

/** One key for each verdict; `w` puts a keyword off. */
export const VERDICT_KEYS: Record<string, { verdict: Verdict; parked: boolean; word: string }> = {
  f: { verdict: 'fit', parked: false, word: t('parts:verdictKeys.fit') },
  a: { verdict: 'adjacent', parked: false, word: t('parts:verdictKeys.adjacent') },
  o: { verdict: 'off', parked: false, word: t('parts:verdictKeys.off') },
  u: { verdict: 'unjudged', parked: false, word: t('parts:verdictKeys.unjudged') },
  w: { verdict: 'unjudged', parked: true, word: t('parts:verdictKeys.parked') },
};
