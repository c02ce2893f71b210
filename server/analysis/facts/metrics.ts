import type { StoredSegment } from '../../data/segments/segments';
import type { ColumnStore } from '../kept/columnStore';

/** Newest metrics of every keyword of a market, by keyword index. NaN marks unknown. */
export interface Metrics {
  volume: Float64Array;
  /** Bounds of the volume where its source gave a range. */
  volumeLow: Float64Array;
  volumeHigh: Float64Array;
  cpcLow: Float64Array;
  cpcHigh: Float64Array;
  adCompetition: Float64Array;
  results: Float64Array;
  /** A file's own figure of difficulty, kept apart from ours. */
  sourceDifficulty: Float64Array;
  /** Which segment the volume is from: index into `heads` + 1; 0 for none. */
  source: Uint16Array;
  heads: StoredSegment[];
  /** Which segment has the newest months: index into `segments` + 1 and the entry there; 0 for none. */
  segment: Uint16Array;
  row: Int32Array;
  segments: {
    head: StoredSegment;
    season: Float64Array;
    /** Yearly slope of ln(1 + volume); missing in older segments. */
    trend: Float64Array | null;
    /** Calendar month, 255 for none. */
    peak: Uint8Array | null;
  }[];
}

const FIGURES = ['cpcLow', 'cpcHigh', 'adCompetition', 'results', 'sourceDifficulty'] as const;

/** Metrics as known on a date: the newest on or before it, else the oldest after it, which say of which day they are. */
export async function gatherMetrics(
  store: ColumnStore,
  segments: readonly StoredSegment[],
  date: string,
  range: { least: number; most: number },
): Promise<Metrics> {
  const size = range.most - range.least + 1;
  const unknown = (): Float64Array => new Float64Array(size).fill(NaN);
  // Most files give few figures: those that nobody gives share one column.
  const nothing = unknown();
  const metrics: Metrics = {
    volume: unknown(),
    volumeLow: nothing,
    volumeHigh: nothing,
    cpcLow: nothing,
    cpcHigh: nothing,
    adCompetition: nothing,
    results: nothing,
    sourceDifficulty: nothing,
    source: new Uint16Array(size),
    heads: [],
    segment: new Uint16Array(size),
    row: new Int32Array(size),
    segments: [],
  };
  const after = segments.filter((segment) => segment.date > date).reverse();
  const before = segments.filter((segment) => segment.date <= date);
  for (const head of [...after, ...before]) {
    const keyword = await store.column<Int32Array>(head.id, 'keyword');
    const volume = await store.column<Int32Array>(head.id, 'volume');
    metrics.heads.push(head);
    const season = await store.columnIfAny<Float64Array>(head.id, 'season');
    if (season) {
      const trend = await store.columnIfAny<Float64Array>(head.id, 'trend');
      const peak = await store.columnIfAny<Uint8Array>(head.id, 'peak');
      metrics.segments.push({ head, season, trend, peak });
    }
    const low = await store.columnIfAny<Int32Array>(head.id, 'volumeLow');
    const high = low && (await store.columnIfAny<Int32Array>(head.id, 'volumeHigh'));
    if (high && metrics.volumeLow === nothing) {
      metrics.volumeLow = unknown();
      metrics.volumeHigh = unknown();
    }
    const ranged = metrics.volumeLow !== nothing;
    for (let row = 0; row < keyword.length; row++) {
      const i = keyword[row]! - range.least;
      if (volume[row]! >= 0 || metrics.source[i] === 0) {
        metrics.volume[i] = volume[row]! < 0 ? NaN : volume[row]!;
        metrics.source[i] = metrics.heads.length;
        // The newest figure holds with its range, or without one.
        if (ranged) {
          metrics.volumeLow[i] = high && low[row]! >= 0 ? low[row]! : NaN;
          metrics.volumeHigh[i] = high && low[row]! >= 0 ? high[row]! : NaN;
        }
      }
      if (!season) continue;
      metrics.segment[i] = metrics.segments.length;
      metrics.row[i] = row;
    }
    for (const figure of FIGURES) {
      const values = await store.columnIfAny<Float64Array>(head.id, figure);
      if (!values) continue;
      if (metrics[figure] === nothing) metrics[figure] = unknown();
      for (let row = 0; row < keyword.length; row++)
        if (!Number.isNaN(values[row]!)) metrics[figure][keyword[row]! - range.least] = values[row]!;
    }
  }
  return metrics;
}

/** Season indices of a keyword, January first; `null` without any. */
export function seasonOf(metrics: Metrics, keywordIndex: number): number[] | null {
  const number = metrics.segment[keywordIndex]!;
  if (number === 0) return null;
  const at = metrics.row[keywordIndex]! * 12;
  const season = metrics.segments[number - 1]!.season.subarray(at, at + 12);
  return Number.isNaN(season[0]!) ? null : Array.from(season);
}

/** Day of which a keyword's volume is; `null` where it has none. */
export function volumeDay({ source, heads }: Metrics, keywordIndex: number): string | null {
  const number = source[keywordIndex] ?? 0;
  return number === 0 ? null : heads[number - 1]!.date;
}

/** From … to of a keyword's volume, where its source gave a range. */
export function volumeRangeOf(metrics: Metrics, keywordIndex: number): { low: number; high: number } | null {
  const low = metrics.volumeLow[keywordIndex];
  return low === undefined || Number.isNaN(low) ? null : { low, high: metrics.volumeHigh[keywordIndex]! };
}
