import { type Database, writeTogether } from '../../data/storage/connection';
import { keywordIdsOf } from '../../data/keywords';
import type { MarketRow } from '../../data/markets';
import { PlaceBook } from '../../data/places';
import { captureColumns } from '../../data/segments/captureColumns';
import { segmentStatements } from '../../data/segments/segments';
import { key } from '@opsimath/core/text/key';
import { payOnce, together } from '../../data/paidRequests';
import type { SearchSource } from '../../sources/searchSource';

/**
 * Captures a few result pages at once, for somebody who waits. Gives the units spent.
 *
 * @param stamp of a capture that is taken although one of the day is held: when, to the minute
 */
export async function captureNow(
  { database, source }: { database: Database; source: SearchSource },
  market: MarketRow,
  date: string,
  keywords: readonly string[],
  stamp: string | null = null,
): Promise<number> {
  const ids = await keywordIdsOf(database, market.id, keywords);
  const asked = [...ids].filter((id) => id > 0);
  const request = await payOnce(database, {
    marketId: market.id,
    date,
    kind: 'result pages',
    ...(stamp === null ? together(asked) : { detail: `${stamp} ${asked.join(',')}` }),
  });
  const ask = { market: market.code, date, depth: market.depth, keywords };
  const answer = await source.resultPages({ ...ask, requestId: request.requestId });
  const places = await new PlaceBook(database).ids(answer.records, date);
  const byKey = new Map(keywords.map((text, i) => [key(text), ids[i]!] as const));
  const { columns, captures } = captureColumns(answer, date, { keyword: byKey, ...places }, market);
  const head = {
    marketId: market.id,
    kind: 'captures' as const,
    source: source.name,
    date,
    subject: stamp,
    rows: captures,
  };
  await writeTogether(database, [...(captures > 0 ? segmentStatements(head, columns) : []), request.settled]);
  return answer.units;
}
