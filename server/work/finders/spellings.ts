import type { SourceMetrics } from '@opsimath/contract/source/answers';
import { key } from '@opsimath/core/text/key';
import { closeVariantKey } from '@opsimath/core/text/stems';
import { likelySpellings, mayBeSpellingOf } from '@opsimath/core/text/variants';
import { keywordIdsOf } from '../../data/keywords';
import { metricsColumns } from '../../data/segments/metricsColumns';
import { segmentStatements } from '../../data/segments/segments';
import { payOnce } from '../../data/paidRequests';
import { MOST_METRICS } from '../../sources/searchSource';
import type { FinderTask, Finding } from '../findKeywords';

/** As many as one request for metrics takes. */
const TRIED = MOST_METRICS;

/** Spellings that somebody types: likely slips and close variants that the services know a volume of. */
export async function findSpellings({ context, lookUp, market, seed }: FinderTask): Promise<Finding> {
  const { source, signal, database } = context;
  const identity = key(seed);
  const spellings = likelySpellings(identity, market.alphabet).slice(0, TRIED);
  const request = await payOnce(database, {
    marketId: market.id,
    date: lookUp.date,
    kind: 'metrics',
    detail: `spellings of ${identity}`,
  });
  const answer = await source.metrics({
    market: market.code,
    date: lookUp.date,
    keywords: spellings,
    signal,
    requestId: request.requestId,
  });
  const close = closeVariantKey(seed, market.language);
  const rows = answer.rows.filter(({ keyword }) => {
    const text = key(keyword);
    return mayBeSpellingOf(text, identity) || closeVariantKey(text, market.language) === close;
  });
  const ids = await keywordIdsOf(
    database,
    market.id,
    rows.map(({ keyword }) => keyword),
  );
  const metrics = new Map<number, SourceMetrics>(rows.map((row, i) => [ids[i]!, row]));
  const head = {
    marketId: market.id,
    kind: 'metrics' as const,
    source: source.name,
    date: lookUp.date,
    rows: metrics.size,
  };
  return {
    found: rows.map(({ keyword }) => ({ text: keyword, count: 0 })),
    units: answer.units,
    message: `of ${spellings.length} tried`,
    statements: [
      ...(metrics.size > 0 ? segmentStatements(head, metricsColumns(metrics)) : []),
      request.settled,
    ],
  };
}
