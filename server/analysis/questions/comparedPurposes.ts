import { filled } from '../facts/columnMaps';
import type { Workspace } from '../kept/workspace';
import { openPool } from '../pool/pool';
import { purposesWithSaid } from '../sift/purposes';
import type { Comparison } from '../comparison/comparison';

/**
 * One bit for the purpose of each compared keyword, in the order of PURPOSES, as Sift reads it in the pool of a
 * look-up: what is dear there, and what its result pages hold. 0 for a keyword that is not of the pool.
 */
export async function comparedPurposes(
  workspace: Workspace,
  { keywords }: Comparison,
  lookUp: number,
): Promise<Uint8Array> {
  const named = await openPool(workspace, lookUp);
  const codes = await purposesWithSaid(workspace, named);
  const bitOf = new Map<number, number>();
  named.pool.ids.forEach((id, i) => bitOf.set(id, 1 << codes[i]!));
  return filled(new Uint8Array(keywords.length), (i) => {
    const id = keywords[i]!;
    return bitOf.get(id) ?? 0;
  });
}
