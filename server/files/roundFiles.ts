import type { Round, Task } from '@opsimath/contract/api/rounds';
import ical, { ICalCalendarMethod } from 'ical-generator';
import type { Cell, Table } from './tableWriters';
import { asMarkdown } from './markdown';

/** A round as a table: what is to be done, for which keyword, where, by whom and when (needs of whoever carries it out). */
export function roundAsTable(round: Round, currency: string): Table {
  return {
    name: round.name,
    about: `${round.name}, ${round.starts} to ${round.ends}; figures are as foretold when the work was picked`,
    heads: [
      'keyword',
      'action',
      'target',
      'working title',
      `adds (${currency} a month, estimated)`,
      `at least (${currency}, 10th percentile)`,
      `at most (${currency}, 90th percentile)`,
      'days of work',
      'person',
      'due',
      'state',
      'keywords served',
      'reason',
    ],
    pages: onePage(
      round.tasks.map((task) => [
        task.lead.text,
        task.action,
        task.address,
        task.title,
        round2(task.value),
        round2(task.low),
        round2(task.high),
        task.effort,
        task.person,
        task.due ?? '',
        task.step,
        servedWords(task),
        task.reason,
      ]),
    ),
  };
}

async function* onePage(rows: Cell[][]): AsyncGenerator<Cell[][]> {
  yield await Promise.resolve(rows);
}

const round2 = (value: number): number => Math.round(value * 100) / 100;
const servedWords = ({ keywords }: Task): string =>
  keywords
    .filter(({ clicks }) => clicks > 0)
    .map(({ text }) => text)
    .join(', ');

/** Due days as all-day events; what has no day stands on the round’s last. */
export function roundAsCalendar(round: Round, project: string): string {
  const calendar = ical({ name: `${project}: ${round.name}`, method: ICalCalendarMethod.PUBLISH });
  for (const task of round.tasks) {
    const day = new Date(`${task.due ?? round.ends}T00:00:00Z`);
    calendar.createEvent({
      id: `task-${task.id}@opsimath`,
      start: day,
      allDay: true,
      summary: `${task.action}: ${task.lead.text}`,
      description: [task.title, task.address, task.person && `by ${task.person}`, task.reason]
        .filter(Boolean)
        .join('\n'),
    });
  }
  return calendar.toString();
}

/** A check list in Markdown; what is published is ticked. */
export function roundAsList(round: Round, currency: string): string {
  const done = (task: Task): boolean => task.step === 'published' || task.step === 'measured';
  return [
    `# ${asMarkdown(round.name)}, ${round.starts} to ${round.ends}`,
    '',
    `About ${Math.round(round.value).toLocaleString('en-US')} ${currency} a month for ${round2(round.days)} days of work; estimated.`,
    '',
    ...round.tasks.flatMap((task) => [
      `- [${done(task) ? 'x' : ' '}] **${asMarkdown(task.action)}: ${asMarkdown(task.lead.text)}**${task.address === '' ? '' : ` on ${asMarkdown(task.address)}`}`,
      ...[
        task.title !== '' && `working title: ${asMarkdown(task.title)}`,
        task.person !== '' && `by ${asMarkdown(task.person)}`,
        task.due !== null && `due ${task.due}`,
        asMarkdown(task.reason),
      ].flatMap((line) => (line ? [`  - ${line}`] : [])),
    ]),
    '',
  ].join('\n');
}
