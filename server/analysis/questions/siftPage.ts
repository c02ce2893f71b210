import type { RemovedPage, SiftPage, SiftQueryRead, removedQuery } from '@opsimath/contract/api/sift';
import { VERDICTS, sieveProblem } from '@opsimath/core/sift/sieve';
import type { z } from 'zod';
import { keywordIdsContaining, keywordsById } from '../../data/keywords';
import { idsTranslatedLike } from '../../data/translations';
import type { Pool } from '../pool/pool';
import { poolOrder } from '../pool/poolOrder';
import { poolRows } from '../pool/poolRows';
import { type Judged, indicesOf } from '../sift/judged';
import { type Opened, type SiftAsked, openSift } from '../sift/openSift';
import { siftRows } from '../sift/siftRows';
import type { Workspace } from '../kept/workspace';

const MOST_FITS = 20;
const FIT = VERDICTS.indexOf('fit');

/** One page of a pool run through a recipe, with what each step did. */
export async function siftPage(
  workspace: Workspace,
  lookUpId: number,
  query: SiftQueryRead,
): Promise<SiftPage> {
  const opened = await openSift(workspace, lookUpId, query);
  const { pool, judged, stack } = opened;
  const shown = query.find.trim() === '' ? stack.passes : await found(workspace, opened, query.find);
  const sorted = await poolOrder(workspace, opened, query.sort);
  const order = query.parkedLast ? parkedLast(sorted, judged.parked) : sorted;
  const through = stack.counts.at(-1)?.out ?? pool.ids.length;
  const total = shown === stack.passes ? through : countOf(shown);
  const indices = pageOf(order, shown, query.offset, Math.min(query.limit, total - query.offset));
  return {
    all: pool.ids.length,
    through,
    total,
    steps: await stepsOf(workspace, opened, query),
    judged: countJudged(pool, judged, stack.passes),
    targets: pool.targets,
    rows: await siftRows(workspace, opened, indices, query),
  };
}

/** What one step of a recipe removed, most searched first. */
export async function siftRemoved(
  workspace: Workspace,
  lookUpId: number,
  query: z.output<typeof removedQuery>,
): Promise<RemovedPage> {
  const opened = await openSift(workspace, lookUpId, query);
  const { stack } = opened;
  const order = await poolOrder(workspace, opened, [{ sort: 'volume', descending: true }]);
  const sought =
    query.find.trim() === ''
      ? null
      : new Set(
          indicesOf(
            opened.pool,
            await keywordIdsContaining(workspace.database, opened.pool.market.id, query.find),
          ),
        );
  const indices: number[] = [];
  let total = 0;
  for (let n = 0; n < order.length; n++) {
    if (stack.removedBy[order[n]!] !== query.step + 1 || sought?.has(order[n]!) === false) continue;
    if (total >= query.offset && indices.length < query.limit) indices.push(order[n]!);
    total++;
  }
  return { total, rows: await poolRows(workspace, opened, indices) };
}

/** Keyword ids of what comes through, most searched first; only those of some verdicts if any are given. */
export async function siftIds(
  workspace: Workspace,
  lookUpId: number,
  query: SiftAsked & Pick<SiftQueryRead, 'find'>,
  only: readonly (typeof VERDICTS)[number][],
): Promise<Int32Array> {
  const opened = await openSift(workspace, lookUpId, query);
  const { pool, judged, stack } = opened;
  const shown = query.find.trim() === '' ? stack.passes : await found(workspace, opened, query.find);
  const codes = only.map((word) => VERDICTS.indexOf(word));
  const order = await poolOrder(workspace, opened, [{ sort: 'volume', descending: true }]);
  return order
    .filter((i) => shown[i] === 1 && (codes.length === 0 || codes.includes(judged.codes[i]!)))
    .map((i) => pool.ids[i]!);
}

/** Of what came through, the keywords that hold a piece of text, or whose translation does. */
async function found({ database }: Workspace, { pool, stack }: Opened, find: string): Promise<Uint8Array> {
  const shown = new Uint8Array(pool.ids.length);
  const market = pool.market.id;
  for (const ids of [
    await keywordIdsContaining(database, market, find),
    await idsTranslatedLike(database, market, find),
  ])
    for (const i of indicesOf(pool, ids)) shown[i] = stack.passes[i]!;
  return shown;
}

async function stepsOf(
  { database }: Workspace,
  { pool, judged, stack }: Opened,
  { steps, goal }: Pick<SiftQueryRead, 'steps' | 'goal'>,
): Promise<SiftPage['steps']> {
  const volumeOf = (i: number): number => pool.metrics.volume[pool.ids[i]! - pool.base]! || 0;
  const fits = indicesOfCode(judged.codes, FIT)
    .sort((x, y) => volumeOf(y) - volumeOf(x) || x - y)
    .slice(0, MOST_FITS);
  const texts = await keywordsById(
    database,
    fits.map((i) => pool.ids[i]!),
  );
  return steps.map(({ on, sieve }, n) => {
    const count = stack.counts[n]!;
    return {
      ...count,
      problem: sieveProblem(sieve),
      belowGoal: on && count.out < goal && count.in >= goal,
      takesFits: fits
        .filter((i) => stack.removedBy[i] === n + 1)
        .map((i) => ({ id: pool.ids[i]!, text: texts.get(pool.ids[i]!)!.text })),
    };
  });
}

function countJudged(pool: Pool, { codes, parked }: Judged, passes: Uint8Array): SiftPage['judged'] {
  const counts = codeCounts(codes, parked, passes);
  const of = (word: (typeof VERDICTS)[number]): number => counts[VERDICTS.indexOf(word)]!;
  const fitVolume = indicesOfCode(codes, FIT)
    .filter((i) => passes[i] === 1)
    .reduce((sum, i) => sum + (pool.metrics.volume[pool.ids[i]! - pool.base]! || 0), 0);
  return {
    fit: of('fit'),
    adjacent: of('adjacent'),
    off: of('off'),
    unjudged: of('unjudged'),
    parked: counts[VERDICTS.length]!,
    fitVolume,
  };
}

// Each walk over all rows is a function of its own: within a larger one the engine would compile it anew at every call.

/** How many of what came through have each verdict; those put off last. */
function codeCounts(codes: Uint8Array, parked: Uint8Array, passes: Uint8Array): Int32Array {
  const counts = new Int32Array(VERDICTS.length + 1);
  for (let i = 0; i < passes.length; i++)
    if (passes[i] === 1) counts[parked[i] === 1 ? VERDICTS.length : codes[i]!]!++;
  return counts;
}

function indicesOfCode(codes: Uint8Array, code: number): number[] {
  const indices: number[] = [];
  for (let i = codes.indexOf(code); i >= 0; i = codes.indexOf(code, i + 1)) indices.push(i);
  return indices;
}

function parkedLast(order: Int32Array, parked: Uint8Array): Int32Array {
  const last = new Int32Array(order.length);
  let filled = 0;
  for (const round of [0, 1])
    for (let n = 0; n < order.length; n++) if (parked[order[n]!] === round) last[filled++] = order[n]!;
  return last;
}

function countOf(passes: Uint8Array): number {
  let count = 0;
  for (let i = 0; i < passes.length; i++) count += passes[i]!;
  return count;
}

/** Some of the rows that pass, in order, after the first ones that do. */
function pageOf(order: Int32Array, passes: Uint8Array, offset: number, limit: number): number[] {
  const indices: number[] = [];
  let passed = 0;
  for (let n = 0; n < order.length && indices.length < limit; n++) {
    if (passes[order[n]!] === 0) continue;
    if (passed++ >= offset) indices.push(order[n]!);
  }
  return indices;
}
