import type { Database } from './connection';
import { keywordsById } from './keywords';
import { listMembers } from './lists';
import { marketById } from './markets';
import { notesOfKeywords } from './notes';
import type { keywordList } from './schema';
import { judgementsOf } from './verdicts';
import { volumesAt } from './volumes';

type Cell = string | number | null;
/** Later than any day: the newest volume there is. */
const LATEST = '9999-12-31';
const HEADS = [
  'keyword',
  'market',
  'volume (searches a month)',
  'verdict',
  'parked',
  'reason',
  'judged by',
  'notes',
];

/** A list as a table for files, most searched first. */
export async function listTable(
  database: Database,
  projectId: number,
  list: typeof keywordList.$inferSelect,
): Promise<{ heads: string[]; rows: Cell[][]; about: string }> {
  const market = await marketById(database, list.marketId);
  const volumes = await volumesAt(database, list.marketId, LATEST);
  const ids = Array.from(await listMembers(database, list.id)).sort(
    (a, b) => (volumes.get(b) ?? -1) - (volumes.get(a) ?? -1) || a - b,
  );
  const texts = await keywordsById(database, ids);
  const judgements = await judgementsOf(database, projectId, ids);
  const notes = await notesOfKeywords(database, projectId);
  return {
    heads: HEADS,
    rows: ids.map((id, n) => {
      const { verdict, parked, reason, person } = judgements[n]!;
      return [
        texts.get(id)!.text,
        market.code,
        volumes.get(id) ?? null,
        verdict,
        parked ? 'parked' : null,
        reason || null,
        person || null,
        notes.get(id) ?? null,
      ];
    }),
    about: `List “${list.name}”, ${market.code}; ${list.origin || 'put together by hand'}. Volumes as last known.`,
  };
}
