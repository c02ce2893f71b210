import type { ResultPagesAnswer } from '@opsimath/contract/source/answers';

import { type InStatement, writeTogether } from '../../data/storage/connection';
import { progressStatement } from '../../data/jobs';
import { type KeywordRow, keywordsById } from '../../data/keywords';
import type { MarketRow } from '../../data/markets';

import { findSegments, readColumn, segmentStatements } from '../../data/segments/segments';
import { MOST_PAGES } from '../../sources/searchSource';
import { captureColumns } from '../../data/segments/captureColumns';
import type { JobContext } from './context';
import { type PaidRequest, batchesOf, payOnce, together } from '../../data/paidRequests';

/** Which of these keywords have no capture on exactly this date yet, in ascending order. */
export async function withoutCapture(
  context: Pick<JobContext, 'database'>,
  marketId: number,
  date: string,
  ids: Iterable<number>,
): Promise<number[]> {
  const held = new Set<number>();
  for (const segment of await findSegments(context.database, { marketId, kind: 'captures', date })) {
    (await readColumn(context.database, segment.id, 'keyword')).forEach((id) => held.add(id));
  }
  return [...new Set(ids)].filter((id) => !held.has(id)).sort((a, b) => a - b);
}

/**
 * Captures result pages of keywords on a date; what is held is not asked for again. Every batch is written
 * as it comes. The next batch is fetched while one is being stored.
 */
export function takeCaptures(
  context: JobContext,
  market: MarketRow,
  date: string,
  ids: readonly number[],
  spend: (units: number) => InStatement | null,
): Promise<void> {
  // Others that capture in this market on this day wait: what they want may be held by then.
  return context.locks.run(`captures:${market.id}:${date}`, () =>
    takeMissing(context, market, date, ids, spend),
  );
}

async function takeMissing(
  context: JobContext,
  market: MarketRow,
  date: string,
  ids: readonly number[],
  spend: (units: number) => InStatement | null,
): Promise<void> {
  const wanted = await withoutCapture(context, market.id, date, ids);
  context.progress.step(`result pages of ${date}`, ids.length, ids.length - wanted.length);
  const asked = { marketId: market.id, date, kind: 'result pages' as const };
  const batches = await batchesOf(context.database, asked, wanted, MOST_PAGES);
  let coming = batches[0] ? fetchBatch(context, market, date, batches[0]) : null;
  for (let i = 0; coming; i++) {
    const batch = await coming;
    const next = batches[i + 1];
    coming = next && !context.signal.aborted ? fetchBatch(context, market, date, next) : null;
    // A failure of the batch under way is met when its turn comes.
    coming?.catch(() => undefined);
    await storeBatch(context, market, date, batch, spend);
  }
  context.signal.throwIfAborted();
}

interface Batch {
  request: PaidRequest;
  keywords: Map<number, KeywordRow>;
  answer: ResultPagesAnswer;
}

async function fetchBatch(
  context: JobContext,
  market: MarketRow,
  date: string,
  ids: number[],
): Promise<Batch> {
  context.signal.throwIfAborted();
  const keywords = await keywordsById(context.database, ids);
  const asked = { marketId: market.id, date, kind: 'result pages' as const, ...together(ids) };
  const request = await payOnce(context.database, asked);
  const answer = await context.source.resultPages({
    market: market.code,
    date,
    depth: market.depth,
    keywords: ids.map((id) => keywords.get(id)!.text),
    signal: context.signal,
    requestId: request.requestId,
  });
  return { request, keywords, answer };
}

async function storeBatch(
  context: JobContext,
  market: MarketRow,
  date: string,
  { request, keywords, answer }: Batch,
  spend: (units: number) => InStatement | null,
): Promise<void> {
  const places = await context.places.ids(answer.records, date);
  const keyword = new Map([...keywords.values()].map((row) => [row.key, row.id]));
  const { columns, captures } = captureColumns(answer, date, { keyword, ...places }, market);
  const head = {
    marketId: market.id,
    kind: 'captures' as const,
    source: context.source.name,
    date,
    rows: captures,
  };
  const spent = spend(answer.units);
  await writeTogether(context.database, [
    ...(captures > 0 ? segmentStatements(head, columns) : []),
    ...(spent ? [spent] : []),
    request.settled,
    progressStatement(context.jobId, context.progress.advance(keywords.size, answer.units)),
  ]);
}
