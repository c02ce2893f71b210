import type { RoundsView } from '@opsimath/contract/api/rounds';
import { DAY_MS } from '@opsimath/core/day';
import { useScope } from '../../state/useScope';
import { short } from './roundWords';
import { t, wordOf } from '../../words/t';

const WEEKDAYS = [
  t('rounds:CalendarView.mon'),
  t('rounds:CalendarView.tue'),
  t('rounds:CalendarView.wed'),
  t('rounds:CalendarView.thu'),
  t('rounds:CalendarView.fri'),
  t('rounds:CalendarView.sat'),
  t('rounds:CalendarView.sun'),
];
const text = (time: number): string => new Date(time).toISOString().slice(0, 10);

/** Weeks from the first round’s beginning: what is due, and what comes up again, on its day; what has no day, on its round’s last. */
export function CalendarView({ view }: { view: RoundsView }) {
  const { change } = useScope();
  const { rounds, aside } = view;
  const entries = [
    ...rounds.flatMap((round) =>
      round.tasks.map((task) => ({
        task,
        day: task.due ?? round.ends,
        isSet: task.due !== null,
        what: 'due',
      })),
    ),
    ...aside.flatMap((task) =>
      task.state === 'put off' && task.until !== null
        ? [{ task, day: task.until, isSet: true, what: t('rounds:CalendarView.comesUpAgain') }]
        : [],
    ),
  ];
  const days = [
    ...entries.map(({ day }) => day),
    ...rounds.flatMap(({ starts, ends }) => [starts, ends]),
  ].sort();
  const first = Date.parse(days[0]!);
  const monday = first - ((new Date(first).getUTCDay() + 6) % 7) * DAY_MS;
  const weeks = Math.min(53, Math.ceil((Date.parse(days.at(-1)!) - monday + DAY_MS) / (7 * DAY_MS)));
  return (
    <div className="calendar-scroll">
      <table className="ledger calendar" aria-label={t('rounds:CalendarView.calendarOfRounds')}>
        <thead>
          <tr>
            {WEEKDAYS.map((name) => (
              <th key={name}>{name}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {Array.from({ length: weeks }, (_, week) => (
            <tr key={week}>
              {WEEKDAYS.map((name, weekday) => {
                const day = text(monday + (7 * week + weekday) * DAY_MS);
                const round = rounds.find(({ starts, ends }) => starts <= day && day <= ends);
                return (
                  <td key={name} className={round ? 'in-round' : undefined}>
                    <span className="soft">{short(day)}</span>
                    {round?.starts === day && <b className="under">{round.name}</b>}
                    {entries
                      .filter((entry) => entry.day === day)
                      .map(({ task, isSet, what }) => (
                        <button
                          key={`${what} ${task.id}`}
                          className="plain under"
                          title={`${wordOf(task.action)}, ${task.person || t('rounds:CalendarView.nobodyYet')}, ${isSet ? what : t('rounds:CalendarView.noDaySetTheRoundS')}`}
                          onClick={() => change({ view: '', task: task.id })}
                        >
                          {isSet ? task.lead.text : <i>{task.lead.text}</i>}
                        </button>
                      ))}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="soft">{t('rounds:CalendarView.inItalicsNoDayIsSet')}</p>
    </div>
  );
}
