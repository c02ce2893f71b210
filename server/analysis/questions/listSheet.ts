import type { SiftRow } from '@opsimath/contract/api/sift';
import { listMarkers } from '../../data/markers';
import { notesOfKeywords } from '../../data/notes';
import { leavesOf } from '../../data/wordLeaves';
import { openPool } from '../pool/pool';
import { type Cell, poolColumns } from './poolTable';
import { siftRows } from '../sift/siftRows';
import type { Workspace } from '../kept/workspace';

/**
 * Keywords of a pool as a table for files: all that the pool's table has, what was judged and marked, who let a word in.
 * Keywords that are not in the pool have no row: the caller knows them.
 */
export async function listSheet(
  workspace: Workspace,
  lookUpId: number,
  ids: readonly number[],
): Promise<{ heads: string[]; rows: [number, Cell[]][] }> {
  const named = await openPool(workspace, lookUpId);
  const { pool } = named;
  const indices = ids.map((id) => pool.indexOf[id - pool.base] ?? -1).filter((i) => i >= 0);
  const asked = { rescued: [], languages: true, contained: true, into: null, figures: [] };
  const rows = await siftRows(workspace, named, indices, asked);
  const { database } = workspace;
  const notes = await notesOfKeywords(database, pool.projectId);
  const markers = new Map(
    (await listMarkers(database, pool.projectId)).map((marker) => [marker.id, marker.name]),
  );
  const leaves = await leavesOf(database, pool.projectId);
  const columns: [string, (row: SiftRow) => Cell][] = [
    ...poolColumns(pool.targets, pool.market.currency, notes),
    ['language', (row) => row.language?.code ?? null],
    ['language confidence (0-1)', (row) => row.language?.confidence ?? null],
    ['contained in (keywords)', (row) => row.contained?.keywords ?? null],
    ['contained in (searches a month)', (row) => row.contained?.volume ?? null],
    ['purpose', (row) => row.purpose.purpose],
    ['purpose because', (row) => row.purpose.evidence],
    ['verdict', (row) => row.verdict],
    ['parked', (row) => (row.parked ? 'parked' : null)],
    ['reason', (row) => row.reason || null],
    ['judged by', (row) => row.person || null],
    ['judged at', (row) => row.decidedAt || null],
    ['markers', (row) => row.markers.map((id) => markers.get(id)).join(', ') || null],
    [
      'words let in by',
      (row) =>
        (leaves.get(row.id) ?? [])
          .map(
            ({ word, level, person, at }) =>
              `${word} (${level}): ${person || 'somebody'}, ${at.slice(0, 10)}`,
          )
          .join('; ') || null,
    ],
  ];
  return {
    heads: columns.map(([head]) => head),
    rows: rows.map((row) => [row.id, columns.map(([, cell]) => cell(row))]),
  };
}
