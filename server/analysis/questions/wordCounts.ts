import type { WordCountsPage, wordCountsQuery } from '@opsimath/contract/api/sift';
import type { Gram } from '@opsimath/core/text/grams';
import { key } from '@opsimath/core/text/key';
import { isStopWord } from '@opsimath/core/text/stems';
import type { z } from 'zod';
import { keywordKeysText } from '../../data/keywordKeys';
import { inWordWorker } from '../words/inWordWorker';
import type { Pool } from '../pool/pool';
import { openSift } from '../sift/openSift';
import { contentName } from '../kept/contentName';
import type { Workspace } from '../kept/workspace';

/** Of so many keywords one must hold a run of words for it to be listed. */
const RARE = 20_000;
/** It is done when the answer is there. */
const ALMOST = 0.99;

interface Counting {
  /** 0–1. */
  done: number;
  grams: Gram[] | null;
  failed?: Error;
  keywords: number;
}

/**
 * Frequencies of words among what comes through a recipe. They are counted on a thread of their own: until that is
 * ended the answer says how far it is. Afterwards they are kept.
 */
export async function wordCounts(
  workspace: Workspace,
  lookUpId: number,
  query: z.output<typeof wordCountsQuery>,
): Promise<WordCountsPage> {
  const { pool, name, revisions, stack } = await openSift(workspace, lookUpId, query);
  const asked = [name, contentName(stack.passes)];
  const counting = await workspace.keep('word counts', revisions, asked, async () => {
    const indices = Array.from(stack.passes.keys()).filter((i) => stack.passes[i] === 1);
    const ids = indices.map((i) => pool.ids[i]!);
    const begun: Counting = { done: 0, grams: null, keywords: indices.length };
    const counted = inWordWorker(
      'counts',
      {
        keys: await keywordKeysText(workspace.database, pool.market.id, ids),
        volumes: Float64Array.from(ids, (id) => pool.metrics.volume[id - pool.base]!),
        least: Math.max(2, Math.ceil(ids.length / RARE)),
      },
      (done) => (begun.done = Math.min(done, ALMOST)),
    );
    void counted.then(
      (grams) => (begun.grams = grams),
      (error: Error) => (begun.failed = error),
    );
    return begun;
  });
  if (counting.failed) {
    workspace.forget('word counts', revisions, asked);
    throw counting.failed;
  }
  const byWords = countByWords(pool, stack.passes);
  if (counting.grams === null)
    return { done: counting.done, keywords: counting.keywords, total: 0, rows: [], byWords };
  const sought = key(query.find);
  const matching = counting.grams.filter(
    ({ text, length }) =>
      length === query.length &&
      (query.fillers || !text.split(' ').every((word) => isStopWord(word, pool.market.language))) &&
      text.includes(sought),
  );
  const sorted = query.sort === 'volume' ? matching.sort((a, b) => b.volume - a.volume) : matching;
  return {
    done: 1,
    keywords: counting.keywords,
    total: sorted.length,
    rows: sorted.slice(query.offset, query.offset + query.limit),
    byWords,
  };
}

const MOST_WORDS = 8;

/** Keywords and their searches a month by how many words they have. */
function countByWords({ ids, base, words, metrics }: Pool, passes: Uint8Array): WordCountsPage['byWords'] {
  const keywords = new Int32Array(MOST_WORDS + 1);
  const volumes = new Float64Array(MOST_WORDS + 1);
  for (let i = 0; i < passes.length; i++) {
    if (passes[i] === 0) continue;
    const count = Math.min(MOST_WORDS, words[i]!);
    keywords[count]!++;
    const volume = metrics.volume[ids[i]! - base]!;
    if (volume === volume) volumes[count]! += volume;
  }
  return Array.from(keywords, (count, n) => ({ words: n, keywords: count, volume: volumes[n]! })).filter(
    (entry) => entry.keywords > 0,
  );
}
