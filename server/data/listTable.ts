import type { KeptJudgement } from '@opsimath/contract/api/judgements';
import { poolFileHead } from '@opsimath/contract/figures/poolFigures';
import type { Database } from './storage/connection';
import { keywordsById } from './keywords';
import { listMembers } from './lists';
import { marketById } from './markets';
import { listMarkers, markersOf } from './markers';
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
  poolFileHead('volume', ''),
  'verdict',
  'parked',
  'reason',
  'judged by',
  'judged at',
  'notes',
  'markers',
];

/**
 * A list as a table for files, most searched first.
 * @param sheetOf all columns of keywords as their look-up has them; `null` where none is known
 */
export async function listTable(
  database: Database,
  projectId: number,
  list: typeof keywordList.$inferSelect,
  sheetOf: (ids: number[]) => Promise<{ heads: string[]; rows: [number, Cell[]][] } | null>,
): Promise<{ heads: string[]; rows: Cell[][]; about: string }> {
  const market = await marketById(database, list.marketId);
  const volumes = await volumesAt(database, list.marketId, LATEST);
  const ids = Array.from(await listMembers(database, list.id)).sort(
    (a, b) => (volumes.get(b) ?? -1) - (volumes.get(a) ?? -1) || a - b,
  );
  const texts = await keywordsById(database, ids);
  const judgements = await judgementsOf(database, projectId, ids);
  const notes = await notesOfKeywords(database, projectId);
  const markers = await markerNamesOf(database, projectId, ids);
  const about = `List “${list.name}”, ${market.code}; ${list.origin || 'put together by hand'}. Volumes as last known.`;
  const sheet = await sheetOf(ids);
  if (sheet) {
    const rows = new Map(sheet.rows);
    return {
      heads: ['market', ...sheet.heads],
      // What the look-up did not find has its text and what was judged, and nothing else is known of it there.
      rows: ids.map((id, n) => [
        market.code,
        ...(rows.get(id) ??
          sheet.heads.map((head) =>
            plainCell(head, texts.get(id)!.text, judgements[n]!, {
              notes: notes.get(id),
              markers: markers.get(id),
            }),
          )),
      ]),
      about: `${about} Positions and figures from the look-up that the list came from.`,
    };
  }
  return {
    heads: HEADS,
    rows: ids.map((id, n) => {
      const { verdict, parked, reason, person, decidedAt } = judgements[n]!;
      return [
        texts.get(id)!.text,
        market.code,
        volumes.get(id) ?? null,
        verdict,
        parked ? 'parked' : null,
        reason || null,
        person || null,
        decidedAt || null,
        notes.get(id) ?? null,
        markers.get(id) || null,
      ];
    }),
    about,
  };
}

/** Names of the markers that keywords bear, as files have them. */
async function markerNamesOf(
  database: Database,
  projectId: number,
  ids: readonly number[],
): Promise<Map<number, string>> {
  const names = new Map((await listMarkers(database, projectId)).map(({ id, name }) => [id, name]));
  const borne = await markersOf(database, projectId, ids);
  return new Map(
    [...borne].map(([id, markers]) => [id, markers.map((marker) => names.get(marker)).join(', ')]),
  );
}

function plainCell(
  head: string,
  text: string,
  judged: KeptJudgement,
  { notes, markers }: { notes: string | undefined; markers: string | undefined },
): Cell {
  switch (head) {
    case 'keyword':
      return text;
    case 'verdict':
      return judged.verdict;
    case 'parked':
      return judged.parked ? 'parked' : null;
    case 'reason':
      return judged.reason || null;
    case 'judged by':
      return judged.person || null;
    case 'judged at':
      return judged.decidedAt || null;
    case 'notes':
      return notes ?? null;
    case 'markers':
      return markers || null;
    default:
      return null;
  }
}
