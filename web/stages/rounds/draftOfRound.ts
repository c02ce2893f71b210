import type { Round } from '@opsimath/contract/api/rounds';
import { DAY_MS } from '@opsimath/core/day';
import { roundAfter } from '@opsimath/core/rounds/roundAfter';
import { t } from '../../words/t';

export interface RoundDraft {
  name: string;
  starts: string;
  ends: string;
  most: number;
  people: { name: string; days: number }[];
}

const text = (time: number): string => new Date(time).toISOString().slice(0, 10);
/** Two working weeks: Monday to the Friday of the week after. */
const SPAN = 11;

/** A round as it would follow another, or the first one from the Monday after a day. */
export function draftOfRound(after: Round | undefined, date: string, person: string): RoundDraft {
  if (after === undefined) {
    const day = Date.parse(date);
    const weekday = new Date(day).getUTCDay();
    const starts = day + ((8 - weekday) % 7 || 7) * DAY_MS;
    return {
      name: t('rounds:draftOfRound.round1'),
      starts: text(starts),
      ends: text(starts + SPAN * DAY_MS),
      most: 15,
      people: [{ name: person === '' ? t('rounds:draftOfRound.me') : person, days: 10 }],
    };
  }
  return {
    ...roundAfter(after),
    most: after.most,
    people: after.people.map(({ name, days }) => ({ name, days })),
  };
}
