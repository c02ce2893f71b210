import type { Sieve } from '@opsimath/contract/api/sift';
import { FIRST, clusterKeywords } from '@opsimath/core/sift/clusters';
import type { api } from '../scripts/api.mjs';
import { type Measured, once } from './measure';

const CLUSTERED = 20_000;
const VARIANTS = 100_000;

/** What is worked out over the words of a large pool: frequencies, spellings, clusters. */
export async function measureWords(
  opsimath: ReturnType<typeof api>,
  lookUp: number,
  say: (text: string) => void,
): Promise<Measured[]> {
  const at = `/look-ups/${lookUp}/sift`;
  const volume = (least: number): Sieve => ({
    kind: 'figure',
    figure: 'volume',
    least,
    most: null,
    unknown: true,
  });
  const through = async (least: number): Promise<number> =>
    (await opsimath.post(at, { steps: [{ id: 'v', on: true, sieve: volume(least) }], limit: 1 })).through;
  // The lowest limit that lets no more through than variants are found among.
  let [low, high] = [0, 70_000];
  while (low + 1 < high) {
    const middle = (low + high) >> 1;
    if ((await through(middle)) > VARIANTS) low = middle;
    else high = middle;
  }
  const narrowed = { steps: [{ id: 'v', on: true, sieve: volume(high) }] };
  say(`Variants among ${await through(high)} keywords`);
  return [
    await once('frequencies of words of 1,000,000 keywords, counted between questions', 4000, async () => {
      for (;;) {
        const { done } = await opsimath.post(`${at}/words`, { steps: [], limit: 1 });
        if (done === 1) return;
        await new Promise((resolve) => setTimeout(resolve, 50));
      }
    }),
    await once('spelling and close variants of 100,000 keywords', 10_000, () =>
      opsimath.post(`${at}/variants`, { ...narrowed, limit: 1 }),
    ),
    await once('the same again', null, () => opsimath.post(`${at}/variants`, { ...narrowed, limit: 50 })),
    await once('clusters of 20,000 keywords with captures', 5000, async () => {
      const { first, keys } = capturedKeywords();
      clusterKeywords(first, keys, 'en');
    }),
  ];
}

/** Keywords in families that share most of their first ten, as those of one topic do. */
function capturedKeywords(): { first: Int32Array; keys: string[] } {
  const first = new Int32Array(CLUSTERED * FIRST);
  const keys: string[] = [];
  let state = 11;
  const draw = (below: number): number => {
    state = (Math.imul(state, 1103515245) + 12345) >>> 0;
    return Math.floor((state / 4294967296) * below);
  };
  for (let n = 0; n < CLUSTERED; n++) {
    const family = draw(CLUSTERED / 25);
    keys.push(`keyword ${n}`);
    for (let place = 0; place < FIRST; place++)
      first[n * FIRST + place] = 1 + (draw(10) < 7 ? family * 14 + draw(14) : draw(60_000));
  }
  return { first, keys };
}
