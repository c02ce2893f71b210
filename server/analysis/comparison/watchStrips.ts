import type { WatchStrip } from '@opsimath/contract/api/watch';
import { UNKNOWN } from '@opsimath/core/ranking/position';
import type { Database } from '../../data/storage/connection';
import { keywordsById } from '../../data/keywords';
import type { DaySeries } from '../facts/daySeries';
import { positionOf } from '../facts/positionOf';
import { type Comparison, demandOf } from './comparison';
import { clicksAt } from './watchTotals';

/** Days that fit into a strip. */
const STRIP_DAYS = 180;

/** A keyword’s strip, drawn when it is asked for. */
export interface Strip {
  text: string;
  drawn: () => WatchStrip;
}

/** A strip for each keyword: those that a change aims at first, then what moved most, then the most searched. */
export async function watchStrips(
  database: Database,
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
export function thinned(days: readonly number[]): number[] {
  const every = Math.max(1, Math.ceil(days.length / STRIP_DAYS));
  return days.filter((_, n) => (days.length - 1 - n) % every === 0);
}
