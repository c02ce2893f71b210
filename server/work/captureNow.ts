import { type Database, writeTogether } from '../data/connection';
import { keywordIdsOf } from '../data/keywords';
import type { MarketRow } from '../data/markets';
import { PlaceBook } from '../data/places';
import { captureColumns } from '../data/segments/captureColumns';
import { segmentStatements } from '../data/segments/segments';
import { key } from '@opsimath/core/text/key';
import type { SearchSource } from '../sources/searchSource';

/** Captures a few result pages at once, for somebody who waits. Gives the units spent. */
export async function captureNow(
  { database, source }: { database: Database; source: SearchSource },
  market: MarketRow,
  date: string,
  keywords: readonly string[],
): Promise<number> {
  const ids = await keywordIdsOf(database, market.id, keywords);
  const ask = { market: market.code, date, depth: market.depth, keywords };
  const answer = await source.resultPages(ask);
  const places = await new PlaceBook(database).ids(answer.records, date);
  const byKey = new Map(keywords.map((text, i) => [key(text), ids[i]!] as const));
  const { columns, captures } = captureColumns(answer, date, { keyword: byKey, ...places }, market.surface);
  const head = { marketId: market.id, kind: 'captures' as const, source: source.name, date, rows: captures };
  if (captures > 0) await writeTogether(database, segmentStatements(head, columns));
  return answer.units;
}
