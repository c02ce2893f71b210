import { watchQuery } from '@opsimath/contract/api/watch';
import { say } from '@opsimath/core/report/passages';
import { watch } from '../questions/watch';
import { type WriteSection, nothingToSay } from './ground';

const DRAWN = {
  visibility: { unit: 'share', title: 'Visibility', of: (one: Totals) => one.visibility },
  clicks: { unit: 'count', title: 'Estimated clicks a month', of: (one: Totals) => Math.round(one.clicks) },
  front: {
    unit: 'count',
    title: 'Keywords on the front',
    of: (one: Totals) => (one.depth[0] ?? 0) + (one.depth[1] ?? 0),
  },
} as const;
interface Totals {
  visibility: number | null;
  clicks: number;
  depth: number[];
}

/** How the tracked keywords went, day by day, with what was changed as marks. */
export const course: WriteSection = async (
  { workspace, projectId, scope, figures, comparison },
  { id, settings },
) => {
  const draws = settings.draws ?? 'visibility';
  const { unit, title, of } = DRAWN[draws];
  const { market, date } = scope;
  const view = await watch(workspace, projectId, watchQuery.parse({ market, date, limit: 1 }));
  if (view.tracked === 0 || view.days.length < 2)
    return nothingToSay('No keyword has been followed over several days yet: track some in Watch.');
  // In the order of the days, of the sides.
  const lines = view.names.map((name, side) => ({
    name,
    letter: view.letters[side] ?? null,
    values: view.totals[side]!.map((one) => of(one)),
  }));
  const table = `days-${id}`;
  const [first, last] = [view.days[0]!, view.days.at(-1)!];
  const [then, now] = [lines[0]!.values[0] ?? null, lines[0]!.values.at(-1) ?? null];
  const kind = unit === 'share' ? 'share' : 'count';
  const every = Math.max(1, Math.ceil(view.days.length / MOST_ROWS));
  return {
    short:
      then === null || now === null
        ? []
        : [
            say`On the ${figures.of(`${id}.panel`, 'count', view.panel, `days-${id}:panel`, 'keywords followed')} keywords followed, ${DRAWN[draws].title.toLowerCase()} of ${lines[0]!.name} went from ${figures.of(`${id}.then`, kind, then, `${table}:${first}`, `${title} on the first day`)} on ${figures.of(`${id}.first`, 'day', first, `${table}:${first}`, 'first day')} to ${figures.of(`${id}.now`, kind, now, `${table}:${last}`, `${title} on the last day`)}.`,
          ],
    blocks: [
      {
        kind: 'chart',
        id: `course-${id}`,
        title: `${title} of ${comparison.market.placeName}, ${comparison.market.languageName}`,
        unit,
        days: view.days,
        lines,
        marks: view.changes
          .filter((change) => change.date >= first && change.date <= last)
          .map((change) => ({ day: change.date, text: `${change.kind}: ${change.lead}` })),
        caption: `Over ${view.panel} keywords that were known on the first day. A day without captures is a gap.`,
      },
      {
        kind: 'table',
        id: table,
        title: `${title} by day`,
        columns: [
          { key: 'day', name: 'Day', kind: 'day' },
          ...lines.map(({ name }, n) => ({ key: `l${n}`, name, kind: kind as 'share' | 'count' })),
        ],
        rows: view.days.flatMap((day, n) =>
          n === 0 || (view.days.length - 1 - n) % every === 0
            ? [{ key: day, cells: [day, ...lines.map(({ values }) => values[n] ?? null)] }]
            : [],
        ),
        empty: 'None.',
      },
    ],
  };
};

const MOST_ROWS = 31;
