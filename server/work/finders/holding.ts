import type { InStatement } from '../../data/storage/connection';
import { payOnce } from '../../data/paidRequests';
import type { MatchMode } from '@opsimath/core/text/matchModes';
import type { FinderTask, Finding } from '../findKeywords';

/** Keywords that hold the seed keyword's words, as a phrase, all in any order, or one of them, most searched first. */
export async function findHolding(
  { context, lookUp, market, seed }: FinderTask,
  mode: MatchMode,
): Promise<Finding> {
  const { source, signal, database } = context;
  const found: Finding['found'] = [];
  const statements: InStatement[] = [];
  let units = 0;
  let total = 0;
  let cursor: string | null = null;
  do {
    signal.throwIfAborted();
    const request = await payOnce(database, {
      marketId: market.id,
      date: lookUp.date,
      kind: 'keywords',
      detail: [mode, cursor ?? '', seed].join(' '),
    });
    const ask = { market: market.code, date: lookUp.date, text: seed, mode, cursor, signal };
    const answer = await source.keywords({ ...ask, requestId: request.requestId });
    statements.push(request.settled);
    found.push(...answer.keywords.map((text) => ({ text, count: 0 })));
    units += answer.units;
    total = answer.total;
    cursor = answer.cursor;
  } while (cursor !== null);
  const message = found.length < total ? `${total - found.length} of ${total} keywords did not come` : null;
  return { found, units, message, statements };
}
