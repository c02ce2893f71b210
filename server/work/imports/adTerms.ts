import { MATCH_CODES } from '../../data/segments/matchCodes';
import { keywordIdsOf } from '../../data/keywords';
import { segmentStatements } from '../../data/segments/segments';
import { ownTable } from './ownTable';
import type { StoreMaker } from './stores';

function matchCode(match: string): number {
  return Math.max(0, (MATCH_CODES as readonly string[]).indexOf(match.toLowerCase()));
}

/** Ad search terms: what was typed, what was bid on, and what it cost and brought. */
export const adTermsStore: StoreMaker<'ad terms'> = async ({ database }, entry, market) => ({
  async statements(rows) {
    if (rows.length === 0) return { statements: [], refused: [] };
    const { head, shared } = await ownTable(database, entry, market, 'ad terms', rows);
    const bidOn = await keywordIdsOf(
      database,
      market.id,
      rows.map((row) => row.adKeyword),
    );
    const statements = segmentStatements(head, {
      ...shared,
      bidOn,
      match: Uint8Array.from(rows, (row) => matchCode(row.match)),
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
