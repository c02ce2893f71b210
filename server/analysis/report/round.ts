import type { ReportCell, ReportTable } from '@opsimath/contract/api/reportContent';
import type { Task } from '@opsimath/contract/api/rounds';
import type { ChangeEffect } from '@opsimath/contract/api/watch';
import { say } from '@opsimath/core/report/passages';
import { shown } from '@opsimath/core/shown';
import { listRounds } from '../../data/rounds';
import { effects } from '../questions/effects';
import { roundToldAlone } from '../questions/rounds';
import { type WriteSection, nothingToSay } from './ground';

/** A round: what was done, where its keywords stood before and after, what it did. */
export const round: WriteSection = async (
  { workspace, projectId, scope, figures, comparison },
  { id, settings },
) => {
  const { market, date } = scope;
  const rounds = await listRounds(workspace.database, projectId);
  const newest = [...rounds]
    .sort((a, b) => (a.starts < b.starts ? -1 : 1))
    .filter(({ starts }) => starts <= date)
    .at(-1);
  const wanted = rounds.find((one) => one.id === settings.round) ?? newest ?? rounds[0];
  if (!wanted) return nothingToSay('There is no round yet: fill one in Rounds.');
  const told = await roundToldAlone(workspace, projectId, wanted.id, date);
  const changes = (await effects(workspace, projectId, { market, date })).changes;
  const effectOf = new Map(
    changes.filter(({ task }) => task !== null).map((change) => [change.task!, change]),
  );
  const done = told.tasks.filter(({ step }) => step === 'published' || step === 'measured');
  const table = `round-${id}`;
  const { currency } = comparison.project.settings;
  const count = (key: string, value: number, from: string) =>
    figures.of(`${id}.${key}`, 'count', value, `${table}:all`, from);
  return {
    short: [
      say`${told.name} ran from ${figures.of(`${id}.starts`, 'day', told.starts, `${table}:all`, 'first day of the round')} to ${figures.of(`${id}.ends`, 'day', told.ends, `${table}:all`, 'last day of the round')}: of ${count('tasks', told.tasks.length, 'pieces of work planned')} pieces of work ${count('done', done.length, 'pieces of work done')} are published, and the effect of ${count('measured', told.tasks.filter(({ step }) => step === 'measured').length, 'pieces of work measured')} can be told.`,
      ...(told.tasks.length > done.length
        ? [
            say`${count('left', told.tasks.length - done.length, 'pieces of work left')} are still to be done.`,
          ]
        : []),
    ],
    blocks: [
      itemTable(table, told.tasks, effectOf, currency, {
        name: told.name,
        done: done.length,
      }),
      positionTable(`moved-${id}`, told.tasks, effectOf),
    ],
  };
};

/** Of each piece of work, the lead first. */
const MOST_KEYWORDS = 8;

const STEPS: Record<Task['step'], string> = {
  picked: 'not begun',
  drafted: 'drafted',
  published: 'published, too early to tell',
  measured: 'measured',
};

function itemTable(
  id: string,
  tasks: readonly Task[],
  effectOf: ReadonlyMap<number, ChangeEffect>,
  currency: string,
  { name, done }: { name: string; done: number },
): ReportTable {
  return {
    kind: 'table',
    id,
    title: `Work of ${name}`,
    columns: [
      { key: 'work', name: 'Work', kind: 'text' },
      { key: 'person', name: 'Person', kind: 'text' },
      { key: 'step', name: 'How far', kind: 'text' },
      { key: 'foretold', name: 'Clicks foretold', kind: 'decimal' },
      {
        key: 'came',
        name: 'Clicks that came',
        kind: 'text',
        tip: 'Effect on its keywords, a month, with the range of 95 in 100. Estimated.',
      },
      {
        key: 'worth',
        name: `Foretold a month, ${currency}`,
        kind: 'money',
        tip: 'As it was foretold when it was picked: its keywords are below.',
      },
    ],
    rows: [
      ...tasks.map((task) => ({
        key: `t${task.id}`,
        cells: [
          `${task.action}: ${task.lead.text}`,
          task.person,
          STEPS[task.step],
          task.clicks,
          cameOf(effectOf.get(task.id)),
          task.value,
        ],
        below: [
          ...(task.address === '' ? [] : [task.address]),
          `for ${task.keywords
            .filter(({ clicks }) => clicks > 0)
            .slice(0, 4)
            .map(
              ({ text, clicks, value }) =>
                `${text} (${shown('decimal', clicks)} clicks, ${shown('money', value)})`,
            )
            .join(', ')}`,
        ],
      })),
      {
        key: 'all',
        cells: [
          `${tasks.length} pieces of work`,
          '',
          `${done} published`,
          sum(tasks, 'clicks'),
          '',
          sum(tasks, 'value'),
        ],
      },
    ],
    empty: 'No work was planned.',
  };
}

const sum = (tasks: readonly Task[], what: 'clicks' | 'value'): number =>
  tasks.reduce((total, task) => total + task[what], 0);

function cameOf(change: ChangeEffect | undefined): string {
  if (change?.effect.state !== 'told') return '';
  const { middle, low, high } = change.effect.clicks;
  return `${shown('decimal', middle)} (${shown('decimal', low)} to ${shown('decimal', high)})`;
}

/** Only keywords that were fixed when the change was made: none is chosen afterwards. */
function positionTable(
  id: string,
  tasks: readonly Task[],
  effectOf: ReadonlyMap<number, ChangeEffect>,
): ReportTable {
  return {
    kind: 'table',
    id,
    title: 'Positions before and after',
    columns: [
      { key: 'keyword', name: 'Keyword', kind: 'text' },
      { key: 'work', name: 'Work', kind: 'text' },
      { key: 'day', name: 'Changed on', kind: 'day' },
      { key: 'before', name: 'Before', kind: 'decimal', tip: 'Mean over the window before.' },
      { key: 'after', name: 'After', kind: 'decimal', tip: 'Mean over the window after.' },
    ],
    rows: tasks.flatMap((task) => {
      const change = effectOf.get(task.id);
      return (change?.keywords ?? []).slice(0, MOST_KEYWORDS).map((keyword) => ({
        key: `t${task.id}-k${keyword.id}`,
        cells: [keyword.text, task.action, change!.date, keyword.before, keyword.after] as ReportCell[],
      }));
    }),
    caption: 'The keywords that each change aimed at when it was made.',
    empty: 'No change of this round has keywords with captures before and after it yet.',
  };
}
