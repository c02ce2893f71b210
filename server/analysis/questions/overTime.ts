import { dayOf, isoDayOf } from '@opsimath/core/day';
import type { OverTime, overTimeQuery } from '@opsimath/contract/api/overTime';
import { gapQuery } from '@opsimath/contract/api/gapQuery';
import { type MovementMark, MOVEMENT_MARKS, movementMark } from '@opsimath/core/gap/movement';
import type { ClickCurve } from '@opsimath/core/ranking/clickThrough';
import { UNKNOWN, depthBand, isRanked } from '@opsimath/core/ranking/position';
import { countsByDepth, shareOfClicks, visibility } from '@opsimath/core/ranking/visibility';
import type { z } from 'zod';
import { keywordIdRange } from '../../data/keywords';
import type { Revisions } from '../../data/grounds';
import { findSegments } from '../../data/segments/segments';
import { type Comparison, byStanding } from '../comparison/comparison';
import type { Filtered } from '../comparison/gapFilter';
import type { OpenComparison } from '../comparison/openComparison';
import { givingWay } from '../kept/giveWay';
import { contentName } from '../kept/contentName';
import { filteredOrder } from './gapPage';
import { newcomers } from './newcomers';
import { ownFigures, sumOf } from '../facts/ownFigures';
import { type SideStanding, type Standings, standingsByDay } from '../facts/standings';
import type { Workspace } from '../kept/workspace';

const MOST_DATES = 60;
const WEEK = 7;

/** How a group of keywords went over time, and what changed between the two dates of the scope. */
export async function overTime(
  workspace: Workspace,
  projectId: number,
  query: z.output<typeof overTimeQuery>,
): Promise<OverTime> {
  const { own, from, ...asked } = query;
  const opened = await filteredOrder(workspace, projectId, {
    ...gapQuery.parse({ market: query.market, date: query.date }),
    ...asked,
  });
  const { name, filtered, revisions } = opened;
  return workspace.keep('over time', revisions, [name, own, from, contentName(filtered.passes)], () =>
    gatherOverTime(workspace, opened, from),
  );
}

async function gatherOverTime(
  workspace: Workspace,
  { comparison, filtered, revisions }: OpenComparison & { filtered: Filtered },
  from: string | undefined,
): Promise<OverTime> {
  const { sides, market, project, date } = comparison;
  const shown = comparison.rows.filter((_, i) => filtered.passes[i] === 1);
  const ids = new Set(comparison.keywords.filter((_, i) => filtered.passes[i] === 1));
  return {
    keywords: shown.length,
    names: [sides.ownName, ...sides.rivals.map(({ name }) => name)],
    letters: [null, ...sides.rivals.map(({ letter }) => letter)],
    ...(await datesOf(workspace, comparison, shown, from)),
    weeks: await weeksOf(workspace, revisions, project.id, market.id, date, ids),
    changes: comparison.before === null ? null : changesOf(comparison, comparison.before, shown),
    newcomers:
      comparison.before === null ? [] : await newcomers(workspace, comparison, comparison.before, shown),
  };
}

/**
 * The days drawn, each over the same keywords: those captured by the first of them. Who begins later has more keywords and
 * fewer days.
 */
async function datesOf(
  { store, database }: Workspace,
  comparison: Comparison,
  shown: Int32Array,
  from: string | undefined,
): Promise<Pick<OverTime, 'dates' | 'panel' | 'bases'>> {
  const { sides, market, columns, date: until } = comparison;
  const range = await keywordIdRange(database, market.id);
  if (range === null) return { dates: [], panel: 0, bases: [] };
  const segments = await findSegments(database, { marketId: market.id, until });
  const captured = [...new Set(segments.filter(({ kind }) => kind === 'captures').map(({ date }) => date))];
  const drawn = thinned(captured.filter((date) => from === undefined || date >= from));
  const wanted = new Set([...thinned(captured), ...drawn]);
  const volumes = byStanding(comparison, columns.expectedVolume);
  const dates: OverTime['dates'] = [];
  const bases: OverTime['bases'] = [];
  let panel: Int32Array | null = null;
  const giveWay = givingWay();
  for await (const { date, standings } of standingsByDay(store, segments, sides, range)) {
    await giveWay();
    if (!wanted.has(date)) continue;
    const known = shown.filter((row) => standings.capture[row]! > 0);
    if (known.length > (bases.at(-1)?.keywords ?? 0)) bases.push({ date, keywords: known.length });
    if (date < drawn[0]! || !drawn.includes(date)) continue;
    panel ??= known;
    dates.push({ date, captured: known.length, sides: sidesAt(comparison, standings, volumes, panel) });
  }
  return { dates, panel: panel?.length ?? 0, bases };
}

/** Evenly thinned, the last one always kept. */
function thinned(days: readonly string[]): string[] {
  const every = Math.max(1, Math.ceil(days.length / MOST_DATES));
  return days.filter((_, n) => (days.length - 1 - n) % every === 0);
}

function sidesAt(
  { curve }: Comparison,
  standings: Standings,
  volumes: Float64Array,
  panel: Int32Array,
): OverTime['dates'][number]['sides'] {
  const held = new Float64Array(standings.size).fill(NaN);
  for (const row of panel) held[row] = heldClicks(standings, row, curve);
  return [standings.own, ...standings.rivals].map((side) => ({
    visibility: visibility(side.organic, volumes, curve, panel),
    share: shareOfClicks(side.organic, volumes, held, curve, panel),
    depth: countsByDepth(side.organic, panel, depthBand),
    paid: panel.reduce((sum, row) => sum + (isRanked(side.paid[row]!) ? 1 : 0), 0),
  }));
}

/** Σ c(p) over all targets of a keyword's newest capture. */
function heldClicks({ captures, capture, captureRow }: Standings, row: number, curve: ClickCurve): number {
  const { slotStart, slotCount, organic } = captures[capture[row]! - 1]!;
  const from = slotStart[captureRow[row]!]!;
  const to = from + slotCount[captureRow[row]!]!;
  let sum = 0;
  for (let slot = from; slot < to; slot++) if (organic[slot]! > 0) sum += curve[organic[slot]!]!;
  return sum;
}

async function weeksOf(
  workspace: Workspace,
  revisions: Revisions,
  projectId: number,
  marketId: number,
  date: string,
  ids: ReadonlySet<number>,
): Promise<OverTime['weeks']> {
  const { rows } = await ownFigures(workspace, revisions, projectId, marketId, date);
  const byWeek = new Map<number, typeof rows>();
  const last = dayOf(date);
  for (const row of rows) {
    if (!ids.has(row.keyword)) continue;
    // Weeks end with the date of the scope, so that the last one is whole.
    const week = Math.floor((last - row.day) / WEEK);
    const known = byWeek.get(week);
    if (known) known.push(row);
    else byWeek.set(week, [row]);
  }
  const first = rows.reduce((least, { day }) => Math.min(least, day), Infinity);
  // The first week is left out where its first days are not held: it would look like a rise.
  return [...byWeek]
    .filter(([week]) => last - week * WEEK - WEEK + 1 >= first)
    .sort(([a], [b]) => b - a)
    .map(([week, inside]) => ({ from: isoDayOf(last - week * WEEK - WEEK + 1), ...sumOf(inside) }));
}

function changesOf(comparison: Comparison, before: Standings, shown: Int32Array): OverTime['changes'] {
  const { now, sides, project } = comparison;
  const { front, thresholds } = project.settings;
  const inside = (position: number): boolean => isRanked(position) && position <= front;
  const change = (name: string, letter: string | null, then: SideStanding, today: SideStanding) => {
    const marks: Record<MovementMark, number> = { none: 0, gained: 0, lost: 0, climbing: 0, slipping: 0 };
    let [cameIn, wentOut, paidGained, paidLost, known] = [0, 0, 0, 0, 0];
    for (const row of shown) {
      const [old, current] = [then.organic[row]!, today.organic[row]!];
      if (old !== UNKNOWN && current !== UNKNOWN) {
        known++;
        marks[MOVEMENT_MARKS[movementMark(old, current, front, thresholds)]!]++;
        if (!inside(old) && inside(current)) cameIn++;
        if (inside(old) && !inside(current)) wentOut++;
      }
      if (before.paidLooked[row] !== 1 || now.paidLooked[row] !== 1) continue;
      const [paidThen, paidNow] = [isRanked(then.paid[row]!), isRanked(today.paid[row]!)];
      if (!paidThen && paidNow) paidGained++;
      if (paidThen && !paidNow) paidLost++;
    }
    const { gained, lost, climbing, slipping } = marks;
    return { name, letter, gained, lost, climbing, slipping, cameIn, wentOut, paidGained, paidLost, known };
  };
  return [
    change(sides.ownName, null, before.own, now.own),
    ...sides.rivals.map(({ name, letter }, r) => change(name, letter, before.rivals[r]!, now.rivals[r]!)),
  ];
}
