import { segmentStatements } from '../../data/segments/segments';
import { ownTable } from './ownTable';
import type { StoreMaker } from './stores';

/** Own search performance: one entry a row, whatever its day. */
export const performanceStore: StoreMaker<'performance'> = async ({ database }, entry, market) => ({
  async statements(rows) {
    if (rows.length === 0) return { statements: [], refused: [] };
    const { head, shared } = await ownTable(database, entry, market, 'performance', rows);
    const statements = segmentStatements(head, {
      ...shared,
      impressions: Int32Array.from(rows, (row) => row.impressions),
      clicks: Int32Array.from(rows, (row) => row.clicks),
      position: Float64Array.from(rows, (row) => row.position),
    });
    return { statements, refused: [] };
  },
  finish: async () => undefined,
});
