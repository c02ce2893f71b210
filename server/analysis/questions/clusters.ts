import type { ClusterPage, clusterQuery } from '@opsimath/contract/api/sift';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { FIRST } from '@opsimath/core/sift/clusters';
import type { z } from 'zod';
import { keywordKeysText } from '../../data/keywordKeys';
import { keywordsById } from '../../data/keywords';
import { KnownProblem } from '../../problems/problem';
import { inWordWorker } from '../words/inWordWorker';
import type { Pool } from '../pool/pool';
import { openSift } from '../sift/openSift';
import { firstPlaces } from '../facts/firstPlaces';
import { contentName } from '../kept/contentName';
import type { Workspace } from '../kept/workspace';

/** More keywords than this are narrowed by the recipe first. */
const MOST_KEYWORDS = 50_000;
const MOST_MEMBERS = 200;

interface Clustered {
  /** Pool indices, most searched first, by cluster; the largest volume first. */
  clusters: { members: number[]; volume: number }[];
  captured: number;
  keywords: number;
}

/** What comes through a recipe in clusters (method §10), the most searched first. */
export async function clusterPage(
  workspace: Workspace,
  lookUpId: number,
  query: z.output<typeof clusterQuery>,
): Promise<ClusterPage> {
  const { pool, name, revisions, judged, stack } = await openSift(workspace, lookUpId, query);
  const through = stack.counts.at(-1)?.out ?? pool.ids.length;
  if (through > MOST_KEYWORDS)
    throw new KnownProblem(
      'too-many-for-clusters',
      `${through} keywords come through; clusters are made of up to ${MOST_KEYWORDS}.`,
      'Narrow them by a sieve first.',
    );
  const { clusters, captured, keywords } = await workspace.keep(
    'clusters',
    revisions,
    [name, contentName(stack.passes)],
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
  const first = await firstPlaces(workspace.store, pool.captures, ids);
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
