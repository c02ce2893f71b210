import type { WatchView } from '@opsimath/contract/api/watch';
import { dayOf } from '@opsimath/core/day';
import type { Revisions } from '../../data/grounds';
import { adRowsOf } from '../facts/adTerms';
import { ownFigures } from '../facts/ownFigures';
import type { Workspace } from '../kept/workspace';
import type { Comparison } from './comparison';

/** Own search performance and ads of some keywords, day by day; `null` on days of which nothing at all is held. */
export async function watchBeside(
  workspace: Workspace,
  revisions: Revisions,
  { project, market, date }: Pick<Comparison, 'project' | 'market' | 'date'>,
  keywords: ReadonlySet<number>,
  days: readonly string[],
): Promise<WatchView['beside']> {
  const own = await ownFigures(workspace, revisions, project.id, market.id, date);
  const ads = await adRowsOf(workspace, revisions, project.id, market.id);
  const performance = summed(own.rows, keywords, (row) => [row.clicks, row.impressions]);
  const paid = summed(ads, keywords, (row) => [row.cost, row.value]);
  const numbers = days.map(dayOf);
  const series = (held: ReadonlyMap<number, [number, number]>, n: 0 | 1): (number | null)[] =>
    numbers.map((day) => held.get(day)?.[n] ?? null);
  return {
    clicks: series(performance, 0),
    impressions: series(performance, 1),
    adCost: series(paid, 0),
    adSales: series(paid, 1),
  };
}

/** Two figures by day, of the keywords alone; a day of which anything is held has them, be they 0. */
function summed<Row extends { day: number; keyword: number }>(
  rows: readonly Row[],
  keywords: ReadonlySet<number>,
  figures: (row: Row) => [number, number],
): Map<number, [number, number]> {
  const held = new Map<number, [number, number]>();
  for (const row of rows) {
    let sums = held.get(row.day);
    if (!sums) held.set(row.day, (sums = [0, 0]));
    if (!keywords.has(row.keyword)) continue;
    const [one, other] = figures(row);
    sums[0] += one;
    sums[1] += other;
  }
  return held;
}
