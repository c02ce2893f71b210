import { keywordIdsOf } from '../../data/keywords';
import { placeIdsByAddress } from '../../data/places';
import { segmentStatements } from '../../data/segments/segments';
import { type StoreMaker, isoDay } from './stores';

/** Codes of the `match` column. */
export const MATCH_CODES = ['', 'exact', 'phrase', 'broad'] as const;

/** Ad search terms: what was typed, what was bid on, and what it cost and brought. */
export const adTermsStore: StoreMaker<'ad terms'> = async ({ database }, entry, market) => ({
  async statements(rows) {
    if (rows.length === 0) return { statements: [], refused: [] };
    const terms = await keywordIdsOf(
      database,
      market.id,
      rows.map((row) => row.query),
    );
    const bidOn = await keywordIdsOf(
      database,
      market.id,
      rows.map((row) => row.adKeyword),
    );
    const places = await placeIdsByAddress(
      database,
      rows.flatMap((row) => (row.page === '' ? [] : [row.page])),
    );
    const lastDay = rows.reduce((last, row) => Math.max(last, row.day), 0);
    const head = {
      marketId: market.id,
      kind: 'ad terms' as const,
      source: `ad search terms, ${entry.fileName}`,
      date: isoDay(lastDay),
      projectId: entry.projectId,
      importId: entry.id,
      rows: rows.length,
    };
    const matchCode = (match: string): number =>
      Math.max(0, (MATCH_CODES as readonly string[]).indexOf(match.toLowerCase()));
    const statements = segmentStatements(head, {
      keyword: terms,
      bidOn,
      match: Uint8Array.from(rows, (row) => matchCode(row.match)),
      place: Int32Array.from(rows, (row) => places.get(row.page) ?? 0),
      day: Int32Array.from(rows, (row) => row.day),
      impressions: Float64Array.from(rows, (row) => row.impressions),
      clicks: Int32Array.from(rows, (row) => row.clicks),
      cost: Float64Array.from(rows, (row) => row.cost),
      conversions: Float64Array.from(rows, (row) => row.conversions),
      value: Float64Array.from(rows, (row) => row.value),
    });
    return { statements, refused: [] };
  },
  finish: async () => undefined,
});
