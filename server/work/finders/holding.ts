import type { FinderTask, Finding } from '../findKeywords';

/** Keywords that hold the seed keyword's words, as a phrase or in any order, most searched first. */
export async function findHolding(
  { context, lookUp, market, seed }: FinderTask,
  mode: 'phrase' | 'all words',
): Promise<Finding> {
  const { source, signal } = context;
  const found: Finding['found'] = [];
  let units = 0;
  let total = 0;
  let cursor: string | null = null;
  do {
    signal.throwIfAborted();
    const ask = { market: market.code, date: lookUp.date, text: seed, mode, cursor, signal };
    const answer = await source.keywords(ask);
    found.push(...answer.keywords.map((text) => ({ text, count: 0 })));
    units += answer.units;
    total = answer.total;
    cursor = answer.cursor;
  } while (cursor !== null);
  const message = found.length < total ? `${total - found.length} of ${total} keywords did not come` : null;
  return { found, units, message };
}
