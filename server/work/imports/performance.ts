import { keywordIdsOf } from '../../data/keywords';
import { placeIdsByAddress } from '../../data/places';
import { segmentStatements } from '../../data/segments/segments';
import { type StoreMaker, isoDay } from './stores';

/** Own search performance: one entry a row, whatever its day. */
export const performanceStore: StoreMaker<'performance'> = async ({ database }, entry, market) => ({
  async statements(rows) {
    if (rows.length === 0) return { statements: [], refused: [] };
    const keywords = await keywordIdsOf(
      database,
      market.id,
      rows.map((row) => row.query),
    );
    const places = await placeIdsByAddress(
      database,
      rows.flatMap((row) => (row.page === '' ? [] : [row.page])),
    );
    const lastDay = rows.reduce((last, row) => Math.max(last, row.day), 0);
    const head = {
      marketId: market.id,
      kind: 'performance' as const,
      source: `own search performance, ${entry.fileName}`,
      date: isoDay(lastDay),
      projectId: entry.projectId,
      importId: entry.id,
      rows: rows.length,
    };
    const statements = segmentStatements(head, {
      keyword: keywords,
      place: Int32Array.from(rows, (row) => places.get(row.page) ?? 0),
      day: Int32Array.from(rows, (row) => row.day),
      impressions: Int32Array.from(rows, (row) => row.impressions),
      clicks: Int32Array.from(rows, (row) => row.clicks),
      position: Float64Array.from(rows, (row) => row.position),
    });
    return { statements, refused: [] };
  },
  finish: async () => undefined,
});
