import type { SiftQueryRead } from '@opsimath/contract/api/sift';
import { VERDICTS, sieveProblem } from '@opsimath/core/sift/sieve';
import { type StackResult, runStack } from '@opsimath/core/sift/stack';
import { verdictColumns } from '../../data/verdicts';
import { type NamedPool, type Pool, openPool } from '../pool/pool';
import type { Workspace } from '../kept/workspace';
import { SIEVE_GROUNDS, sievePasses } from './sieves';
import { type Judged, indicesOf } from './judged';

const UNJUDGED = VERDICTS.indexOf('unjudged');

export type SiftAsked = Pick<SiftQueryRead, 'steps' | 'rescued'>;
export interface Opened extends NamedPool {
  judged: Judged;
  stack: StackResult;
}

/** A pool as it runs through a recipe, with what has been judged. */
export async function openSift(
  workspace: Workspace,
  lookUpId: number,
  { steps, rescued }: SiftAsked,
): Promise<Opened> {
  const named = await openPool(workspace, lookUpId);
  const { pool, name, revisions } = named;
  const judged = await judgedOf(workspace, pool);
  const passes: (Uint8Array | null)[] = [];
  for (const { on, sieve } of steps) {
    passes.push(
      !on || sieveProblem(sieve) !== null
        ? null
        : await workspace.keep(
            'sieve',
            revisions,
            [name, sieve],
            () => sievePasses(workspace, named, sieve, judged),
            SIEVE_GROUNDS[sieve.kind],
          ),
    );
  }
  const marks = rescued.length === 0 ? null : new Uint8Array(pool.ids.length);
  if (marks) for (const i of indicesOf(pool, rescued)) marks[i] = 1;
  return { ...named, judged, stack: runStack(pool.ids.length, passes, marks) };
}

async function judgedOf(workspace: Workspace, pool: Pool): Promise<Judged> {
  const { ids, codes, parked } = await verdictColumns(workspace.database, pool.projectId, pool.market.id);
  const judged = {
    codes: new Uint8Array(pool.ids.length).fill(UNJUDGED),
    parked: new Uint8Array(pool.ids.length),
  };
  ids.forEach((id, n) => {
    const i = pool.indexOf[id - pool.base];
    if (i === undefined || i < 0) return;
    judged.codes[i] = codes[n]!;
    judged.parked[i] = parked[n]!;
  });
  return judged;
}
