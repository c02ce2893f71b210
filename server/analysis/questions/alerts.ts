import type { WatchAlert } from '@opsimath/contract/api/watch';
import { dayOf, isoDayOf } from '@opsimath/core/day';
import { startBy } from '@opsimath/core/demand/startBy';
import { peakMonth } from '@opsimath/core/demand/trend';
import { DEEPEST } from '@opsimath/core/ranking/position';
import { frontMoves } from '@opsimath/core/watch/frontMoves';
import { lostFromIndex } from '../../data/indexChecks';
import { keywordsById } from '../../data/keywords';
import { wordsAndPrices } from '../../data/targetVersions';
import { type Comparison, entryOf } from '../comparison/comparison';
import { openComparison } from '../comparison/openComparison';
import type { DaySeries } from '../facts/daySeries';
import { watchedSeries } from '../facts/watchedSeries';
import { seasonOf } from '../facts/metrics';
import type { Workspace } from '../kept/workspace';

const MOST = 300;
/** Ads come and go with the budget of a day: so many times as many captures must agree. */
const AD_TIMES = 2;

/** What somebody who follows a market wants to be told unasked, the newest first; a daily wobble is nothing (method §16). */
export async function alerts(
  workspace: Workspace,
  projectId: number,
  { market: code, date }: { market: string; date: string },
): Promise<WatchAlert[]> {
  const { database } = workspace;
  const { comparison, revisions } = await openComparison(workspace, projectId, { market: code, date });
  const { market, sides, project } = comparison;
  const { days, off } = project.settings.alerts;
  const since = isoDayOf(dayOf(date) - days);
  const { tracked, series, rowOf } = await watchedSeries(workspace, projectId, revisions, market, sides);
  const texts = await keywordsById(database, tracked);
  const textOf = (id: number): string => texts.get(id)?.text ?? '';
  const found: WatchAlert[] = [
    ...moved(
      comparison,
      series,
      tracked.map((id) => [id, rowOf.get(id)!] as const),
      textOf,
    ),
    ...seasons(comparison, tracked, textOf),
    ...(
      await wordsAndPrices(
        database,
        sides.rivals.map(({ id }) => id),
        since,
        date,
      )
    ).map(({ address, name, day, what }): WatchAlert => ({
      id: `said ${address} ${day} ${what}`,
      day,
      kind: 'rival said otherwise',
      text: `${name} changed ${what} of ${address}`,
      keyword: null,
    })),
    ...(await lostFromIndex(database, projectId, market.id, since, date)).map(
      ({ address, day }): WatchAlert => ({
        id: `index ${address} ${day}`,
        day,
        kind: 'no longer indexed',
        text: `${address} is no longer indexed`,
        keyword: null,
      }),
    ),
  ];
  return found
    .filter(({ day, kind }) => day >= since && day <= date && !off.includes(kind))
    .sort((a, b) => (a.day === b.day ? (a.id < b.id ? -1 : 1) : a.day < b.day ? 1 : -1))
    .slice(0, MOST);
}

/** Who came onto a front or left it, organic and paid. */
function moved(
  { project, sides, date }: Comparison,
  series: DaySeries,
  tracked: readonly (readonly [id: number, row: number])[],
  textOf: (id: number) => string,
): WatchAlert[] {
  const { front, alerts: limits } = project.settings;
  const until = series.days.filter((day) => day <= date).length;
  const found: WatchAlert[] = [];
  const tell = (
    kind: WatchAlert['kind'],
    id: number,
    at: number,
    text: string,
    whose: string | number,
  ): void => {
    const day = series.days[at]!;
    found.push({ id: `${kind} ${id} ${whose} ${day}`, day, kind, text, keyword: id });
  };
  for (const [id, row] of tracked) {
    const of = (columns: readonly Uint8Array[]): number[] =>
      columns.slice(0, until).map((column) => column[row]!);
    const text = textOf(id);
    for (const { move, at } of frontMoves(of(series.organic[0]!), front, limits.lasting))
      tell(
        move === 'left' ? 'left the front' : 'came onto the front',
        id,
        at,
        `“${text}” ${move === 'left' ? 'left the front' : 'came onto the front'}`,
        'own',
      );
    for (const { move, at } of frontMoves(of(series.paid[0]!), DEEPEST, AD_TIMES * limits.lasting))
      tell(
        move === 'left' ? 'ad no longer shown' : 'ad shown',
        id,
        at,
        `Our ad for “${text}” is ${move === 'left' ? 'no longer shown' : 'shown'}`,
        'own',
      );
    sides.rivals.forEach(({ id: rival, name }, r) => {
      for (const { move, at } of frontMoves(of(series.organic[r + 1]!), front, limits.lasting))
        tell(
          move === 'left' ? 'rival left' : 'rival came new',
          id,
          at,
          `${name} ${move === 'left' ? 'left the front of' : 'came onto the front of'} “${text}”`,
          rival,
        );
    });
  }
  return found;
}

/** Keywords for whose season work has to begin soon. */
function seasons(
  comparison: Comparison,
  tracked: readonly number[],
  textOf: (id: number) => string,
): WatchAlert[] {
  const { metrics, rows, date, project } = comparison;
  const { leadDays, alerts: limits } = project.settings;
  return tracked.flatMap((id): WatchAlert[] => {
    const entry = entryOf(comparison, id);
    const peak = entry < 0 ? null : peakMonth(seasonOf(metrics, rows[entry]!));
    if (peak === null) return [];
    const begin = startBy(peak, date, leadDays);
    const told = isoDayOf(dayOf(begin) - limits.season);
    return told <= date && date <= begin
      ? [
          {
            id: `season ${id} ${begin}`,
            day: told,
            kind: 'season near',
            text: `Work for the season of “${textOf(id)}” has to begin by ${begin}`,
            keyword: id,
          },
        ]
      : [];
  });
}
