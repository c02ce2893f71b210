import { isoDayOf } from '@opsimath/core/day';
import type { ImportedRows } from '../../files/rowReaders';
import type { InStatement } from '../../data/storage/connection';
import { keywordIdsOf } from '../../data/keywords';
import { importedMetricsColumns } from '../../data/segments/metricsColumns';
import { segmentStatements } from '../../data/segments/segments';
import { byDay } from './byDay';
import type { StoreMaker } from './stores';

/** Figures of keywords from a file: a segment for each day. */
export const metricsStore: StoreMaker<'metrics'> = async ({ database }, entry, market) => ({
  async statements(rows) {
    const statements: InStatement[] = [];
    for (const [day, group] of byDay<ImportedRows['metrics']>(rows)) {
      const ids = await keywordIdsOf(
        database,
        market.id,
        group.map((row) => row.query),
      );
      const columns = importedMetricsColumns(ids, group);
      const head = {
        marketId: market.id,
        kind: 'metrics' as const,
        source: entry.fileName,
        date: isoDayOf(day),
        projectId: entry.projectId,
        importId: entry.id,
        pending: true,
        rows: columns.keyword!.length,
      };
      statements.push(...segmentStatements(head, columns));
    }
    return { statements, refused: [] };
  },
  finish: async () => undefined,
});
