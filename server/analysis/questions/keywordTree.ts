import type { TreeLevel, treeQuery } from '@opsimath/contract/api/sift';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import type { z } from 'zod';
import { keywordKeysText } from '../../data/keywordKeys';
import { keywordsById } from '../../data/keywords';
import { KnownProblem } from '../../problems/problem';
import { contentName } from '../kept/contentName';
import { inWordWorker } from '../words/inWordWorker';
import type { Pool } from '../pool/pool';
import { openSift } from '../sift/openSift';
import type { Workspace } from '../kept/workspace';

const MOST_KEYWORDS = 300_000;

/** What came through, each keyword under the longest one contained in it. Numbers are places in `indices`. */
interface Tree {
  indices: readonly number[];
  /** By keyword; the last entry holds those at the top. Most searched branch first. */
  children: number[][];
  branch: Int32Array;
  branchVolume: Float64Array;
}

/** One level of the tree of what comes through a recipe, from the general to the special. */
export async function keywordTree(
  workspace: Workspace,
  lookUpId: number,
  query: z.output<typeof treeQuery>,
): Promise<TreeLevel> {
  const { pool, name, revisions, judged, stack } = await openSift(workspace, lookUpId, query);
  const indices = Array.from(stack.passes.keys()).filter((i) => stack.passes[i] === 1);
  if (indices.length > MOST_KEYWORDS)
    throw new KnownProblem(
      'too-many-for-tree',
      `${indices.length} keywords come through; a tree is made of up to ${MOST_KEYWORDS}.`,
      'Narrow them by a sieve first.',
    );
  const tree = await workspace.keep('tree', revisions, [name, contentName(stack.passes)], () =>
    grow(workspace, pool, indices),
  );
  const at = query.under === null ? indices.length : indices.findIndex((i) => pool.ids[i] === query.under);
  const level = tree.children[at] ?? [];
  const shown = level.slice(query.offset, query.offset + query.limit);
  const texts = await keywordsById(
    workspace.database,
    shown.map((n) => pool.ids[indices[n]!]!),
  );
  return {
    keywords: indices.length,
    total: level.length,
    rows: shown.map((n) => {
      const i = indices[n]!;
      const id = pool.ids[i]!;
      const volume = pool.metrics.volume[id - pool.base]!;
      return {
        id,
        text: texts.get(id)!.text,
        volume: Number.isNaN(volume) ? null : volume,
        verdict: VERDICTS[judged.codes[i]!]!,
        children: tree.children[n]!.length,
        branch: tree.branch[n]!,
        branchVolume: tree.branchVolume[n]!,
      };
    }),
  };
}

async function grow(workspace: Workspace, pool: Pool, indices: readonly number[]): Promise<Tree> {
  const ids = indices.map((i) => pool.ids[i]!);
  const volumes = Float64Array.from(ids, (id) => pool.metrics.volume[id - pool.base]!);
  const { parents } = await inWordWorker('containing', {
    keys: await keywordKeysText(workspace.database, pool.market.id, ids),
    volumes,
  });
  const children: number[][] = Array.from({ length: ids.length + 1 }, () => []);
  const branch = new Int32Array(ids.length);
  const branchVolume = volumes.map((volume) => volume || 0);
  parents.forEach((parent, n) => {
    children[parent < 0 ? ids.length : parent]!.push(n);
    // A parent is shorter than its child, so that this ends.
    for (let above = parent; above >= 0; above = parents[above]!) {
      branch[above]!++;
      branchVolume[above]! += volumes[n]! || 0;
    }
  });
  for (const level of children) level.sort((a, b) => branchVolume[b]! - branchVolume[a]! || a - b);
  return { indices, children, branch, branchVolume };
}
