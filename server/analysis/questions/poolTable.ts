import type { PoolQueryRead, PoolRow } from '@opsimath/contract/api/pool';
import {
  type PoolFigure,
  POOL_READERS,
  poolFigureOf,
  poolFileHead,
} from '@opsimath/contract/figures/poolFigures';
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
  const figure = (name: PoolFigure): [string, (row: PoolRow) => Cell] => [
    poolFileHead(name, currency),
    (row) => {
      const value = POOL_READERS[name](row);
      return value === null ? null : Number(value.toFixed(poolFigureOf(name).fileDigits));
    },
  ];
  return [
    ['keyword', (row) => row.text],
    ['found by', (row) => row.found.join(', ')],
    ['from', (row) => row.from.join(', ')],
    figure('volume'),
    ...targets.flatMap((target, t): [string, (row: PoolRow) => Cell][] => [
      [`${target} organic position`, (row) => row.organic[t] ?? null],
      [`${target} paid slot`, (row) => row.paid[t] ?? null],
      [`${target} position captured`, (row) => row.captured[t] ?? null],
    ]),
    ['ranking page', (row) => row.page],
    figure('clicks'),
    [`CPC low (${currency} a click)`, (row) => row.cpcLow],
    [`CPC high (${currency} a click)`, (row) => row.cpcHigh],
    figure('adCompetition'),
    figure('difficulty'),
    figure('results'),
    figure('words'),
    ['trend', (row) => row.trend],
    figure('trend'),
    figure('peak'),
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
