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
  const codeOf = new Map<number, number>();
  named.pool.ids.forEach((id, i) => codeOf.set(id, codes[i]!));
  return filled(new Uint8Array(keywords.length), (i) => {
    const code = codeOf.get(keywords[i]!);
    return code === undefined ? 0 : 1 << code;
  });
}
