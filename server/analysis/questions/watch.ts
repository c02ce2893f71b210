import type { WatchView, watchQuery } from '@opsimath/contract/api/watch';
import { dayOf } from '@opsimath/core/day';
import { UNKNOWN, isRanked } from '@opsimath/core/ranking/position';
import { liesUnder } from '@opsimath/core/text/address';
import { key } from '@opsimath/core/text/key';
import { EVERY_DAY, nextDay, unitsAMonth } from '@opsimath/core/watch/schedule';
import type { z } from 'zod';
import { listMembers } from '../../data/lists';
import { watchPlans } from '../../data/watchPlans';
import type { Comparison } from '../comparison/comparison';
import { type Strip, thinned, watchStrips } from '../comparison/watchStrips';
import { watchTotals } from '../comparison/watchTotals';
import { watchBeside } from '../comparison/watchBeside';
import { type OpenComparison, openComparison } from '../comparison/openComparison';
import { watchedSeries } from '../facts/watchedSeries';
import { dueIn } from './watchDue';
import type { Workspace } from '../kept/workspace';

const MOST_DAYS = 740;

/** What is followed in a market: totals over time, a strip for each keyword, what was changed, and what is due (method §15, §16). */
export async function watch(
  workspace: Workspace,
  projectId: number,
  { from, limit, find, list, target, ...scope }: z.output<typeof watchQuery>,
): Promise<WatchView> {
  const opened = await openComparison(workspace, projectId, scope);
  const { told, strips } = await workspace.keep(
    'watch',
    opened.revisions,
    [opened.name, from, list, target],
    () => gather(workspace, projectId, opened, { from, list, target }),
    ['lists'],
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
  { from, list, target }: Pick<z.output<typeof watchQuery>, 'from' | 'list' | 'target'>,
): Promise<{ told: Omit<WatchView, 'strips' | 'stripsInAll'>; strips: Strip[] }> {
  const { database } = workspace;
  const { market, sides, project, date } = comparison;
  const watched = await watchedSeries(workspace, projectId, revisions, market, sides);
  const { series, rowOf } = watched;
  const held = heldBy(comparison, watched.tracked);
  const members = list === undefined ? null : new Set(await listMembers(database, list));
  const tracked = watched.tracked.filter(
    (id) =>
      (members === null || members.has(id)) &&
      (target === undefined || liesUnder(held.get(id) ?? '', target)),
  );
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
    tracked: watched.tracked.length,
    plan: toldPlan(plan, date, watched.tracked.length),
    days: drawn.map((n) => series.days[n]!),
    ...watchTotals(comparison, series, drawn, rows),
    stripDays: shown.map((n) => series.days[n]!),
    beside: await watchBeside(
      workspace,
      revisions,
      comparison,
      new Set(tracked),
      drawn.map((n) => series.days[n]!),
    ),
    targets: countedTargets(held),
    changes: changes.map(({ id, date: day, kind, address, seenFrom, keywords }) => ({
      id,
      date: day,
      kind,
      address,
      seenFrom,
      lead: keywords[0]?.text ?? '',
    })),
    due: await dueIn(workspace, projectId, {
      ...{ market, settings: project.settings, date, changes, plan, tracked: watched.tracked },
      looksOf: (keyword) => {
        const row = rowOf.get(keyword)!;
        return series.days.flatMap((on, n) => (series.organic[0]![n]![row] === UNKNOWN ? [] : [dayOf(on)]));
      },
    }),
  };
  return {
    told,
    strips: await watchStrips(workspace.database, comparison, series, { drawn, shown }, rows, new Set(aimed)),
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

/** Which address of ours holds each keyword now. */
function heldBy(
  { keywords, rows, now, sides, columns }: Comparison,
  ids: readonly number[],
): Map<number, string> {
  const addresses = new Map(sides.ownPlaces.map(({ id, address }) => [id, address]));
  const wanted = new Set(ids);
  const held = new Map<number, string>();
  keywords.forEach((id, i) => {
    if (!wanted.has(id) || !isRanked(columns.ownOrganic[i]!)) return;
    const address = addresses.get(now.ownPlace[rows[i]!]!);
    if (address !== undefined) held.set(id, address);
  });
  return held;
}

const MOST_TARGETS = 200;

function countedTargets(held: ReadonlyMap<number, string>): WatchView['targets'] {
  const counts = new Map<string, number>();
  for (const address of held.values()) counts.set(address, (counts.get(address) ?? 0) + 1);
  return [...counts]
    .map(([address, keywords]) => ({ address, keywords }))
    .sort((a, b) => b.keywords - a.keywords || (a.address < b.address ? -1 : 1))
    .slice(0, MOST_TARGETS);
}
