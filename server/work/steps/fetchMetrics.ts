import type { SourceMetrics } from '@opsimath/contract/source/answers';
import { key } from '@opsimath/core/text/key';

import { type InStatement, writeTogether } from '../../data/storage/connection';
import { progressStatement } from '../../data/jobs';
import { keywordsById } from '../../data/keywords';
import type { MarketRow } from '../../data/markets';
import { metricsColumns } from '../../data/segments/metricsColumns';
import { findSegments, readColumn, segmentStatements } from '../../data/segments/segments';
import { MOST_METRICS } from '../../sources/searchSource';
import type { JobContext } from './context';
import { batchesOf, payOnce, together } from '../../data/paidRequests';

/** Fetches metrics of the keywords for which none are held from the month of the date. */
export function fetchMetrics(
  context: JobContext,
  market: MarketRow,
  date: string,
  ids: readonly number[],
  spend: (units: number) => InStatement,
): Promise<void> {
  return context.locks.run(`metrics:${market.id}:${date.slice(0, 7)}`, () =>
    fetchMissing(context, market, date, ids, spend),
  );
}

async function fetchMissing(
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
  const asked = { marketId: market.id, date, kind: 'metrics' as const };
  for (const chunk of await batchesOf(database, asked, wanted, MOST_METRICS)) {
    signal.throwIfAborted();
    const request = await payOnce(database, { ...asked, ...together(chunk) });
    const keywords = [...(await keywordsById(database, chunk)).values()];
    const idByKey = new Map(keywords.map((keyword) => [keyword.key, keyword.id]));
    const answer = await source.metrics({
      market: market.code,
      date,
      keywords: keywords.map((keyword) => keyword.text),
      signal,
      requestId: request.requestId,
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
      request.settled,
      progressStatement(context.jobId, progress.advance(chunk.length, answer.units)),
    ]);
  }
}

/** Keywords whose metrics are held from the month of the date, from the services. */
export async function heldMetrics(
  context: Pick<JobContext, 'database' | 'source'>,
  market: MarketRow,
  date: string,
): Promise<Set<number>> {
  const held = new Set<number>();
  for (const segment of await findSegments(context.database, { marketId: market.id, kind: 'metrics' })) {
    if (segment.date.slice(0, 7) !== date.slice(0, 7) || segment.source !== context.source.name) continue;
    (await readColumn(context.database, segment.id, 'keyword')).forEach((id) => held.add(id));
  }
  return held;
}
