import type { WatchStrip, WatchView, watchQuery } from '@opsimath/contract/api/watch';
import { dayOf, isoDayOf } from '@opsimath/core/day';
import { estimatedClicks } from '@opsimath/core/ranking/clickThrough';
import { UNKNOWN, depthBand, isRanked } from '@opsimath/core/ranking/position';
import { countsByDepth, visibility } from '@opsimath/core/ranking/visibility';
import { key } from '@opsimath/core/text/key';
import { dueLook } from '@opsimath/core/watch/lookAgain';
import { EVERY_DAY, isDue, nextDay, unitsAMonth } from '@opsimath/core/watch/schedule';
import type { z } from 'zod';
import { keywordsById } from '../../data/keywords';
import { listTasks } from '../../data/tasks';
import { watchPlans } from '../../data/watchPlans';
import { type Comparison, demandOf } from '../comparison/comparison';
import { type OpenComparison, openComparison } from '../comparison/openComparison';
import type { DaySeries } from '../facts/daySeries';
import { type Watched, watchedSeries } from '../facts/watchedSeries';
import { positionOf } from '../facts/positionOf';
import type { Workspace } from '../kept/workspace';

/** Days that fit into a strip. */
const STRIP_DAYS = 180;
const MOST_DAYS = 740;

/** What is followed in a market: totals over time, a strip for each keyword, what was changed, and what is due (method §15, §16). */
export async function watch(
  workspace: Workspace,
  projectId: number,
  { from, limit, find, ...scope }: z.output<typeof watchQuery>,
): Promise<WatchView> {
  const opened = await openComparison(workspace, projectId, scope);
  const { told, strips } = await workspace.keep('watch', opened.revisions, [opened.name, from], () =>
    gather(workspace, projectId, opened, from),
  );
  const sought = key(find);
  const shown = sought === '' ? strips : strips.filter(({ text }) => key(text).includes(sought));
  return {
    ...told,
    strips: shown.slice(0, limit).map((strip) => strip.drawn()),
    stripsInAll: shown.length,
  };
}

/** All of it but which strips are looked for. */
async function gather(
  workspace: Workspace,
  projectId: number,
  { comparison, revisions }: OpenComparison,
  from: string | undefined,
): Promise<{ told: Omit<WatchView, 'strips' | 'stripsInAll'>; strips: Strip[] }> {
  const { database } = workspace;
  const { market, sides, project, date } = comparison;
  const watched = await watchedSeries(workspace, projectId, revisions, market, sides);
  const { tracked, series, rowOf } = watched;
  const changes = watched.changes.filter((one) => one.date <= date);
  const aimed = changes.flatMap(({ keywords }) => keywords.map(({ id }) => id));
  const drawn = series.days
    .map((_, n) => n)
    .filter((n) => series.days[n]! <= date && (from === undefined || series.days[n]! >= from))
    .slice(-MOST_DAYS);
  const rows = tracked.map((id) => rowOf.get(id) ?? -1);
  const [plan] = await watchPlans(database, { project: projectId, market: market.id });
  const shown = thinned(drawn);
  const told = {
    currency: project.settings.currency,
    front: project.settings.front,
    names: [sides.ownName, ...sides.rivals.map(({ name }) => name)],
    letters: [null, ...sides.rivals.map(({ letter }) => letter)],
    tracked: tracked.length,
    plan: toldPlan(plan, date, tracked.length),
    days: drawn.map((n) => series.days[n]!),
    ...totalsOf(comparison, series, drawn, rows),
    stripDays: shown.map((n) => series.days[n]!),
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
      ...dueChanges(comparison, watched, changes),
      ...(await dueTasks(workspace, projectId, date)),
    ],
  };
  return {
    told,
    strips: await stripsOf(workspace, comparison, series, { drawn, shown }, rows, new Set(aimed)),
  };
}

/** A keyword’s strip, drawn when it is asked for. */
interface Strip {
  text: string;
  drawn: () => WatchStrip;
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
  const volumes = Float64Array.from(series.keywords, (id) => demandOf(comparison, id));
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

const clicksAt = ({ curve }: Comparison, volume: number, position: number): number | null =>
  position === UNKNOWN || Number.isNaN(volume) ? null : estimatedClicks(volume, position, 1, curve);

async function stripsOf(
  { database }: Workspace,
  comparison: Comparison,
  series: DaySeries,
  { drawn, shown }: { drawn: readonly number[]; shown: readonly number[] },
  rows: readonly number[],
  aimed: ReadonlySet<number>,
): Promise<Strip[]> {
  const texts = await keywordsById(
    database,
    rows.flatMap((row) => (row < 0 ? [] : [series.keywords[row]!])),
  );
  const known = (columns: readonly Uint8Array[], row: number, from: readonly number[]): number => {
    for (const n of from) if (columns[n]![row] !== UNKNOWN) return columns[n]![row]!;
    return UNKNOWN;
  };
  const backwards = [...drawn].reverse();
  const strips = rows.flatMap((row) => {
    const id = series.keywords[row];
    if (id === undefined || !texts.has(id)) return [];
    const then = known(series.organic[0]!, row, drawn);
    const now = known(series.organic[0]!, row, backwards);
    const of = (columns: readonly Uint8Array[]): number[] => shown.map((n) => columns[n]![row]!);
    const demand = demandOf(comparison, id);
    const before = clicksAt(comparison, demand, then);
    const after = clicksAt(comparison, demand, now);
    const { text } = texts.get(id)!;
    const clicks = before === null || after === null ? null : after - before;
    return [
      {
        text,
        clicks,
        demand,
        isAimed: aimed.has(id),
        drawn: (): WatchStrip => ({
          id,
          text,
          demand: Number.isNaN(demand) ? null : demand,
          now: positionOf(now),
          then: positionOf(then),
          paid: positionOf(known(series.paid[0]!, row, backwards)),
          clicks,
          own: of(series.organic[0]!),
          rivals: series.organic.slice(1).map(of),
        }),
      },
    ];
  });
  return strips.sort(
    (a, b) =>
      Number(b.isAimed) - Number(a.isAimed) ||
      Math.abs(b.clicks ?? 0) - Math.abs(a.clicks ?? 0) ||
      (b.demand || 0) - (a.demand || 0),
  );
}

/** Evenly thinned, the last one always kept. */
function thinned(days: readonly number[]): number[] {
  const every = Math.max(1, Math.ceil(days.length / STRIP_DAYS));
  return days.filter((_, n) => (days.length - 1 - n) % every === 0);
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
  { series, rowOf }: Watched,
  changes: Watched['changes'],
): Due[] {
  const waits = project.settings.lookAgain[market.surface];
  return changes.flatMap(({ id, date: day, address, state, keywords }) => {
    const lead = keywords[0];
    if (state === 'asked' || !lead) return [];
    const row = rowOf.get(lead.id)!;
    const looks = series.days.flatMap((on, n) =>
      series.organic[0]![n]![row] === UNKNOWN ? [] : [dayOf(on)],
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
