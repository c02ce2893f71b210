import type { OutsidePreview } from '@opsimath/contract/api/outside';
import { key } from '@opsimath/core/text/key';
import type { OutsideProblem, OutsideRow } from '../files/outsideTable';
import type { Database } from './storage/connection';
import { keywordIdsOfKnown } from './keywords';
import { listMarkers, markersOf } from './markers';
import type { MarketRow } from './markets';
import { notesByKeyword } from './notes';
import { addedNote, namesIn } from './writtenBack';
import { judgementsOf } from './verdicts';

const LONGEST_NOTE = 20_000;

/** What a table worked on outside would change, matched by key and market. */
export async function outsideChanges(
  database: Database,
  projectId: number,
  market: MarketRow,
  given: readonly OutsideRow[],
  problems: readonly OutsideProblem[],
): Promise<OutsidePreview> {
  const unmatched = [...problems];
  const here = given.filter(({ market: code, line, keyword }) => {
    if (code === null || code === market.code) return true;
    unmatched.push({ line, text: keyword, why: `it is of the market ${code.slice(0, 40)}` });
    return false;
  });
  const ids = await keywordIdsOfKnown(
    database,
    market.id,
    here.map(({ keyword }) => key(keyword)),
  );
  // Of several rows of one keyword the last one holds.
  const rows = new Map<number, OutsideRow>();
  here.forEach((row, n) => {
    if (ids[n] === 0)
      unmatched.push({ line: row.line, text: row.keyword, why: 'no such keyword in this market' });
    else rows.set(ids[n]!, row);
  });
  const keywords = [...rows.keys()];
  const stood = await judgementsOf(database, projectId, keywords);
  const verdicts = stood.flatMap(({ keyword, ...before }): OutsidePreview['verdicts'] => {
    const row = rows.get(keyword)!;
    if (row.verdict === null) return [];
    const after = {
      verdict: row.verdict,
      parked: row.verdict === 'unjudged' && (row.parked ?? before.parked),
      reason: (row.reason ?? before.reason).slice(0, 500),
    };
    const same =
      after.verdict === before.verdict && after.parked === before.parked && after.reason === before.reason;
    const newer = row.judgedAt !== null && before.decidedAt > row.judgedAt;
    return same ? [] : [{ keyword, text: row.keyword, before, after, newer }];
  });
  const standing = await notesByKeyword(database, projectId);
  const notes = keywords.flatMap((keyword) => {
    const { note, notes: written, keyword: text } = rows.get(keyword)!;
    const added = written === null ? '' : addedNote(written, standing.get(keyword) ?? []);
    return [note ?? '', added].flatMap((said) =>
      said === '' ? [] : [{ keyword, text, note: said.slice(0, LONGEST_NOTE) }],
    );
  });
  const markers = await markerChanges(database, projectId, rows, unmatched);
  const touched = new Set([
    ...[...verdicts, ...notes].map(({ keyword }) => keyword),
    ...markers.flatMap(({ on, off }) => [...on, ...off]),
  ]);
  return {
    rows: given.length + problems.length,
    unchanged: keywords.filter((keyword) => !touched.has(keyword)).length,
    unmatched: unmatched.sort((a, b) => a.line - b.line).slice(0, 500),
    verdicts,
    notes,
    markers,
  };
}

async function markerChanges(
  database: Database,
  projectId: number,
  rows: ReadonlyMap<number, OutsideRow>,
  unmatched: OutsideProblem[],
): Promise<OutsidePreview['markers']> {
  const known = await listMarkers(database, projectId);
  const borne = await markersOf(database, projectId, [...rows.keys()]);
  const changes = new Map(
    known.map(({ id, name }) => [id, { marker: id, name, on: [] as number[], off: [] as number[] }]),
  );
  for (const [keyword, { markers, line, keyword: text }] of rows) {
    if (markers === null) continue;
    const { found, strange } = namesIn(markers, known);
    const wanted = new Set(found.map(({ id }) => id));
    for (const name of strange)
      unmatched.push({ line, text, why: `no marker is named “${name.slice(0, 60)}”` });
    const bears = new Set(borne.get(keyword) ?? []);
    for (const id of wanted) if (!bears.has(id)) changes.get(id)!.on.push(keyword);
    for (const id of bears) if (!wanted.has(id)) changes.get(id)!.off.push(keyword);
  }
  return [...changes.values()].filter(({ on, off }) => on.length + off.length > 0);
}
