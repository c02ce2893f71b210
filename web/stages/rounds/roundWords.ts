import type { Round, Task } from '@opsimath/contract/api/rounds';
import type { WorkLine } from '@opsimath/contract/api/whatToDo';
import { decimal } from '../../parts/words/figures';
import { localeNow, t } from '../../words/t';

const QUARTERS: Record<string, string> = { '0.25': '¼', '0.5': '½', '0.75': '¾' };

/** “¼ day”, “2 days”. */
export function daysWord(days: number): string {
  const text = QUARTERS[String(days)] ?? decimal(days, Number.isInteger(days) ? 0 : 2);
  return `${text} ${days > 0 && days <= 1 ? t('rounds:roundWords.day') : t('rounds:roundWords.days')}`;
}

/** “16–27 Mar”, “30 Mar – 10 Apr”. */
export function spanWord({ starts, ends }: Pick<Round, 'starts' | 'ends'>): string {
  const [first, last] = [short(starts), short(ends)];
  return starts.slice(0, 7) === ends.slice(0, 7)
    ? `${Number(starts.slice(8))}–${last}`
    : `${first} – ${last}`;
}

const SHORT = new Intl.DateTimeFormat(localeNow().days, { day: 'numeric', month: 'short', timeZone: 'UTC' });
export const short = (day: string): string => SHORT.format(new Date(`${day}T00:00:00Z`));

/** The end of an address, which tells our own pages apart. */
export function pathOf(address: string): string {
  const at = address.indexOf('/');
  return at < 0 ? address : address.slice(at);
}

export const whereOfTask = ({ address, action }: Pick<Task, 'address' | 'action'>): string =>
  address !== '' ? pathOf(address) : action.startsWith('new') ? t('rounds:roundWords.planned') : '';
export const whereOfLine = ({ target, action, serves }: WorkLine): string =>
  target !== null
    ? pathOf(target.address)
    : action.startsWith('new') && serves.length > 1
      ? t('rounds:roundWords.forServesKeywords', { serves: serves.length })
      : '';

export const LATE = t('rounds:roundWords.lateForTheSeasonSPeak');
export const BEHIND = t('rounds:roundWords.dueAfterItsRoundEnds');

/** What may go wrong with a piece of work in its round, in few words. */
export function warningsOf(task: Task, round: Round | undefined): string[] {
  const ready = task.due ?? round?.ends ?? null;
  return [
    ...(task.startBy !== null && ready !== null && task.startBy < ready && task.step === 'picked'
      ? [LATE]
      : []),
    ...(task.due !== null && round && task.due > round.ends ? [BEHIND] : []),
    ...(task.year !== null
      ? [t('rounds:roundWords.datedYearOfferedAgainForYear2', { year: task.year, year2: task.year + 1 })]
      : []),
  ];
}
