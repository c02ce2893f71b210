import { isoDayOf } from '@opsimath/core/day';
import type { Database } from '../../data/storage/connection';
import type { ImportRow } from '../../data/imports';
import { keywordIdsOf } from '../../data/keywords';
import type { MarketRow } from '../../data/markets';
import type { Columns } from '../../data/segments/columns';
import { placeIdsByAddress } from '../../data/places';

interface OwnRow {
  query: string;
  page: string;
  day: number;
  device: number;
  country: number;
}

/** What the brand's own tables share: their head and who, where and when each row speaks of. */
export async function ownTable<Kind extends 'performance' | 'ad terms'>(
  database: Database,
  entry: ImportRow,
  market: MarketRow,
  kind: Kind,
  rows: readonly OwnRow[],
) {
  const name = { performance: 'own search performance', 'ad terms': 'ad search terms' }[kind];
  const keyword = await keywordIdsOf(
    database,
    market.id,
    rows.map((row) => row.query),
  );
  const places = await placeIdsByAddress(
    database,
    rows.flatMap((row) => (row.page === '' ? [] : [row.page])),
  );
  return {
    head: {
      marketId: market.id,
      kind,
      source: `${name}, ${entry.fileName}`,
      date: isoDayOf(rows.reduce((last, row) => Math.max(last, row.day), 0)),
      projectId: entry.projectId,
      importId: entry.id,
      pending: true,
      rows: rows.length,
    },
    shared: {
      keyword,
      place: Int32Array.from(rows, (row) => places.get(row.page) ?? 0),
      day: Int32Array.from(rows, (row) => row.day),
      ...origins(rows),
    },
  };
}

/** Columns of where rows are from; one that says nothing is not kept. */
function origins(rows: readonly OwnRow[]): Columns {
  return {
    ...(rows.some(({ device }) => device > 0) && { device: Uint8Array.from(rows, (row) => row.device) }),
    ...(rows.some(({ country }) => country > 0) && { country: Int32Array.from(rows, (row) => row.country) }),
  };
}
