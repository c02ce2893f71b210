import type { GapRow } from '@opsimath/contract/api/gaps';
import { spelledDay } from './figures';

/** Marks of what is better not aimed at, with the reason and who allowed it. */
export function Warned({ warnings }: { warnings: GapRow['warnings'] }) {
  return warnings.map((warning) => (
    <span
      key={warning.text}
      className={warning.allowed ? 'banned-mark allowed' : 'banned-mark'}
      title={warningWords(warning)}
    >
      {warning.allowed ? `${warning.level}, allowed` : warning.level}
    </span>
  ));
}

/** "“Cobblemoor” is doubtful: a rival’s name. Allowed by Ada on 3 March 2026." */
export function warningWords({ text, level, reason, allowed }: GapRow['warnings'][number]): string {
  const leave = allowed
    ? ` Allowed by ${allowed.person || 'somebody who did not sign'} on ${spelledDay(allowed.at.slice(0, 10))}${allowed.reason ? `: ${allowed.reason}` : ''}.`
    : ' Whoever judges it fit or adjacent allows it; that is kept with name and day.';
  return `“${text}” is ${level}${reason ? `: ${reason}` : ''}.${leave}`;
}
