import type { WatchTotal, WatchView } from '@opsimath/contract/api/watch';
import { dayOf } from '@opsimath/core/day';
import { estimatedClicks } from '@opsimath/core/ranking/clickThrough';
import { UNKNOWN, depthBand, isRanked } from '@opsimath/core/ranking/position';
import { countsByDepth, visibility } from '@opsimath/core/ranking/visibility';
import type { DaySeries } from '../facts/daySeries';
import { type Comparison, demandOf } from './comparison';

/** Clicks a month from a position; `null` where that or the demand is unknown. */
export const clicksAt = ({ curve }: Comparison, volume: number, position: number): number | null =>
  position === UNKNOWN || Number.isNaN(volume) ? null : estimatedClicks(volume, position, 1, curve);

/** Visibility, clicks and depths of every side by day, all over the keywords known on the first day. */
export function watchTotals(
  comparison: Comparison,
  series: DaySeries,
  drawn: readonly number[],
  rows: readonly number[],
): Pick<WatchView, 'panel' | 'totals' | 'yearBefore'> {
  const first = drawn[0];
  const panel =
    first === undefined ? [] : rows.filter((row) => row >= 0 && series.organic[0]![first]![row] !== UNKNOWN);
  const volumes = Float64Array.from(series.keywords, (id) => demandOf(comparison, id));
  const over = (side: number, wanted: readonly number[], until: readonly number[]): WatchTotal[] =>
    totalsBy(comparison, { series, side, panel, volumes }, wanted, until);
  const [yearDays, places] = yearBeforeOf(series.days, drawn);
  const earlier = over(
    0,
    yearDays,
    series.days.map((_, n) => n),
  );
  return {
    panel: panel.length,
    totals: series.organic.map((_, side) => over(side, drawn, drawn)),
    yearBefore: places.map((place) => (place === null ? null : earlier[place]!)),
  };
}

/**
 * Totals of one side on some days, over the panel. A keyword that was not captured on a day stands where it stood before.
 *
 * @param wanted days as places of the series, ascending; `walked` the days that are gone through, all of these among them
 */
function totalsBy(
  comparison: Comparison,
  {
    series,
    side,
    panel,
    volumes,
  }: { series: DaySeries; side: number; panel: readonly number[]; volumes: Float64Array },
  wanted: readonly number[],
  walked: readonly number[],
): WatchTotal[] {
  const standing = new Uint8Array(series.keywords.length);
  const paid = new Uint8Array(series.keywords.length);
  const isWanted = new Set(wanted);
  const [organicOf, paidOf] = [series.organic[side]!, series.paid[side]!];
  const found: WatchTotal[] = [];
  for (const n of walked) {
    if (found.length === wanted.length) break;
    for (const row of panel) {
      if (organicOf[n]![row] !== UNKNOWN) standing[row] = organicOf[n]![row]!;
      if (paidOf[n]![row] !== UNKNOWN) paid[row] = paidOf[n]![row]!;
    }
    if (!isWanted.has(n)) continue;
    found.push({
      visibility: visibility(standing, volumes, comparison.curve, panel),
      clicks: panel.reduce((sum, row) => sum + (clicksAt(comparison, volumes[row]!, standing[row]!) ?? 0), 0),
      depth: countsByDepth(standing, panel, depthBand),
      paid: panel.reduce((sum, row) => sum + Number(isRanked(paid[row]!)), 0),
    });
  }
  return found;
}

/** 52 weeks: the same day of the week. A capture so many days beside it still stands for it. */
const YEAR = 364;
const NEAR_DAYS = 3;

/** For each day drawn the place, among the days it takes, of the capture nearest to it a year before; `null` where there is none near. */
function yearBeforeOf(
  days: readonly string[],
  drawn: readonly number[],
): [days: number[], places: (number | null)[]] {
  const placeOf = new Map(days.map((day, at) => [dayOf(day), at]));
  const nearest = drawn.map((n) => {
    const wanted = dayOf(days[n]!) - YEAR;
    for (let off = 0; off <= NEAR_DAYS; off++) {
      const at = placeOf.get(wanted - off) ?? placeOf.get(wanted + off);
      if (at !== undefined) return at;
    }
    return null;
  });
  const taken = [...new Set(nearest.filter((at) => at !== null))].sort((a, b) => a - b);
  const order = new Map(taken.map((at, n) => [at, n]));
  return [taken, nearest.map((at) => (at === null ? null : order.get(at)!))];
}
