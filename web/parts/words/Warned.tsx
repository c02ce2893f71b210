import type { GapRow } from '@opsimath/contract/api/gaps';
import { spelledDay } from './figures';
import { t, wordOf } from '../../words/t';

/** Marks of what is better not aimed at, with the reason and who allowed it. */
export function Warned({ warnings }: { warnings: GapRow['warnings'] }) {
  return warnings.map((warning) => (
    <span
      key={warning.text}
      className={warning.allowed ? 'banned-mark allowed' : 'banned-mark'}
      title={warningWords(warning)}
    >
      {warning.allowed
        ? t('parts:Warned.levelAllowed', { level: wordOf(warning.level) })
        : wordOf(warning.level)}
    </span>
  ));
}

/** "“Cobblemoor” is doubtful: a rival’s name. Allowed by Ada on 3 March 2026." */
export function warningWords({ text, level, reason, allowed }: GapRow['warnings'][number]): string {
  const leave = allowed
    ? ` ${t('parts:Warned.allowedByPersonOnAtWhich', { person: allowed.person || t('parts:Warned.somebodyWhoDidNotSign'), at: spelledDay(allowed.at.slice(0, 10)), which: allowed.reason ? `: ${allowed.reason}` : '' })}`
    : ` ${t('parts:Warned.whoeverJudgesItFitOrAdjacent')}`;
  return t('parts:Warned.textIsLevelWhichLeave', {
    text,
    level: wordOf(level),
    which: reason ? `: ${reason}` : '',
    leave,
  });
}
