import type { CombinedPhrases, combinedQuery } from '@opsimath/contract/api/combined';
import { phrasesOf, possiblePhrases } from '@opsimath/core/text/combine';
import { key } from '@opsimath/core/text/key';
import type { z } from 'zod';
import { findIds } from '../../data/keywords';
import type { Workspace } from '../kept/workspace';
import { openPool } from '../pool/pool';

const MOST = 500;
/** So many at a time are looked for among the keywords held, and no more than so many in all. */
const CHUNK = 1000;
const MOST_TRIED = 50_000;

/** Phrases of chosen words that are not in a pool yet, whatever its size; short ones first. */
export async function combined(
  workspace: Workspace,
  lookUpId: number,
  { words, ...how }: z.output<typeof combinedQuery>,
): Promise<CombinedPhrases> {
  const { pool } = await openPool(workspace, lookUpId);
  const parts = words.map(key);
  const found = phrasesOf(parts, { ...how, most: Math.max(how.least, how.most) });
  const phrases: string[] = [];
  let held = 0;
  for (let tried = 0; phrases.length < MOST && tried < MOST_TRIED; tried += CHUNK) {
    const chunk = [...take(found, CHUNK)];
    const ids = await findIds(workspace.database, pool.market.id, chunk);
    chunk.forEach((phrase, n) => {
      const at = pool.indexOf[ids[n]! - pool.base];
      if (at !== undefined && at >= 0) held++;
      else if (phrases.length < MOST) phrases.push(phrase);
    });
    if (chunk.length < CHUNK) break;
  }
  return { phrases, possible: possiblePhrases(parts, { ...how, most: Math.max(how.least, how.most) }), held };
}

/** The next few of a generator, which goes on where it stopped. */
function* take<T>(generator: Generator<T, void>, most: number): Generator<T, void> {
  for (let n = 0; n < most; n++) {
    const next = generator.next();
    if (next.done) return;
    yield next.value;
  }
}
