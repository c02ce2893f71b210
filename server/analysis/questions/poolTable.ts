import type { PoolQueryRead, PoolRow } from '@opsimath/contract/api/lookUps';
import { notesOfKeywords } from '../../data/notes';
import { openPool } from '../pool/pool';
import { poolIndices } from '../pool/poolOrder';
import { poolRows } from '../pool/poolRows';
import type { Workspace } from '../kept/workspace';

export type Cell = string | number | null;

/** A page of a pool as a table for files: every figure with its unit in the head, unknown left empty. */
export async function poolTable(
  workspace: Workspace,
  lookUpId: number,
  query: PoolQueryRead,
): Promise<{ heads: string[]; rows: Cell[][]; total: number }> {
  const named = await openPool(workspace, lookUpId);
  const { pool } = named;
  const { indices, total } = await poolIndices(workspace, named, query);
  const rows = await poolRows(workspace, named, indices);
  const notes = await notesOfKeywords(workspace.database, pool.projectId);
  const columns = poolColumns(pool.targets, pool.market.currency, notes);
  return {
    heads: columns.map(([head]) => head),
    rows: rows.map((row) => columns.map(([, cell]) => cell(row))),
    total,
  };
}

/** Columns of a pool as they go into files: head with unit, and what stands there. */
export function poolColumns(
  targets: readonly string[],
  currency: string,
  notes: ReadonlyMap<number, string>,
): [string, (row: PoolRow) => Cell][] {
  const rounded = (value: number | null, digits: number): number | null =>
    value === null ? null : Math.round(value * 10 ** digits) / 10 ** digits;
  return [
    ['keyword', (row) => row.text],
    ['found by', (row) => row.found.join(', ')],
    ['from', (row) => row.from.join(', ')],
    ['volume (searches a month)', (row) => row.volume],
    ...targets.flatMap((target, t): [string, (row: PoolRow) => Cell][] => [
      [`${target} organic position`, (row) => row.organic[t] ?? null],
      [`${target} paid slot`, (row) => row.paid[t] ?? null],
      [`${target} position captured`, (row) => row.captured[t] ?? null],
    ]),
    ['estimated clicks a month of these targets', (row) => rounded(row.clicks, 1)],
    [`CPC low (${currency})`, (row) => row.cpcLow],
    [`CPC high (${currency})`, (row) => row.cpcHigh],
    ['ad competition (0-1)', (row) => row.adCompetition],
    ['difficulty (0-100)', (row) => row.difficulty],
    ['results count (rough)', (row) => row.results],
    ['words', (row) => row.words],
    ['trend', (row) => row.trend],
    ['trend (ln of volume a year)', (row) => rounded(row.trendSlope, 4)],
    ['peak month', (row) => (row.peak === null ? null : row.peak + 1)],
    ['appearances among the first ten', (row) => row.appearances],
    ['targets of the front that use it', (row) => row.uses],
    [
      'words not to be used',
      (row) => row.banned.map((word) => `${word.spelled ?? word.text} (${word.level})`).join(', '),
    ],
    ['metrics of', (row) => row.metricsDate],
    ['notes', (row) => notes.get(row.id) ?? null],
  ];
}
