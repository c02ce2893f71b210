import type { SourceMetrics } from '@opsimath/contract/source/answers';
import { seasonIndices } from '@opsimath/core/demand/season';
import { volumeOf } from '@opsimath/core/demand/volume';
import { key } from '@opsimath/core/text/key';

import { type InStatement, writeTogether } from '../data/connection';
import { progressStatement } from '../data/jobs';
import { keywordsById } from '../data/keywords';
import type { MarketRow } from '../data/markets';
import type { Columns } from '../data/segments/columns';
import { findSegments, readColumn, segmentStatements } from '../data/segments/segments';
import { MOST_METRICS } from '../sources/searchSource';
import type { JobContext } from './context';

/** Months kept of a series, oldest first; shorter series are padded with unknown in front. */
export const SERIES_MONTHS = 36;
const UNKNOWN_COUNT = -1;

/** Fetches metrics of the keywords for which none are held from the month of the date. */
export async function fetchMetrics(
  context: JobContext,
  market: MarketRow,
  date: string,
  ids: readonly number[],
  spend: (units: number) => InStatement,
): Promise<void> {
  const { database, source, signal, progress } = context;
  const held = await heldMetrics(context, market, date);
  const wanted = ids.filter((id) => !held.has(id));
  progress.step('search volumes', ids.length, ids.length - wanted.length);
  for (let at = 0; at < wanted.length; at += MOST_METRICS) {
    signal.throwIfAborted();
    const chunk = wanted.slice(at, at + MOST_METRICS);
    const keywords = [...(await keywordsById(database, chunk)).values()];
    const idByKey = new Map(keywords.map((keyword) => [keyword.key, keyword.id]));
    const answer = await source.metrics({
      market: market.code,
      date,
      keywords: keywords.map((keyword) => keyword.text),
      signal,
    });
    const found = new Map<number, SourceMetrics>();
    for (const row of answer.rows) {
      const id = idByKey.get(key(row.keyword));
      if (id !== undefined) found.set(id, row);
    }
    const head = {
      marketId: market.id,
      kind: 'metrics' as const,
      source: source.name,
      date,
      rows: found.size,
    };
    await writeTogether(database, [
      ...(found.size > 0 ? segmentStatements(head, metricsColumns(found)) : []),
      spend(answer.units),
      progressStatement(context.jobId, progress.advance(chunk.length, answer.units)),
    ]);
  }
}

async function heldMetrics(context: JobContext, market: MarketRow, date: string): Promise<Set<number>> {
  const held = new Set<number>();
  for (const segment of await findSegments(context.database, { marketId: market.id, kind: 'metrics' })) {
    if (segment.date.slice(0, 7) !== date.slice(0, 7)) continue;
    (await readColumn(context.database, segment.id, 'keyword')).forEach((id) => held.add(id));
  }
  return held;
}

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
  };
  entries.forEach(([, row], i) => {
    const pad = SERIES_MONTHS - row.months.length;
    row.months.forEach(
      (count, month) => (columns.series![i * SERIES_MONTHS + pad + month] = count ?? UNKNOWN_COUNT),
    );
    const season = seasonIndices(row.months, monthNumber(row.firstMonth) % 12);
    if (season) columns.season!.set(season, i * 12);
  });
  return columns;
}

function monthNumber(isoMonth: string): number {
  const [year, month] = isoMonth.split('-').map(Number) as [number, number];
  return year * 12 + month - 1;
}
