import gammaQuantile from '@stdlib/stats-base-dists-gamma-quantile';
import type { Interval } from '../rates/wilson';
import type { ClickCurve } from '../ranking/clickThrough';

const DEEPEST = 100;

/**
 * Clicks that rows of own search performance should have brought (method §18): Σ impressions · c(position), with the
 * average position rounded half up, from 1 to 100. Rows without a position expect nothing.
 * @param rows impressions, and average position (NaN where unknown)
 */
export function expectedClicks(
  rows: Iterable<{ impressions: number; position: number }>,
  curve: ClickCurve,
): number {
  let sum = 0;
  for (const { impressions, position } of rows)
    if (position >= 0.5) sum += impressions * curve[Math.min(DEEPEST, Math.floor(position + 0.5))]!;
  return sum;
}

/** Actual clicks over expected ones with the exact 95 % Poisson interval; `null` where none were expected. */
export function clickRatio(clicks: number, expected: number): ({ ratio: number } & Interval) | null {
  if (!(expected > 0)) return null;
  return {
    ratio: clicks / expected,
    low: clicks === 0 ? 0 : gammaQuantile(0.025, clicks, 1) / expected,
    high: gammaQuantile(0.975, clicks + 1, 1) / expected,
  };
}

/** How a query does against expectation (method §18); *as expected* where the interval holds 1. */
export type SnippetWord = 'weak snippet' | 'strong' | 'as expected' | 'unknown';

export function snippetWord(interval: Interval | null): SnippetWord {
  if (interval === null) return 'unknown';
  if (interval.high < 1) return 'weak snippet';
  return interval.low > 1 ? 'strong' : 'as expected';
}

/**
 * The least figure that belongs to the top quarter of some (upper quartile by ranks); ∞ of none.
 *
 * @example topQuarterFrom([1, 2, 3, 4, 5, 6, 7, 8]) // 7
 */
export function topQuarterFrom(figures: readonly number[]): number {
  if (figures.length === 0) return Infinity;
  const sorted = [...figures].sort((a, b) => b - a);
  return sorted[Math.ceil(sorted.length / 4) - 1]!;
}

/**
 * Whether a query is *near* (method §18): its average position, rounded half up, is 11–20 and its impressions belong to the
 * top quarter.
 */
export function isNearQuery(
  { position, impressions }: { position: number | null; impressions: number },
  topQuarter: number,
): boolean {
  const place = position === null ? null : Math.floor(position + 0.5);
  return place !== null && place >= 11 && place <= 20 && impressions >= topQuarter;
}
