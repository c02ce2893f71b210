import type { OverTime, overTimeQuery } from '@opsimath/contract/api/overTime';
import { gapQuery } from '@opsimath/contract/api/gaps';
import { type MovementMark, MOVEMENT_MARKS, movementMark } from '@opsimath/core/gap/movement';
import type { ClickCurve } from '@opsimath/core/ranking/clickThrough';
import { UNKNOWN, depthBand, isRanked } from '@opsimath/core/ranking/position';
import { countsByDepth, visibility } from '@opsimath/core/ranking/visibility';
import type { z } from 'zod';
import { keywordIdRange } from '../../data/keywords';
import type { Revisions } from '../../data/grounds';
import { findSegments } from '../../data/segments/segments';
import type { Comparison } from '../comparison/comparison';
import { filteredOrder } from './gapPage';
import { newcomers } from './newcomers';
import { DAY_MS, isoDayOf, ownFigures, sumOf } from '../facts/ownFigures';
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
  const { comparison, filtered, revisions } = await filteredOrder(workspace, projectId, {
    ...gapQuery.parse({ market: query.market, date: query.date }),
    ...query,
  });
  const { sides, market } = comparison;
  const shown = comparison.rows.filter((_, i) => filtered.passes[i] === 1);
  const ids = new Set(comparison.keywords.filter((_, i) => filtered.passes[i] === 1));
  return {
    keywords: shown.length,
    names: [sides.ownName, ...sides.rivals.map(({ name }) => name)],
    letters: [null, ...sides.rivals.map(({ letter }) => letter)],
    dates: await datesOf(workspace, comparison, shown),
    weeks: await weeksOf(workspace, revisions, projectId, market.id, query.date, ids),
    changes: comparison.before === null ? null : changesOf(comparison, comparison.before, shown),
    newcomers:
      comparison.before === null ? [] : await newcomers(workspace, comparison, comparison.before, shown),
  };
}

async function datesOf(
  { store, database }: Workspace,
  { sides, market, metrics, curve, date: until }: Comparison,
  shown: Int32Array,
): Promise<OverTime['dates']> {
  const range = await keywordIdRange(database, market.id);
  if (range === null) return [];
  const segments = await findSegments(database, { marketId: market.id, until });
  const captured = [...new Set(segments.filter(({ kind }) => kind === 'captures').map(({ date }) => date))];
  // Evenly thinned, the last one always kept.
  const every = Math.ceil(captured.length / MOST_DATES);
  const wanted = new Set(captured.reverse().filter((_, n) => n % every === 0));
  const dates: OverTime['dates'] = [];
  for await (const { date, standings } of standingsByDay(store, segments, sides, range)) {
    if (!wanted.has(date)) continue;
    dates.push({
      date,
      captured: shown.reduce((sum, row) => sum + (standings.capture[row]! > 0 ? 1 : 0), 0),
      sides: [standings.own, ...standings.rivals].map((side) =>
        sideAt(side, standings, metrics.volume, curve, shown),
      ),
    });
  }
  return dates;
}

function sideAt(
  side: SideStanding,
  standings: Standings,
  volume: Float64Array,
  curve: ClickCurve,
  shown: Int32Array,
): OverTime['dates'][number]['sides'][number] {
  let [got, all, paid] = [0, 0, 0];
  for (const row of shown) {
    if (isRanked(side.paid[row]!)) paid++;
    const searched = volume[row]!;
    const number = standings.capture[row]!;
    if (number === 0 || Number.isNaN(searched) || side.organic[row] === UNKNOWN) continue;
    got += searched * curve[side.organic[row]!]!;
    all += searched * heldClicks(standings.captures[number - 1]!, standings.captureRow[row]!, curve);
  }
  return {
    visibility: visibility(side.organic, volume, curve, shown),
    share: all > 0 ? got / all : null,
    depth: countsByDepth(
      side.organic,
      shown.filter((row) => standings.capture[row]! > 0),
      depthBand,
    ),
    paid,
  };
}

/** Σ c(p) over all targets of a capture. */
function heldClicks(
  { slotStart, slotCount, organic }: Standings['captures'][number],
  row: number,
  curve: ClickCurve,
): number {
  let sum = 0;
  for (let slot = slotStart[row]!; slot < slotStart[row]! + slotCount[row]!; slot++)
    if (organic[slot]! > 0) sum += curve[organic[slot]!]!;
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
  const last = Math.floor(Date.parse(date) / DAY_MS);
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
  const { front } = project.settings;
  const inside = (position: number): boolean => isRanked(position) && position <= front;
  const change = (name: string, letter: string | null, then: SideStanding, today: SideStanding) => {
    const marks: Record<MovementMark, number> = { none: 0, gained: 0, lost: 0, climbing: 0, slipping: 0 };
    let [cameIn, wentOut, paidGained, paidLost, known] = [0, 0, 0, 0, 0];
    for (const row of shown) {
      const [old, current] = [then.organic[row]!, today.organic[row]!];
      if (old !== UNKNOWN && current !== UNKNOWN) {
        known++;
        marks[MOVEMENT_MARKS[movementMark(old, current, front)]!]++;
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
