import type { ClusterPage, clusterQuery } from '@opsimath/contract/api/sift';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { FIRST } from '@opsimath/core/sift/clusters';
import type { z } from 'zod';
import { keywordKeysText } from '../../data/keywordKeys';
import { keywordsById } from '../../data/keywords';
import { findSegments } from '../../data/segments/segments';
import { verdictState } from '../../data/verdicts';
import { KnownProblem } from '../../problem';
import { Lately } from '../facts/columnStore';
import { inWordWorker } from '../words/inWordWorker';
import type { Pool } from '../pool/pool';
import { openSift } from '../sift/sift';
import { captureColumnsOf } from '../facts/standings';
import type { Workspace } from '../thread/workspace';

const KEPT = 4;
/** More keywords than this are narrowed by the recipe first. */
const MOST_KEYWORDS = 50_000;
const MOST_MEMBERS = 200;

interface Clustered {
  /** Pool indices, most searched first, by cluster; the largest volume first. */
  clusters: { members: number[]; volume: number }[];
  captured: number;
  keywords: number;
}
const keptBy = new WeakMap<Workspace, Lately<Clustered>>();

/** What comes through a recipe in clusters (method §10), the most searched first. */
export async function clusterPage(
  workspace: Workspace,
  lookUpId: number,
  query: z.output<typeof clusterQuery>,
): Promise<ClusterPage> {
  const { pool, name, judged, stack } = await openSift(workspace, lookUpId, query);
  const through = stack.counts.at(-1)?.out ?? pool.ids.length;
  if (through > MOST_KEYWORDS)
    throw new KnownProblem(
      'too-many-for-clusters',
      `${through} keywords come through; clusters are made of up to ${MOST_KEYWORDS}.`,
      'Narrow them by a sieve first.',
    );
  let kept = keptBy.get(workspace);
  if (!kept) keptBy.set(workspace, (kept = new Lately(KEPT)));
  const { steps, rescued } = query;
  const state = steps.some(({ sieve }) => sieve.kind === 'verdict')
    ? await verdictState(workspace.database, pool.projectId)
    : '';
  const { clusters, captured, keywords } = await kept.get(
    JSON.stringify([name, steps, rescued, through, state]),
    () => makeClusters(workspace, pool, stack.passes),
  );
  const shown = clusters.slice(query.offset, query.offset + query.limit);
  const texts = await keywordsById(
    workspace.database,
    shown.flatMap(({ members }) => members.slice(0, MOST_MEMBERS).map((i) => pool.ids[i]!)),
  );
  const best = (columns: readonly Uint8Array[], i: number): number | null => {
    const places = columns.map((column) => column[i]!).filter((position) => position > 0);
    return places.length > 0 ? Math.min(...places) : null;
  };
  return {
    total: clusters.length,
    keywords,
    captured,
    targets: pool.targets,
    clusters: shown.map(({ members, volume }) => ({
      volume,
      keywords: members.length,
      best: pool.organic.map((column) => bestAmong(column, members)),
      members: members.slice(0, MOST_MEMBERS).map((i) => ({
        id: pool.ids[i]!,
        text: texts.get(pool.ids[i]!)!.text,
        volume: known(pool.metrics.volume[pool.ids[i]! - pool.base]!),
        best: best(pool.organic, i),
        verdict: VERDICTS[judged.codes[i]!]!,
      })),
    })),
  };
}

const known = (value: number): number | null => (Number.isNaN(value) ? null : value);

/** The best position of one target for any of some keywords; `null` where it has none. */
function bestAmong(column: Uint8Array, members: readonly number[]): number | null {
  let best = 0;
  for (const i of members) if (column[i]! > 0 && (best === 0 || column[i]! < best)) best = column[i]!;
  return best === 0 ? null : best;
}

async function makeClusters(workspace: Workspace, pool: Pool, passes: Uint8Array): Promise<Clustered> {
  const indices = Array.from(passes.keys()).filter((i) => passes[i] === 1);
  const ids = indices.map((i) => pool.ids[i]!);
  const keys = await keywordKeysText(workspace.database, pool.market.id, ids);
  const first = await firstPlaces(workspace, pool, indices);
  const numbers = await inWordWorker('clusters', { first, keys, language: pool.market.language });
  const volumeOf = (i: number): number => pool.metrics.volume[pool.ids[i]! - pool.base]! || 0;
  const byNumber = new Map<number, number[]>();
  indices.forEach((i, n) => {
    const members = byNumber.get(numbers[n]!);
    if (members) members.push(i);
    else byNumber.set(numbers[n]!, [i]);
  });
  const clusters = [...byNumber.values()]
    .map((members) => ({
      members: members.sort((a, b) => volumeOf(b) - volumeOf(a) || a - b),
      volume: members.reduce((sum, i) => sum + volumeOf(i), 0),
    }))
    .sort((a, b) => b.volume - a.volume || a.members[0]! - b.members[0]!);
  const captured = indices.filter((_, n) =>
    first.subarray(n * FIRST, (n + 1) * FIRST).some((place) => place !== 0),
  ).length;
  return { clusters, captured, keywords: indices.length };
}

/** Places of the first ten organic slots of each keyword, of its newest capture on or before the pool's date. */
export async function firstPlaces(
  { database, store }: Workspace,
  pool: Pool,
  indices: readonly number[],
): Promise<Int32Array> {
  const first = new Int32Array(indices.length * FIRST);
  const rowOf = new Int32Array(pool.ids.length).fill(-1);
  indices.forEach((i, n) => (rowOf[i] = n));
  const filter = { marketId: pool.market.id, kind: 'captures' as const, until: pool.date };
  for (const segment of await findSegments(database, filter)) {
    const { keyword, slotStart, slotCount, organic, place } = await captureColumnsOf(store, segment);
    for (let row = 0; row < keyword.length; row++) {
      const i = pool.indexOf[keyword[row]! - pool.base];
      const n = i === undefined || i < 0 ? -1 : rowOf[i]!;
      if (n < 0) continue;
      first.fill(0, n * FIRST, (n + 1) * FIRST);
      for (let slot = slotStart[row]!; slot < slotStart[row]! + slotCount[row]!; slot++) {
        const position = organic[slot]!;
        if (position >= 1 && position <= FIRST) first[n * FIRST + position - 1] = place[slot]!;
      }
    }
  }
  return first;
}
