import { DATE, MARKET, OWN, Running } from '../testing/running';

let running: Running;
let at: string;
beforeAll(async () => {
  running = await Running.start(['--source-timeout', '1500']);
  at = (await running.project()).at;
});
afterAll(() => running.stop());

const order = (over: object) => ({ market: MARKET, date: DATE, extent: 'positions', ...over });
async function run(over: object) {
  const started = await running.api.post(`${at}/look-ups`, order(over));
  await running.api.finished(started.job.id);
  return running.api.get(`/look-ups/${started.id}`);
}
async function poolOf(id: number, query = '') {
  return running.api.get(`/look-ups/${id}/keywords?limit=500${query}`);
}
const texts = (pool: { rows: { text: string }[] }): string[] => pool.rows.map((row) => row.text);
async function search(text: string, mode: string): Promise<string[]> {
  const query = new URLSearchParams({ market: MARKET, date: DATE, text, mode });
  return (await running.witness<{ keywords: string[] }>(`/keyword-matches?${query}`)).keywords;
}

test('suggestions, phrase and all words make one pool in which every keyword says where it came from', async () => {
  const lookUp = await run({
    seeds: [' Bike  Bags, frame bags\n'],
    ways: ['suggestions', 'phrase', 'all words'],
  });
  const pool = await poolOf(lookUp.id);
  const expected = new Set<string>();
  for (const seed of ['bike bags', 'frame bags']) {
    for (const text of [...(await search(seed, 'phrase')), ...(await search(seed, 'all words'))])
      expected.add(text);
    for (const prefix of [seed, `${seed} `]) {
      const query = new URLSearchParams({ market: MARKET, date: DATE, prefix });
      const { suggestions } = await running.witness<{ suggestions: string[] }>(`/suggestions?${query}`);
      for (const text of suggestions) if (text !== seed) expected.add(text);
    }
  }
  expect(new Set(texts(pool))).toEqual(expected);
  expect(texts({ rows: pool.seeds })).toEqual(['bike bags', 'frame bags']);
  for (const { by, keywords, only } of pool.sources) {
    const holding = pool.rows.filter((row: { found: string[] }) => row.found.includes(by));
    expect([by, keywords, only]).toEqual([
      by,
      holding.length,
      holding.filter((row: { found: string[] }) => row.found.length === 1).length,
    ]);
  }
  const onlyPhrase = await poolOf(lookUp.id, '&foundBy=phrase');
  expect(new Set(texts(onlyPhrase))).toEqual(
    new Set([...(await search('bike bags', 'phrase')), ...(await search('frame bags', 'phrase'))]),
  );
});

test('each mode is counted for every seed keyword before one is chosen, and any word brings what was counted', async () => {
  const seeds = ['saddle bag', 'frame bags'];
  const { seeds: counted } = await running.api.post(`${at}/look-ups/mode-counts`, {
    market: MARKET,
    date: DATE,
    seeds,
  });
  for (const [n, seed] of seeds.entries()) {
    const each = async (mode: string): Promise<number> => {
      const query = new URLSearchParams({ market: MARKET, date: DATE, text: seed, mode });
      return (await running.witness<{ total: number }>(`/keyword-matches?${query}`)).total;
    };
    const modes = ['phrase', 'all words', 'any word'];
    const totals = await Promise.all(modes.map(each));
    expect(counted[n]).toEqual({
      seed,
      counts: modes.map((mode, m) => ({ mode, keywords: totals[m] })),
    });
  }
  const lookUp = await run({ seeds: ['saddle bag'], ways: ['any word'] });
  const [{ counts }] = counted;
  expect(lookUp.keywords).toBe(counts[2].keywords);
  const pool = await poolOf(lookUp.id);
  for (const text of texts(pool)) expect(text).toMatch(/\b(saddle|bag)\b/);
  expect(pool.sources).toMatchObject([{ by: 'any word', keywords: pool.all }]);
});

test('one letter more asks for every letter of the market and keeps each proposal once', async () => {
  const lookUp = await run({ market: 'web-de-de', seeds: ['packtaschen'], ways: ['one letter more'] });
  const pool = await poolOf(lookUp.id);
  expect(pool.total).toBeGreaterThan(3);
  expect(new Set(texts(pool)).size).toBe(pool.rows.length);
  for (const text of texts(pool)) expect(text).toMatch(/^packtaschen \S/);
});

test('also ranked for counts how many of the first ten rank, and says of how many', async () => {
  const lookUp = await run({ seeds: ['panniers'], ways: ['also ranked'] });
  const pool = await poolOf(lookUp.id, '&sort=-appearances,-volume');
  expect(pool.lookedUpOfTen).toBe(10);
  const page = await running.witness<{
    records: { address: string }[];
    pages: { slots: { kind: string; position: number; record: number }[] }[];
  }>('/result-pages', { market: MARKET, date: DATE, keywords: ['panniers'] });
  const first = page.pages[0]!.slots.filter((slot) => slot.kind === 'organic' && slot.position <= 10).map(
    (slot) => page.records[slot.record]!.address,
  );
  const appearances = new Map<string, number>();
  for (const address of first) {
    const ranked = new Set(
      (await running.witnessRankings(address))
        .filter((row) => row.organic !== null)
        .map((row) => row.keyword),
    );
    for (const keyword of ranked) appearances.set(keyword, (appearances.get(keyword) ?? 0) + 1);
  }
  // All ten stand on the seed keyword's own front, whatever their look-ups name.
  appearances.set('panniers', 10);
  const found = pool.rows.map((row: { text: string; appearances: number }) => [row.text, row.appearances]);
  expect(pool.total).toBe(appearances.size);
  for (const [text, count] of found) expect([text, appearances.get(text)]).toEqual([text, count]);
  const counts = found.map(([, count]: [string, number]) => count);
  expect(counts).toEqual([...counts].sort((a, b) => b - a));
});

test('spellings are those that somebody really types', async () => {
  const lookUp = await run({ seeds: ['panniers'], ways: ['spellings'], extent: 'metrics' });
  const pool = await poolOf(lookUp.id);
  const known = await running.witness<{ rows: { keyword: string }[] }>('/metrics', {
    market: MARKET,
    date: DATE,
    keywords: ['pannier', 'paniers', 'panniers', 'panier', 'pannierss', 'spanners'],
  });
  expect(texts(pool)).toEqual(
    known.rows.map(({ keyword }) => keyword).filter((keyword) => ['pannier', 'paniers'].includes(keyword)),
  );
  for (const row of pool.rows) expect(row.volume).not.toBeNull();
});

test('words of the front count the targets that use them', async () => {
  const market = 'video-us-en';
  const seed = 'panniers';
  const lookUp = await run({ market, seeds: [seed], ways: ['words of the front'] });
  const pool = await poolOf(lookUp.id, '&sort=-appearances');
  const page = await running.witness<{
    records: { address: string }[];
    pages: { slots: { kind: string; position: number; record: number }[] }[];
  }>('/result-pages', { market, date: DATE, keywords: [seed] });
  const uses = new Map<string, number>();
  for (const slot of page.pages[0]!.slots.filter(
    (entry) => entry.kind === 'organic' && entry.position <= 10,
  )) {
    const query = new URLSearchParams({ market, date: DATE, target: page.records[slot.record]!.address });
    const { record } = await running.witness<{ record: { fields: { tags: string } } }>(`/records?${query}`);
    for (const tag of new Set(record.fields.tags.split('\n'))) uses.set(tag, (uses.get(tag) ?? 0) + 1);
  }
  const shared = [...uses].filter(([, count]) => count > 1);
  expect(shared.length).toBeGreaterThan(0);
  for (const [tag, count] of shared) {
    const row = pool.rows.find((entry: { text: string }) => entry.text === tag);
    // A tag may stand in a title too.
    expect([tag, row.uses >= count]).toEqual([tag, true]);
  }
});

test('a list gets its figures in its own order, with nothing added', async () => {
  const keywords = ['frame bag', 'nobody ever typed this', 'PANNIERS', '???', 'bike bag'];
  const lookUp = await run({ keywords, extent: 'metrics' });
  const pool = await poolOf(lookUp.id, '&sort=given');
  expect(texts(pool).map((text) => text.toLowerCase())).toEqual([
    'frame bag',
    'nobody ever typed this',
    'panniers',
    'bike bag',
  ]);
  expect(pool.rows[1].volume).toBeNull();
  expect(lookUp.parts[0].message).toBe(
    '1 line holds no letter or number (“???”); 1 line has no figures (“nobody ever typed this”)',
  );
});

test('related keywords that share no word with the seed keyword', async () => {
  const lookUp = await run({ seeds: ['frame bag'], ways: ['also ranked'] });
  const pool = await poolOf(lookUp.id, '&without=frame+bag');
  expect(pool.total).toBeGreaterThan(0);
  for (const text of texts(pool)) expect(text).not.toMatch(/\b(frame|bag)s?\b/);
});

test('several orders in a row, and whole words in each mode', async () => {
  const lookUp = await run({ targets: ['pikewater.example'], extent: 'metrics' });
  const rows = (await poolOf(lookUp.id, '&sort=words,-volume,keyword')).rows as {
    text: string;
    words: number;
    volume: number | null;
  }[];
  const sorted = [...rows].sort(
    (a, b) => a.words - b.words || (b.volume ?? -1) - (a.volume ?? -1) || (a.text < b.text ? -1 : 1),
  );
  expect(rows).toEqual(sorted);
  const all = (await poolOf(lookUp.id)).total;
  const count = async (mode: string): Promise<number> =>
    (await poolOf(lookUp.id, `&words=${encodeURIComponent('Bike Bags')}&mode=${encodeURIComponent(mode)}`))
      .total;
  const [phrase, allWords, anyWord] = [
    await count('phrase'),
    await count('all words'),
    await count('any word'),
  ];
  expect(phrase).toBeGreaterThan(0);
  expect(phrase).toBeLessThanOrEqual(allWords);
  expect(allWords).toBeLessThan(anyWord);
  expect(anyWord).toBeLessThan(all);
});

test.each([
  ['video-us-en', 'vidlantern.example/on/tarnwick', 'channel keywords'],
  ['marketplace-us-en', 'https://www.Stallbridge.example/stall/Tarnwick/', 'phrases of the target'],
])('on %s a parent is looked up with its own words', async (market, target, words) => {
  const lookUp = await run({ market, targets: [target], words: [words] });
  const pool = await poolOf(lookUp.id, '&sort=-sources');
  const address = target.replace('https://www.', '').toLowerCase().replace(/\/$/, '');
  expect(lookUp.targets).toMatchObject([{ address, state: 'done' }]);
  const query = new URLSearchParams({ market, date: DATE, target: address });
  const { count } = await running.witness<{ count: number }>(`/rankings/count?${query}`);
  expect(lookUp.targets[0].rows).toBe(count);
  expect(pool.sources.map(({ by }: { by: string }) => by)).toEqual(
    expect.arrayContaining(['organic', words]),
  );
});

test('two look-ups of the same at once pay once and store once', async () => {
  const spent = async (): Promise<number> => (await running.witness<{ spent: number }>('/allowance')).spent;
  const before = await spent();
  const asked = order({ targets: ['dunmarrow.example'], extent: 'metrics' });
  const both = await Promise.all([
    running.api.post(`${at}/look-ups`, asked),
    running.api.post(`${at}/look-ups`, asked),
  ]);
  for (const { job } of both) await running.api.finished(job.id);
  const [one, two] = await Promise.all(both.map(({ id }) => running.api.get(`/look-ups/${id}`)));
  expect(one.units + two.units).toBe((await spent()) - before);
  expect(Math.min(one.units, two.units)).toBe(0);
  expect((await poolOf(one.id)).rows).toEqual((await poolOf(two.id)).rows);
});

test('the price is exact when everything before it is held, and topping up costs the difference', async () => {
  const asked = { targets: ['brackenrow.example'] };
  await run(asked);
  const price = await running.api.post(`${at}/look-ups/price`, order({ ...asked, extent: 'metrics' }));
  expect(price.parts[0]).toMatchObject({ held: true, units: 0 });
  const topped = await run({ ...asked, extent: 'metrics' });
  expect(topped.units).toBe(price.units);
  const again = await running.api.post(`${at}/look-ups/price`, order({ ...asked, extent: 'metrics' }));
  expect(again.units).toBe(0);
});

test('a look-up again at another date is stored beside the old one, and what came and went is told', async () => {
  const early = await run({ date: '2025-12-14', targets: [OWN] });
  const again = await running.api.post(`/look-ups/${early.id}/again`, { date: DATE });
  await running.api.finished(again.job.id);
  const change = await running.api.get(`/look-ups/${again.id}/change?against=${early.id}&most=1000`);
  const keywordsOn = async (date: string) =>
    new Set((await running.witnessRankings(OWN, date)).map((row) => row.keyword));
  const [before, after] = [await keywordsOn('2025-12-14'), await keywordsOn(DATE)];
  const only = (a: Set<string>, b: Set<string>) => [...a].filter((keyword) => !b.has(keyword)).sort();
  const told = (which: string) =>
    change.rows
      .filter((row: { change: string }) => row.change === which)
      .map((row: { text: string }) => row.text)
      .sort();
  expect(told('came')).toEqual(only(after, before));
  expect(told('went')).toEqual(only(before, after));
  expect(change).toMatchObject({ from: '2025-12-14', to: DATE, came: told('came').length });
  expect((await poolOf(early.id)).total).toBe(before.size);
});

const FAULTS = {
  timeout: { timeout: 0.2 },
  'too many': { tooMany: 0.2 },
  'server error': { serverError: 0.2 },
  'truncated answers': { truncated: 0.2 },
  'a page repeated': { repeatedPage: 0.2 },
  'a page missing': { missingPage: 0.2 },
  'impossible rows': { impossibleRow: 0.2 },
  'all together': {
    timeout: 0.05,
    tooMany: 0.2,
    serverError: 0.2,
    truncated: 0.2,
    repeatedPage: 0.2,
    missingPage: 0.2,
    impossibleRow: 0.2,
  },
};
const SOUGHT = Object.fromEntries(
  Object.keys(FAULTS).map((name, i) => [
    name,
    [
      'quillmere.example',
      'ostrandel.example',
      'velkthorne.example',
      'murrenholt.example',
      'larkhollow.example',
      'grindelow.example',
      'hexleyloom.example',
      'wheelbarrowe.example',
    ][i]!,
  ]),
);
test.each(Object.entries(FAULTS))(
  'through %s at 20 % a look-up ends with the same pool, or says what is missing and fetches just that',
  async (name, rates) => {
    const target = SOUGHT[name]!;
    const expected = new Set((await running.witnessRankings(target)).map((row) => row.keyword));
    await running.faults({ ...rates, seed: 5 });
    try {
      const started = await running.api.post(
        `${at}/look-ups`,
        order({ targets: [target], extent: 'metrics' }),
      );
      await running.api.finished(started.job.id).catch(async (error: Error) => {
        expect(error.message).toMatch(/Missing: keywords of|did not answer|left out a page/);
        await running.faults({});
        await running.api.post(`/jobs/${started.job.id}/resume`);
        await running.api.finished(started.job.id);
      });
      const { total } = await poolOf(started.id);
      expect(total).toBe(expected.size);
      const { targets } = await running.api.get(`/look-ups/${started.id}`);
      expect(targets[0]).toMatchObject({ state: 'done' });
    } finally {
      await running.faults({});
    }
  },
);

test('a list of keywords whose figures are held costs nothing; only those that are missing are paid', async () => {
  const { at } = await running.project();
  const held = ['bike bags', 'panniers', 'frame bag'];
  const first = await running.api.post(`${at}/look-ups`, order({ keywords: held, extent: 'metrics' }));
  await running.api.finished(first.job.id);
  const again = await running.api.post(`${at}/look-ups/price`, order({ keywords: held, extent: 'metrics' }));
  expect(again).toMatchObject({ units: 0, parts: [{ what: 'search volumes', held: true }] });
  const missing = Array.from({ length: 101 }, (_, i) => `never asked for ${i}`);
  const more = await running.api.post(
    `${at}/look-ups/price`,
    order({ keywords: [...held, ...missing], extent: 'metrics' }),
  );
  expect(more.units).toBe(2);
});
