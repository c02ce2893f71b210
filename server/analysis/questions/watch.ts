import type { WatchStrip, WatchView, watchQuery } from '@opsimath/contract/api/watch';
import { dayOf, isoDayOf } from '@opsimath/core/day';
import { estimatedClicks } from '@opsimath/core/ranking/clickThrough';
import { UNKNOWN, depthBand, isRanked } from '@opsimath/core/ranking/position';
import { countsByDepth, visibility } from '@opsimath/core/ranking/visibility';
import { dueLook } from '@opsimath/core/watch/lookAgain';
import { EVERY_DAY, isDue, nextDay, unitsAMonth } from '@opsimath/core/watch/schedule';
import type { z } from 'zod';
import { keywordsById } from '../../data/keywords';
import { listChanges } from '../../data/publishedChanges';
import { listTasks } from '../../data/rounds';
import { trackedKeywords } from '../../data/tracked';
import { watchPlans } from '../../data/watchPlans';
import { type Comparison, entryOf } from '../comparison/comparison';
import { openComparison } from '../comparison/openComparison';
import { type DaySeries, daySeries } from '../facts/daySeries';
import { positionOf } from '../facts/positionOf';
import type { Workspace } from '../kept/workspace';

const MOST_STRIPS = 1000;
const MOST_DAYS = 740;

/** What is followed in a market: totals over time, a strip for each keyword, what was changed, and what is due (method §15, §16). */
export async function watch(
  workspace: Workspace,
  projectId: number,
  { from, ...scope }: z.output<typeof watchQuery>,
): Promise<WatchView> {
  const { database } = workspace;
  const { comparison, revisions } = await openComparison(workspace, projectId, scope);
  const { market, sides, project, date } = comparison;
  const tracked = await trackedKeywords(database, projectId, market.id);
  const changes = (await listChanges(database, projectId, market.id)).filter((one) => one.date <= date);
  const aimed = changes.flatMap(({ keywords }) => keywords.map(({ id }) => id));
  const series = await daySeries(workspace, revisions, market.id, sides, new Set([...tracked, ...aimed]));
  const drawn = series.days
    .map((_, n) => n)
    .filter((n) => series.days[n]! <= date && (from === undefined || series.days[n]! >= from))
    .slice(-MOST_DAYS);
  const rows = tracked.map((id) => series.keywords.indexOf(id));
  const [plan] = await watchPlans(database, { project: projectId, market: market.id });
  const strips = await stripsOf(workspace, comparison, series, drawn, rows);
  return {
    currency: project.settings.currency,
    front: project.settings.front,
    names: [sides.ownName, ...sides.rivals.map(({ name }) => name)],
    letters: [null, ...sides.rivals.map(({ letter }) => letter)],
    tracked: tracked.length,
    plan: toldPlan(plan, date, tracked.length),
    days: drawn.map((n) => series.days[n]!),
    ...totalsOf(comparison, series, drawn, rows),
    strips,
    changes: changes.map(({ id, date: day, kind, address, seenFrom, keywords }) => ({
      id,
      date: day,
      kind,
      address,
      seenFrom,
      lead: keywords[0]?.text ?? '',
    })),
    due: [
      ...(plan && isDue(plan.weekdays, plan.lastDay, date) && plan.trouble !== ''
        ? [dueOf('capture', plan.trouble, date, { keywords: tracked })]
        : []),
      ...dueChanges(comparison, series, changes),
      ...(await dueTasks(workspace, projectId, date)),
    ],
  };
}

function toldPlan(
  plan: { weekdays: number[]; lastDay: string | null; trouble: string } | undefined,
  date: string,
  keywords: number,
): WatchView['plan'] {
  const weekdays = plan?.weekdays ?? [];
  return {
    weekdays,
    lastDay: plan?.lastDay ?? null,
    next: nextDay(weekdays, plan?.lastDay ?? date),
    trouble: plan?.trouble ?? '',
    unitsAMonth: unitsAMonth(weekdays, keywords),
    daily: unitsAMonth(EVERY_DAY, keywords),
    weekly: unitsAMonth([1], keywords),
  };
}

/** Visibility, clicks and depths of every side by day, all over the keywords known on the first day. */
function totalsOf(
  comparison: Comparison,
  series: DaySeries,
  drawn: readonly number[],
  rows: readonly number[],
): Pick<WatchView, 'panel' | 'totals'> {
  const { curve } = comparison;
  const first = drawn[0];
  const panel =
    first === undefined ? [] : rows.filter((row) => row >= 0 && series.organic[0]![first]![row] !== UNKNOWN);
  const volumes = Float64Array.from(series.keywords, (id) => demandOf(comparison, id) ?? NaN);
  return {
    panel: panel.length,
    totals: series.organic.map((columns, side) => {
      // A keyword that was not captured on a day stands where it stood before.
      const standing = new Uint8Array(series.keywords.length);
      const paid = new Uint8Array(series.keywords.length);
      return drawn.map((n) => {
        for (const row of panel) {
          if (columns[n]![row] !== UNKNOWN) standing[row] = columns[n]![row]!;
          if (series.paid[side]![n]![row] !== UNKNOWN) paid[row] = series.paid[side]![n]![row]!;
        }
        return {
          visibility: visibility(standing, volumes, curve, panel),
          clicks: panel.reduce(
            (sum, row) => sum + (clicksAt(comparison, volumes[row]!, standing[row]!) ?? 0),
            0,
          ),
          depth: countsByDepth(standing, panel, depthBand),
          paid: panel.reduce((sum, row) => sum + Number(isRanked(paid[row]!)), 0),
        };
      });
    }),
  };
}

const demandOf = (comparison: Comparison, id: number): number | null => {
  const entry = entryOf(comparison, id);
  const demand = entry < 0 ? NaN : comparison.columns.expectedVolume[entry]!;
  return Number.isNaN(demand) ? null : demand;
};

const clicksAt = ({ curve }: Comparison, volume: number, position: number): number | null =>
  position === UNKNOWN || Number.isNaN(volume) ? null : estimatedClicks(volume, position, 1, curve);

async function stripsOf(
  { database }: Workspace,
  comparison: Comparison,
  series: DaySeries,
  drawn: readonly number[],
  rows: readonly number[],
): Promise<WatchStrip[]> {
  const texts = await keywordsById(
    database,
    rows.flatMap((row) => (row < 0 ? [] : [series.keywords[row]!])),
  );
  const strips = rows.flatMap((row): WatchStrip[] => {
    const id = series.keywords[row];
    if (id === undefined || !texts.has(id)) return [];
    const of = (columns: readonly Uint8Array[]): number[] => drawn.map((n) => columns[n]![row]!);
    const own = of(series.organic[0]!);
    const known = own.filter((position) => position !== UNKNOWN);
    const [then, now] = [known[0] ?? UNKNOWN, known.at(-1) ?? UNKNOWN];
    const demand = demandOf(comparison, id);
    const before = clicksAt(comparison, demand ?? NaN, then);
    const after = clicksAt(comparison, demand ?? NaN, now);
    const paid = of(series.paid[0]!).filter((position) => position !== UNKNOWN);
    return [
      {
        id,
        text: texts.get(id)!.text,
        demand,
        now: positionOf(now),
        then: positionOf(then),
        paid: positionOf(paid.at(-1) ?? UNKNOWN),
        clicks: before === null || after === null ? null : after - before,
        own,
        rivals: series.organic.slice(1).map(of),
      },
    ];
  });
  return strips
    .sort((a, b) => Math.abs(b.clicks ?? 0) - Math.abs(a.clicks ?? 0) || (b.demand ?? 0) - (a.demand ?? 0))
    .slice(0, MOST_STRIPS);
}

type Due = WatchView['due'][number];
const dueOf = (what: Due['what'], text: string, since: string, over: Partial<Due> = {}): Due => ({
  what,
  text,
  since,
  wait: null,
  change: null,
  task: null,
  keywords: [],
  ...over,
});

/** Changes whose waits are over and that nobody has looked at since. */
function dueChanges(
  { project, market, date }: Comparison,
  series: DaySeries,
  changes: Awaited<ReturnType<typeof listChanges>>,
): Due[] {
  const waits = project.settings.lookAgain[market.surface];
  return changes.flatMap(({ id, date: day, address, state, keywords }) => {
    const lead = keywords[0];
    if (state === 'asked' || !lead) return [];
    const row = series.keywords.indexOf(lead.id);
    const looks = series.days.flatMap((on, n) =>
      row >= 0 && series.organic[0]![n]![row] !== UNKNOWN ? [dayOf(on)] : [],
    );
    const due = dueLook(dayOf(day), waits, looks, dayOf(date));
    return due
      ? [
          dueOf('look at a change again', `${lead.text}: ${address}`, isoDayOf(due.since), {
            wait: due.wait,
            change: id,
            keywords: keywords.map((keyword) => keyword.id),
          }),
        ]
      : [];
  });
}

/** Work that was put off until a day that has come. */
async function dueTasks({ database }: Workspace, projectId: number, date: string): Promise<Due[]> {
  return (await listTasks(database, projectId)).flatMap(({ id, state, until, keyword, why, keywordId }) =>
    state === 'put off' && until !== null && until <= date
      ? [
          dueOf('put off until now', why === '' ? keyword : `${keyword}: ${why}`, until, {
            task: id,
            keywords: [keywordId],
          }),
        ]
      : [],
  );
}
