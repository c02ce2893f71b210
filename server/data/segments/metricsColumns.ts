import type { SourceMetrics } from '@opsimath/contract/source/answers';
import { seasonIndices } from '@opsimath/core/demand/season';
import { peakMonth, trendOf } from '@opsimath/core/demand/trend';
import { volumeOf } from '@opsimath/core/demand/volume';
import type { Columns } from './columns';

/** Months kept of a series, oldest first; shorter series are padded with unknown in front. */
export const SERIES_MONTHS = 36;
/** Codes of the `trendWord` column. */
export const TREND_WORDS = ['', 'falling', 'level', 'rising'] as const;
const NO_PEAK = 255;
const UNKNOWN_COUNT = -1;

/** Metrics as columns: figures of the method worked out once, the series beside them. NaN and −1 mark unknown. */
export function metricsColumns(metrics: ReadonlyMap<number, SourceMetrics>): Columns {
  const entries = [...metrics].sort(([a], [b]) => a - b);
  const figure = (of: (row: SourceMetrics) => number | null): Float64Array =>
    Float64Array.from(entries, ([, row]) => of(row) ?? NaN);
  const columns: Columns = {
    keyword: Int32Array.from(entries, ([id]) => id),
    volume: Int32Array.from(entries, ([, row]) => volumeOf(row.months).value ?? UNKNOWN_COUNT),
    volumeMonths: Uint8Array.from(entries, ([, row]) => volumeOf(row.months).months),
    cpcLow: figure((row) => row.cpcLow),
    cpcHigh: figure((row) => row.cpcHigh),
    adCompetition: figure((row) => row.adCompetition),
    results: figure((row) => row.results),
    /** Months since year 0 of the first of the 36. */
    firstMonth: Int32Array.from(
      entries,
      ([, row]) => monthNumber(row.firstMonth) - (SERIES_MONTHS - row.months.length),
    ),
    series: new Int32Array(entries.length * SERIES_MONTHS).fill(UNKNOWN_COUNT),
    season: new Float64Array(entries.length * 12).fill(NaN),
    peak: new Uint8Array(entries.length).fill(NO_PEAK),
    trend: new Float64Array(entries.length).fill(NaN),
    trendWord: new Uint8Array(entries.length),
  };
  entries.forEach(([, row], i) => {
    const pad = SERIES_MONTHS - row.months.length;
    row.months.forEach(
      (count, month) => (columns.series![i * SERIES_MONTHS + pad + month] = count ?? UNKNOWN_COUNT),
    );
    const calendar = monthNumber(row.firstMonth) % 12;
    const season = seasonIndices(row.months, calendar);
    if (season) columns.season!.set(season, i * 12);
    columns.peak![i] = peakMonth(season) ?? NO_PEAK;
    const trend = trendOf(row.months, calendar);
    if (trend) {
      columns.trend![i] = trend.slope;
      columns.trendWord![i] = TREND_WORDS.indexOf(trend.word);
    }
  });
  return columns;
}

function monthNumber(isoMonth: string): number {
  const [year, month] = isoMonth.split('-').map(Number) as [number, number];
  return year * 12 + month - 1;
}

/** What a file may say of a keyword; NaN and nothing are unknown. */
interface ImportedFigures {
  volume: number;
  /** Bounds, where the file gives a range. */
  volumeLow?: number;
  volumeHigh?: number;
  cpcLow?: number;
  cpcHigh?: number;
  adCompetition?: number;
  difficulty?: number;
  results?: number;
}

/**
 * Figures from a file as columns, one entry a keyword: the last row that names it counts. The file's own difficulty
 * is kept apart from ours. Without months there is neither season nor trend.
 * @param ids keyword of each row; 0 is left out
 */
export function importedMetricsColumns(ids: Int32Array, rows: readonly ImportedFigures[]): Columns {
  const lastRow = new Map<number, number>();
  ids.forEach((id, row) => {
    if (id > 0) lastRow.set(id, row);
  });
  const keyword = Int32Array.from(lastRow.keys()).sort();
  const at = Int32Array.from(keyword, (id) => lastRow.get(id)!);
  const figure = (of: (row: ImportedFigures) => number | undefined): Float64Array =>
    Float64Array.from(at, (row) => of(rows[row]!) ?? NaN);
  const volume = Int32Array.from(at, (row) =>
    Number.isNaN(rows[row]!.volume) ? UNKNOWN_COUNT : rows[row]!.volume,
  );
  const columns: Columns = { keyword, volume };
  const optional: Columns = {
    cpcLow: figure((row) => row.cpcLow),
    cpcHigh: figure((row) => row.cpcHigh),
    adCompetition: figure((row) => row.adCompetition),
    results: figure((row) => row.results),
    sourceDifficulty: figure((row) => row.difficulty),
  };
  // A column that says nothing is not kept.
  for (const [name, column] of Object.entries(optional))
    if (column.some((value) => !Number.isNaN(value))) columns[name] = column;
  const ranged = Array.from(at, (row) => (rows[row]!.volumeLow ?? 0) < (rows[row]!.volumeHigh ?? 0));
  if (ranged.includes(true)) {
    const bound = (of: (row: ImportedFigures) => number): Int32Array =>
      Int32Array.from(at, (row, n) => (ranged[n] ? of(rows[row]!) : UNKNOWN_COUNT));
    columns.volumeLow = bound((row) => row.volumeLow!);
    columns.volumeHigh = bound((row) => row.volumeHigh!);
  }
  return columns;
}
