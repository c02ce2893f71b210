import type { GapRow } from '@opsimath/contract/api/gaps';
import { reason } from '@opsimath/core/gap/reason';
import { localeNow, reasonTexts } from '../../words/t';

/** Why an action stands where it does, in the language chosen. */
export function reasonWords({ reason: english, why }: Pick<GapRow, 'reason' | 'why'>): string {
  const own = reasonTexts();
  return own === undefined ? english : reason(why, own, localeNow().numbers);
}
