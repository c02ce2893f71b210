import type { ImportedRows } from '../../files/rowReaders';
import type { InStatement } from '../../data/connection';
import { keywordIdsOf } from '../../data/keywords';
import { indexNewKeywords } from '../../data/keywordWords';
import { importedLookUp, noteImportedTargets, setPoolSize } from '../../data/lookUps';
import { parentOf, placeIdsByAddress } from '../../data/places';
import { poolKeywords } from '../../data/pools';
import { importedMetricsColumns } from '../../data/segments/metricsColumns';
import { mergeSmallSegments } from '../../data/segments/merge';
import { segmentStatements } from '../../data/segments/segments';
import { coveringTarget, listTargets } from '../../data/targets';
import { type StoreMaker, byDay, isoDay } from './stores';

type Row = ImportedRows['rankings'];

/**
 * Rankings from a file become a pool like that of a look-up. Each row counts for the project's target that covers
 * its address, else for its host. Volumes, where the file gives them, are kept as metrics of the same date.
 */
export const rankingsStore: StoreMaker<'rankings'> = async (context, entry, market) => {
  const { database } = context;
  const targets = await listTargets(database, entry.projectId);
  const lookUpId = await importedLookUp(database, entry, market.id);
  const subjects = new Map<string, string>();
  const dates = new Set<string>();
  const subjectOf = (address: string): string => {
    let subject = subjects.get(address);
    if (subject === undefined) {
      const parent = parentOf(address);
      subject = coveringTarget(targets, address, parent)?.address ?? parent ?? address;
      subjects.set(address, subject);
    }
    return subject;
  };
  return {
    async statements(rows) {
      const statements: InStatement[] = [];
      const counted = new Map<string, number>();
      for (const [day, group] of byDay<Row>(rows)) {
        const date = isoDay(day);
        dates.add(date);
        const keywords = await keywordIdsOf(
          database,
          market.id,
          group.map((row) => row.query),
        );
        const places = await placeIdsByAddress(database, new Set(group.map((row) => row.page)));
        const common = { marketId: market.id, source: entry.fileName, date, importId: entry.id };
        for (const [subject, members] of bySubject(group, subjectOf)) {
          counted.set(subject, (counted.get(subject) ?? 0) + members.length);
          statements.push(
            ...segmentStatements(
              { ...common, kind: 'rankings', lookUpId, subject, rows: members.length },
              {
                keyword: Int32Array.from(members, (at) => keywords[at]!),
                place: Int32Array.from(members, (at) => places.get(group[at]!.page) ?? 0),
                organic: Uint8Array.from(members, (at) => group[at]!.organic),
                paid: Uint8Array.from(members, (at) => group[at]!.paid),
              },
            ),
          );
        }
        if (group.some((row) => !Number.isNaN(row.volume))) {
          const columns = importedMetricsColumns(
            keywords,
            group.map(({ volume }) => ({ volume })),
          );
          const head = {
            ...common,
            kind: 'metrics' as const,
            projectId: entry.projectId,
            rows: columns.keyword!.length,
          };
          statements.push(...segmentStatements(head, columns));
        }
      }
      statements.push(...noteImportedTargets(lookUpId, [...dates].sort().at(-1) ?? '', counted));
      return { statements, refused: [] };
    },
    async finish() {
      for (const date of dates) {
        await mergeSmallSegments(database, { marketId: market.id, kind: 'rankings', date, lookUpId });
      }
      context.progress.step('making words findable', null);
      await indexNewKeywords(database);
      await setPoolSize(database, lookUpId, (await poolKeywords(database, lookUpId)).length);
    },
  };
};

/** Indices of the rows by whom they count for. */
function bySubject(rows: readonly Row[], subjectOf: (address: string) => string): Map<string, number[]> {
  const groups = new Map<string, number[]>();
  rows.forEach(({ page }, at) => {
    const subject = subjectOf(page);
    const group = groups.get(subject);
    if (group) group.push(at);
    else groups.set(subject, [at]);
  });
  return groups;
}
