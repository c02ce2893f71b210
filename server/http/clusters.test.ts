import type { ClusterPage } from '@opsimath/contract/api/sift';
import { closeVariantKey } from '@opsimath/core/text/stems';
import { key } from '@opsimath/core/text/key';
import { DATE, MARKET, OWN, RIVALS, Running } from '../testing/running';

const CAPTURED = 150;
let running: Running;
let at: string;
let lookUp: number;
let pool: { total: number; targets: string[] };
beforeAll(async () => {
  running = await Running.start();
  at = (await running.project()).at;
  const started = await running.api.post(`${at}/look-ups`, {
    market: MARKET,
    date: DATE,
    targets: [OWN, ...RIVALS],
    extent: 'captures',
    captureMost: CAPTURED,
  });
  await running.api.finished(started.job.id);
  lookUp = started.id;
  pool = await running.api.get(`/look-ups/${lookUp}/keywords?limit=1`);
});
afterAll(() => running.stop());

const clusters = (query: object = {}): Promise<ClusterPage> =>
  running.api.post(`/look-ups/${lookUp}/sift/clusters`, { steps: [], limit: 200, ...query });
async function all(): Promise<ClusterPage['clusters']> {
  const found: ClusterPage['clusters'] = [];
  for (;;) {
    const page = await clusters({ offset: found.length });
    found.push(...page.clusters);
    if (found.length >= page.total) return found;
  }
}
/** The first ten organic targets of a keyword, from the services. */
async function firstTen(keyword: string): Promise<Set<string>> {
  const { records, pages } = await running.witness<{
    records: { address: string }[];
    pages: { slots: { kind: string; position: number; record: number }[] }[];
  }>('/result-pages', { market: MARKET, date: DATE, keywords: [keyword] });
  return new Set(
    pages[0]!.slots.flatMap(({ kind, position, record }) =>
      kind === 'organic' && position <= 10 ? [records[record]!.address] : [],
    ),
  );
}

test('every keyword is in one cluster, the most searched first, with what it adds up to', async () => {
  const found = await all();
  const members = found.flatMap((cluster) => cluster.members);
  expect(new Set(members.map(({ id }) => id)).size).toBe(pool.total);
  expect(members).toHaveLength(pool.total);
  const { rows } = await running.api.get(`/look-ups/${lookUp}/keywords?limit=${CAPTURED}&sort=-volume`);
  const { pages } = await running.witness<{ pages: { slots: { kind: string }[] }[] }>('/result-pages', {
    market: MARKET,
    date: DATE,
    keywords: rows.map(({ text }: { text: string }) => text),
  });
  // A page of nothing but ads has nobody to share.
  const answered = pages.filter(({ slots }) => slots.some(({ kind }) => kind === 'organic')).length;
  expect((await clusters()).captured).toBe(answered);
  const volumes = found.map(({ volume }) => volume);
  expect(volumes).toEqual([...volumes].sort((a, b) => b - a));
  for (const cluster of found) {
    expect(cluster.keywords).toBe(cluster.members.length);
    expect(cluster.volume).toBe(cluster.members.reduce((sum, { volume }) => sum + (volume ?? 0), 0));
    const own = cluster.members.map(({ volume }) => volume ?? 0);
    expect(own).toEqual([...own].sort((a, b) => b - a));
    const known = cluster.members.flatMap(({ best }) => best ?? []);
    const best = cluster.best.filter((position) => position !== null);
    expect(best.length > 0 ? Math.min(...best) : null).toBe(known.length > 0 ? Math.min(...known) : null);
  }
});

test('two keywords that are a cluster share enough of their fronts, or their stems', async () => {
  const pairs = (await all()).filter(({ keywords }) => keywords === 2).slice(0, 12);
  expect(pairs.length).toBeGreaterThan(3);
  for (const { members } of pairs) {
    const [a, b] = members.map(({ text }) => text) as [string, string];
    const others = await firstTen(b);
    const shared = [...(await firstTen(a))].filter((address) => others.has(address)).length;
    const sameStems = closeVariantKey(key(a), 'en') === closeVariantKey(key(b), 'en');
    expect(shared >= 4 || sameStems).toBe(true);
  }
});

test('only what comes through the recipe is put together; verdicts are shown on the members', async () => {
  const steps = [
    { id: 'w', on: true, sieve: { kind: 'figure', figure: 'word count', least: 1, most: 2, unknown: false } },
  ];
  const page = await clusters({ steps });
  const members = page.clusters.flatMap((cluster) => cluster.members);
  expect(members.every(({ text }) => text.split(' ').length <= 2)).toBe(true);
  await running.api.post(`${at}/verdicts`, { changes: [{ keyword: members[0]!.id, verdict: 'adjacent' }] });
  const again = await clusters({ steps });
  expect(again.clusters[0]!.members[0]).toMatchObject({ id: members[0]!.id, verdict: 'adjacent' });
});

test('nothing that comes through makes no cluster', async () => {
  const steps = [
    { id: 'v', on: true, sieve: { kind: 'words', mode: 'phrase', text: 'nobody types this', out: false } },
  ];
  expect(await clusters({ steps })).toMatchObject({ total: 0, keywords: 0, clusters: [] });
});
