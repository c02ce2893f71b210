import type { RefreshAnswer } from '@opsimath/contract/api/targets';
import type { Database } from '../data/storage/connection';
import { keepPlaceRecords } from '../data/placeRecords';
import { listTargets } from '../data/targets';
import { saveVersion } from '../data/targetVersions';
import { KnownProblem } from '../problems/problem';
import type { SearchSource } from '../sources/searchSource';

/** Fetches every target's public record as of today. Changed words are seen at once; figures are renewed. */
export async function refreshTargets(
  { database, source }: { database: Database; source: SearchSource },
  projectId: number,
): Promise<RefreshAnswer> {
  const date = await source.today();
  const answer: RefreshAnswer = { date, looked: 0, changed: [], failed: [] };
  for (const { id, name, kind, address, market } of await listTargets(database, projectId)) {
    if (kind === 'section' || market === '') continue;
    answer.looked++;
    try {
      const record = await source.record({ market, date, target: address });
      const changes = await saveVersion(database, id, record, date);
      await keepPlaceRecords(database, [record], date);
      if (changes.length > 0) answer.changed.push({ target: id, name, changes });
    } catch (error) {
      if (!(error instanceof KnownProblem)) throw error;
      answer.failed.push({ target: id, name, reason: error.message });
    }
  }
  return answer;
}
