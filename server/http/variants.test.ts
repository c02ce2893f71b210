import type {
  RecipeStep,
  SiftDifference,
  SiftPage,
  SiftRow,
  Sieve,
  TreeLevel,
} from '@opsimath/contract/api/sift';
import type { OutsidePreview } from '@opsimath/contract/api/outside';
import type { VariantPage } from '@opsimath/contract/api/variants';
import { takeIn } from '../testing/knownPool';
import { DATE, MARKET, OWN, RIVALS, Running } from '../testing/running';

/** Keywords with their volumes, as a brand's own export would give them. */
const GIVEN: [string, number | null][] = [
  ['waterproof panniers', 5000],
  ['waterpoof panniers', 90],
  ['water proof panniers', 800],
  ['panniers waterproof', 700],
  ['alforjas impermeable', 300],
  ['fahrradtasche', 200],
  ['how to pack panniers', 150],
  ['best waterproof panniers', 1200],
  ['tarnwick panniers', 60],
  ['vegan leather pannier', null],
];
let running: Running;
let at: string;
let id: number;
let lookUp: number;
let idOf: Map<string, number>;
beforeAll(async () => {
  running = await Running.start();
  ({ at, id } = await running.project());
  const csv = ['keyword,target,date,organic,volume']
    .concat(GIVEN.map(([text, volume], n) => `${text},north.example/p,${DATE},${n + 1},${volume ?? ''}`))
    .join('\n');
  lookUp = await takeIn(running, at, 'given.csv', csv);
  idOf = new Map((await sift([])).rows.map((row) => [row.text, row.id]));
});
afterAll(() => running.stop());

const named = (text: string): number => idOf.get(text)!;
const sift = (sieves: Sieve[], more: object = {}): Promise<SiftPage> =>
  running.api.post(`/look-ups/${lookUp}/sift`, {
    steps: sieves.map((sieve, n): RecipeStep => ({ id: `s${n}`, on: true, sieve })),
    limit: 500,
    ...more,
  });
const texts = (page: SiftPage): string[] => page.rows.map(({ text }) => text).sort();
const variants = (more: object = {}): Promise<VariantPage> =>
  running.api.post(`/look-ups/${lookUp}/sift/variants`, { steps: [], ...more });
const groups = async (more: object = {}): Promise<string[]> =>
  (await variants(more)).rows.map(
    ({ members, volume }) => `${volume}: ${members.map(({ text, link }) => `${text} (${link})`).join(', ')}`,
  );
const choose = (choices: { keyword: number; under: number | null }[]) =>
  running.api.post(`${at}/variants`, { choices });

describe('groups of variants', () => {
  const WHOLE =
    '6590: waterproof panniers (main), water proof panniers (joined or split), panniers waterproof (close), waterpoof panniers (spelling)';

  test('misspelled, split and turned keywords stand under the right form, with their volume together', async () => {
    expect(await groups()).toEqual([WHOLE]);
    const { keywords, grouped, groups: number } = await variants();
    expect([keywords, grouped, number]).toEqual([GIVEN.length, 4, 1]);
    expect(await groups({ find: 'waterpoof' })).toEqual([WHOLE]);
    expect(await groups({ find: 'vegan' })).toEqual([]);
  });

  test('only what comes through the recipe is grouped', async () => {
    const sieve: Sieve = { kind: 'figure', figure: 'volume', least: 700, most: null, unknown: false };
    expect(await groups({ steps: [{ id: 'v', on: true, sieve }] })).toEqual([
      '6500: waterproof panniers (main), water proof panniers (joined or split), panniers waterproof (close)',
    ]);
  });

  test('split and joined by hand, and taken back by what stood before', async () => {
    const { before } = await choose([
      { keyword: named('panniers waterproof'), under: named('panniers waterproof') },
      { keyword: named('best waterproof panniers'), under: named('waterproof panniers') },
    ]);
    expect(await groups()).toEqual([
      '7090: waterproof panniers (main), best waterproof panniers (by hand), water proof panniers (joined or split), waterpoof panniers (spelling)',
    ]);
    await choose(before);
    expect(await groups()).toEqual([WHOLE]);
  });

  test('a keyword that is not known is refused', async () => {
    await expect(choose([{ keyword: 99_999_999, under: null }])).rejects.toThrow(/not known/);
  });

  test('one of each group can be sieved for', async () => {
    const kept = texts(await sift([{ kind: 'main variants' }]));
    expect(kept).toHaveLength(GIVEN.length - 3);
    expect(kept).toContain('waterproof panniers');
    expect(kept).not.toContain('waterpoof panniers');
  });
});

describe('languages', () => {
  test('each row says its language and how sure that is, and can be sieved by it', async () => {
    const { rows } = await sift([], { languages: true });
    const spoken = new Map(rows.map(({ text, language }) => [text, language]));
    expect(spoken.get('alforjas impermeable')?.code).toBe('es');
    expect(spoken.get('fahrradtasche')?.code).toBe('de');
    expect(spoken.get('waterproof panniers')?.code).toBe('en');
    expect(spoken.get('waterproof panniers')!.confidence).toBeGreaterThan(0.9);
    const foreign = await sift([{ kind: 'language', languages: ['es', 'de'], unknown: false }]);
    expect(texts(foreign)).toEqual(['alforjas impermeable', 'fahrradtasche']);
    const without = (await sift([])).rows[0]!;
    expect(without.language).toBeNull();
  });

  test('a translation stands beside the original, is found, is asked for once, and groups what says the same', async () => {
    const [ask] = [{ keyword: named('alforjas impermeable'), from: 'es' }];
    expect((await variants()).untranslated).toContainEqual(ask);
    const first = await running.api.post(`/look-ups/${lookUp}/translations`, { into: 'en', keywords: [ask] });
    expect(first).toMatchObject({ asked: 1, units: 1 });
    const [{ text }] = first.translations;
    expect(text).toMatch(/waterproof.*pannier|pannier.*waterproof/);
    const again = await running.api.post(`/look-ups/${lookUp}/translations`, { into: 'en', keywords: [ask] });
    expect(again).toMatchObject({ asked: 0, units: 0, translations: first.translations });
    const row = (page: SiftPage): SiftRow => page.rows.find(({ id: of }) => of === ask.keyword)!;
    expect(row(await sift([], { into: 'en' })).translation).toBe(text);
    expect(row(await sift([])).translation).toBeNull();
    expect(texts(await sift([], { find: 'waterproof' }))).toContain('alforjas impermeable');
    expect((await groups())[0]).toContain('alforjas impermeable (translation)');
  });
});

describe('what a search is for', () => {
  test('each row says it with its evidence, and the recipe can ask for it', async () => {
    const rows = new Map((await sift([])).rows.map(({ text, purpose }) => [text, purpose]));
    expect(rows.get('tarnwick panniers')).toEqual({
      purpose: 'seek',
      evidence: '“tarnwick” is a name',
      byHand: false,
    });
    expect(rows.get('how to pack panniers')?.purpose).toBe('learn');
    expect(rows.get('best waterproof panniers')?.purpose).toBe('weigh');
    expect(texts(await sift([{ kind: 'purpose', purposes: ['learn', 'weigh'] }]))).toEqual([
      'best waterproof panniers',
      'how to pack panniers',
    ]);
  });

  test('said by hand it goes before the rules, in the row and in the recipe, until it is taken back', async () => {
    const keyword = named('how to pack panniers');
    const say = (purpose: string | null) =>
      running.api.put(`${at}/keywords/${keyword}/purpose`, { purpose, person: 'Ines' });
    await sift([{ kind: 'purpose', purposes: ['buy'] }]);
    await say('buy');
    const row = async () => (await sift([])).rows.find(({ id: of }) => of === keyword)!.purpose;
    expect(await row()).toMatchObject({
      purpose: 'buy',
      byHand: true,
      evidence: expect.stringContaining('Ines'),
    });
    expect(texts(await sift([{ kind: 'purpose', purposes: ['buy'] }]))).toContain('how to pack panniers');
    expect(texts(await sift([{ kind: 'purpose', purposes: ['learn'] }]))).toEqual([]);
    await say(null);
    expect(await row()).toMatchObject({ purpose: 'learn', byHand: false });
    expect(texts(await sift([{ kind: 'purpose', purposes: ['learn'] }]))).toEqual(['how to pack panniers']);
  });

  test('a project’s own words count, too, and at once', async () => {
    const settings = { purposeWords: { seek: ['vegan leather'], weigh: [], learn: [] } };
    await running.api.patch(at, { settings });
    expect(texts(await sift([{ kind: 'purpose', purposes: ['seek'] }]))).toEqual([
      'tarnwick panniers',
      'vegan leather pannier',
    ]);
    await running.api.patch(at, { settings: { purposeWords: { seek: [], weigh: [], learn: [] } } });
  });
});

test('short keywords are told by the longer ones that hold them', async () => {
  const figure = (least: number): Sieve => ({
    kind: 'figure',
    figure: 'contained in',
    least,
    most: null,
    unknown: false,
  });
  expect(texts(await sift([figure(1)]))).toEqual(['waterproof panniers']);
  expect(texts(await sift([figure(2)]))).toEqual([]);
  const { rows } = await sift([], { contained: true });
  const contained = new Map(rows.map((row) => [row.text, row.contained]));
  expect(contained.get('waterproof panniers')).toEqual({ keywords: 1, volume: 1200 });
  expect(contained.get('fahrradtasche')).toEqual({ keywords: 0, volume: 0 });
  expect((await sift([])).rows[0]!.contained).toBeNull();
});

test('the long-tail: keywords and volume by word count', async () => {
  const { byWords } = await running.api.post(`/look-ups/${lookUp}/sift/words`, { steps: [] });
  const expected = new Map<number, { keywords: number; volume: number }>();
  for (const [text, volume] of GIVEN) {
    const words = text.split(' ').length;
    const entry = expected.get(words) ?? { keywords: 0, volume: 0 };
    expected.set(words, { keywords: entry.keywords + 1, volume: entry.volume + (volume ?? 0) });
  }
  expect(byWords).toEqual(
    [...expected].sort(([a], [b]) => a - b).map(([words, entry]) => ({ words, ...entry })),
  );
});

test('all that comes through is judged at once, and what stood before takes it back', async () => {
  const figure: Sieve = { kind: 'figure', figure: 'volume', least: 700, most: null, unknown: false };
  const query = { steps: [{ id: 'v', on: true, sieve: figure }] };
  const judged = async () => (await sift([figure])).judged;
  const before = await judged();
  const answer = await running.api.post(`/look-ups/${lookUp}/sift/judge`, { query, verdict: 'adjacent' });
  expect(answer.after).toHaveLength(4);
  expect(await judged()).toMatchObject({ adjacent: 4, unjudged: 0 });
  await running.api.post(`${at}/verdicts`, { changes: answer.before });
  expect(await judged()).toEqual(before);
});

describe('words not to be used', () => {
  test('are sieved by level, and who let one in all the same is kept for good', async () => {
    await running.api.post(`${at}/banned-words`, {
      text: 'vegan',
      language: '',
      surface: '',
      level: 'doubtful',
      reason: 'must be proved',
    });
    const doubtful: Sieve = { kind: 'banned words', level: 'doubtful', out: false };
    expect(texts(await sift([doubtful]))).toEqual(['vegan leather pannier']);
    expect(texts(await sift([{ ...doubtful, level: 'forbidden' }]))).toEqual([]);
    expect((await sift([{ ...doubtful, level: 'any', out: true }])).through).toBe(GIVEN.length - 1);
    const keyword = named('vegan leather pannier');
    await running.api.post(`${at}/verdicts`, {
      changes: [{ keyword, verdict: 'fit', reason: 'core use' }],
      person: 'Ines',
    });
    await running.api.post(`${at}/verdicts`, { changes: [{ keyword, verdict: 'unjudged' }] });
    const [list] = await running.api.post(`${at}/lists`, {
      name: 'vegan',
      market: MARKET,
      keywords: [keyword],
    });
    const file = await fetch(`${running.server.url}/api${at}/lists/${list.id}/file?format=csv`);
    expect(await file.text()).toMatch(/vegan \(doubtful\): Ines, \d{4}-\d{2}-\d{2}/);
  });
});

test('a word not to be used is recognised as it is misspelled, joined or split, and only then marked so', async () => {
  const words = await running.api.post(`${at}/banned-words`, {
    text: 'waterproof',
    level: 'forbidden',
    reason: 'not tested to a standard',
  });
  const sieve: Sieve = { kind: 'banned words', level: 'forbidden', out: false };
  const held = (await sift([sieve])).rows.map(({ text, banned }) => [text, banned[0]!.spelled]);
  expect(held.sort()).toEqual([
    ['best waterproof panniers', null],
    ['panniers waterproof', null],
    ['water proof panniers', 'water proof'],
    ['waterpoof panniers', 'waterpoof'],
    ['waterproof panniers', null],
  ]);
  const { id: word } = words.find(({ text }: { text: string }) => text === 'waterproof');
  await running.api.delete(`${at}/banned-words/${word}`);
  expect(
    (await sift([])).rows.flatMap(({ banned }) => banned.filter(({ text }) => text === 'waterproof')),
  ).toEqual([]);
});

describe('the tree of keywords', () => {
  const level = (under: number | null, more: object = {}): Promise<TreeLevel> =>
    running.api.post(`/look-ups/${lookUp}/sift/tree`, { steps: [], under, ...more });

  test('goes from the general to the special, each branch with its keywords and searches', async () => {
    const top = await level(null);
    expect(top.keywords).toBe(GIVEN.length);
    expect(top.rows[0]).toMatchObject({
      text: 'waterproof panniers',
      children: 1,
      branch: 1,
      branchVolume: 6200,
    });
    expect(top.rows.map(({ text }) => text)).not.toContain('best waterproof panniers');
    const below = await level(named('waterproof panniers'));
    expect(below.rows).toMatchObject([
      { text: 'best waterproof panniers', volume: 1200, children: 0, branch: 0 },
    ]);
    // Nothing is lost and nothing stands twice.
    expect(top.rows.reduce((sum, { branch }) => sum + 1 + branch, 0)).toBe(GIVEN.length);
    expect((await level(null, { offset: 1, limit: 2 })).rows).toEqual(top.rows.slice(1, 3));
  });

  test('what does not come through has no place in it', async () => {
    const leave: Sieve = { kind: 'words', mode: 'phrase', text: 'waterproof panniers', out: true };
    const { keywords, rows } = await level(null, { steps: [{ id: 'a', on: true, sieve: leave }] });
    expect([keywords, rows.length]).toEqual([GIVEN.length - 2, GIVEN.length - 2]);
  });
});

test('a changed sieve keeps what was before it, and says what came and went', async () => {
  const step = (least: number): RecipeStep => ({
    id: 'v',
    on: true,
    sieve: { kind: 'figure', figure: 'volume', least, most: null, unknown: true },
  });
  const made = await running.api.post(`${at}/recipes`, { name: 'kept', steps: [step(200)] });
  expect(made.before).toBeNull();
  const named = await running.api.patch(`${at}/recipes/${made.id}`, { name: 'kept still' });
  expect(named.before).toBeNull();
  const recipe = await running.api.patch(`${at}/recipes/${made.id}`, { steps: [step(1000)] });
  expect(recipe.before).toEqual({ steps: [step(200)], rescued: [] });
  const { steps, rescued, before } = recipe;
  const difference: SiftDifference = await running.api.post(`/look-ups/${lookUp}/sift/difference`, {
    steps,
    rescued,
    before,
  });
  expect(difference.went.some.map(({ text, volume }) => `${text}: ${volume}`)).toEqual([
    'water proof panniers: 800',
    'panniers waterproof: 700',
    'alforjas impermeable: 300',
    'fahrradtasche: 200',
  ]);
  expect(difference).toMatchObject({ before: 7, now: 3, came: { total: 0, some: [] }, went: { total: 4 } });
  const back: SiftDifference = await running.api.post(`/look-ups/${lookUp}/sift/difference`, {
    ...before,
    before: { steps, rescued },
  });
  expect(back.came).toEqual(difference.went);
});

describe('markers', () => {
  test('mark rows without deciding, are sieved by, and answer what they changed', async () => {
    const [marker] = await running.api.post(`${at}/markers`, { name: 'ask the maker', shape: 'flag' });
    const [a, b] = [named('fahrradtasche'), named('waterproof panniers')];
    const mark = (keywords: number[], on: boolean) =>
      running.api.post(`${at}/markers/${marker.id}/keywords`, { keywords, on });
    expect((await mark([a!], true)).changed).toEqual([a]);
    expect((await mark([a!, b!], true)).changed).toEqual([b]);
    const sieve: Sieve = { kind: 'marker', marker: marker.id, out: false };
    expect(texts(await sift([sieve]))).toEqual(['fahrradtasche', 'waterproof panniers']);
    const page = await sift([{ ...sieve, out: true }]);
    expect(page.through).toBe(GIVEN.length - 2);
    expect(page.judged.unjudged).toBe(GIVEN.length - 2);
    const row = (await sift([])).rows.find(({ id: of }) => of === a)!;
    expect(row.markers).toEqual([marker.id]);
    expect((await running.api.get(`${at}/markers`))[0]).toMatchObject({ name: 'ask the maker', keywords: 2 });
    expect((await mark([a!, b!], false)).changed.sort()).toEqual([a, b].sort());
    await running.api.delete(`${at}/markers/${marker.id}`);
    expect(await running.api.get(`${at}/markers`)).toEqual([]);
  });
});

describe('a list', () => {
  test('made of a recipe says what making it again would change, and then does', async () => {
    const volume = (least: number): Sieve => ({
      kind: 'figure',
      figure: 'volume',
      least,
      most: null,
      unknown: false,
    });
    await running.api.post(`/look-ups/${lookUp}/sift/list`, {
      name: 'searched',
      query: { steps: [{ id: 'v', on: true, sieve: volume(1000) }] },
    });
    const list = (await running.api.get(`${at}/lists`)).find(
      ({ name }: { name: string }) => name === 'searched',
    );
    expect(list).toMatchObject({ renewable: true, lookUp, keywords: 2, goal: null });
    const address = `${at}/lists/${list.id}`;
    expect(await running.api.get(`${address}/renewal`)).toMatchObject({ added: 0, gone: 0 });
    await running.api.patch(address, {
      remove: [named('waterproof panniers')],
      add: [named('fahrradtasche')],
      goal: 5,
    });
    expect(await running.api.get(`${address}/renewal`)).toEqual({
      added: 1,
      gone: 1,
      comes: [{ id: named('waterproof panniers'), text: 'waterproof panniers' }],
      goes: [{ id: named('fahrradtasche'), text: 'fahrradtasche' }],
    });
    await running.api.post(`${address}/renewal`, { person: 'Ines' });
    const renewed = (await running.api.get(`${at}/lists`)).find(
      ({ id: of }: { id: number }) => of === list.id,
    );
    expect(renewed).toMatchObject({ keywords: 2, goal: 5, judged: { unjudged: 2, fit: 0 } });
    expect(renewed.history.at(-1)).toMatchObject({ person: 'Ines', what: '2 keywords became 2' });
    const file = await fetch(`${running.server.url}/api${address}/file?format=csv`);
    const [heads] = (await file.text()).split('\n');
    for (const head of [
      'north.example organic position',
      'purpose',
      'language',
      'verdict',
      'CPC low (USD a click)',
    ])
      expect(heads).toContain(head);
  });

  test('put together by hand cannot be made again, and says so', async () => {
    const [first] = (
      await running.api.post(`${at}/lists`, {
        name: 'by hand',
        market: MARKET,
        keywords: [named('fahrradtasche')],
      })
    ).slice(-1);
    await expect(running.api.get(`${at}/lists/${first.id}/renewal`)).rejects.toThrow(/by hand/);
  });
});

test('phrases that were combined of words say so, with figures where there are any', async () => {
  const ask = { market: MARKET, date: DATE, extent: 'metrics', combined: true };
  const started = await running.api.post(`${at}/look-ups`, {
    ...ask,
    keywords: ['frame bag', 'bag frame quux'],
  });
  await running.api.finished(started.job.id);
  const page = await running.api.get(`/look-ups/${started.id}/keywords?sort=given`);
  expect(page.rows.map(({ text, found }: { text: string; found: string[] }) => [text, found])).toEqual([
    ['frame bag', ['combined']],
    ['bag frame quux', ['combined']],
  ]);
  expect(page.rows[0].volume).toBeGreaterThan(0);
});

test('nearness and exact rivals come from captured fronts; without one they are unknown and kept', async () => {
  const started = await running.api.post(`${at}/look-ups`, {
    market: MARKET,
    date: DATE,
    targets: [OWN, ...RIVALS],
    extent: 'captures',
    captureMost: 40,
  });
  await running.api.finished(started.job.id);
  await running.api.post(`${at}/targets/refresh`, {}).catch(() => null);
  const through = async (sieve: Sieve): Promise<number> =>
    (
      await running.api.post(`/look-ups/${started.id}/sift`, {
        steps: [{ id: 'n', on: true, sieve }],
        limit: 1,
      })
    ).through;
  for (const figure of ['exact rivals', 'nearness'] as const) {
    const bounds = (least: number | null, most: number | null, unknown: boolean): Sieve => ({
      kind: 'figure',
      figure,
      least,
      most,
      unknown,
    });
    const known = await through(bounds(0, null, false));
    const all = await through(bounds(0, null, true));
    expect(all).toBeGreaterThan(known);
    if (figure === 'exact rivals') {
      expect(known).toBeGreaterThanOrEqual(40);
      expect(await through(bounds(0, 10, false))).toBe(known);
    } else expect(await through(bounds(0, 1, false))).toBe(known);
  }
});

describe('a table worked on outside', () => {
  const bring = (body: string | Buffer): Promise<OutsidePreview> =>
    running.api.upload(`${at}/outside?market=${MARKET}`, body);

  test('comes back as what it would change, with what cannot be matched, and changes nothing by itself', async () => {
    const [marker] = await running.api.post(`${at}/markers`, { name: 'later', shape: 'wave' });
    const [a, b] = [named('fahrradtasche'), named('how to pack panniers')];
    await running.api.post(`${at}/verdicts`, {
      changes: [{ keyword: b, verdict: 'off', reason: 'too broad' }],
    });
    const lists = await running.api.post(`${at}/lists`, { name: 'out', market: MARKET, keywords: [a, b] });
    const list = lists.at(-1).id;
    const file = async (): Promise<string> =>
      (await fetch(`${running.server.url}/api${at}/lists/${list}/file?format=csv`)).text();
    expect(await bring(await file())).toMatchObject({ rows: 2, unchanged: 2, unmatched: [], verdicts: [] });
    const xlsx = await fetch(`${running.server.url}/api${at}/lists/${list}/file?format=xlsx`);
    expect(await bring(Buffer.from(await xlsx.arrayBuffer()))).toMatchObject({ rows: 2, unchanged: 2 });

    const written = await file();
    await running.api.post(`${at}/verdicts`, {
      changes: [{ keyword: b, verdict: 'adjacent' }],
      person: 'Bo',
    });
    const table = [
      'Keyword;Market;Verdict;Reason;Judged at;Markers;New note',
      `Fahrradtasche;${MARKET};fit;core use;;later;sells in spring`,
      `how to pack panniers;${MARKET};off;too broad;${/\d{4}-\d\d-\d\dT[\d:.]+Z/.exec(written)![0]};;`,
      `never heard of;${MARKET};fit;;;;`,
      `dry bag;web-de-de;fit;;;;`,
      `alforjas impermeable;${MARKET};perhaps;;;nobody;`,
      '',
    ].join('\n');
    const preview = await bring(table);
    expect(preview.verdicts).toMatchObject([
      { text: 'Fahrradtasche', after: { verdict: 'fit', reason: 'core use' }, newer: false },
      { before: { verdict: 'adjacent', person: 'Bo' }, after: { verdict: 'off' }, newer: true },
    ]);
    expect(preview.notes).toMatchObject([{ keyword: a, note: 'sells in spring' }]);
    expect(preview.markers).toEqual([{ marker: marker.id, name: 'later', on: [a], off: [] }]);
    expect(preview.unmatched.map(({ line, why }) => `${line}: ${why}`)).toEqual([
      expect.stringMatching(/^4: no such keyword/),
      '5: it is of the market web-de-de',
      expect.stringMatching(/^6: “perhaps” is no verdict/),
    ]);
    const { rows } = await sift([]);
    expect(rows.find(({ id: of }) => of === a)).toMatchObject({ verdict: 'unjudged', markers: [] });
  });

  test('markers whose name holds a comma and notes come back as they were written; what was added is a new note', async () => {
    const keyword = named('fahrradtasche');
    const markers = await running.api.post(`${at}/markers`, { name: 'soon, but small', shape: 'star' });
    const marker = markers.find(({ name }: { name: string }) => name === 'soon, but small').id;
    await running.api.post(`${at}/markers/${marker}/keywords`, { keywords: [keyword], on: true });
    await running.api.post(`${at}/notes`, {
      subject: { on: 'keyword', keyword },
      text: '=too dear;\nask again',
      person: 'Ines',
    });
    const lists = await running.api.post(`${at}/lists`, {
      name: 'noted',
      market: MARKET,
      keywords: [keyword],
    });
    const file = `${running.server.url}/api${at}/lists/${lists.at(-1).id}/file?format=csv`;
    const written = await (await fetch(file)).text();
    expect(written).toContain('soon, but small');
    expect(await bring(written)).toMatchObject({ unchanged: 1, notes: [], markers: [], unmatched: [] });
    const added = written.replace(/ask again \(Ines, [\d-]+\)/, (note) => `${note}; rather in May`);
    expect(added).not.toBe(written);
    expect(await bring(added)).toMatchObject({ notes: [{ keyword, note: 'rather in May' }], markers: [] });
  });

  test.each([
    ['nothing', ''],
    ['no keyword column', 'word,verdict\nbike bag,fit\n'],
    ['no text', Buffer.from([0, 1, 2, 3, 0, 255, 254, 0, 7, 0, 0, 1])],
  ])('%s is refused in words', async (_, body) => {
    await expect(bring(body)).rejects.toThrow(/empty|headed|not a text table|cannot be read/);
  });
});

test('an archive brings markers, choices, purposes said by hand, leaves and renewable lists back', async () => {
  await running.api.put(`${at}/keywords/${named('how to pack panniers')}/purpose`, { purpose: 'buy' });
  const marker = (await running.api.post(`${at}/markers`, { name: 'kept', shape: 'star' })).at(-1);
  await running.api.post(`${at}/markers/${marker.id}/keywords`, {
    keywords: [named('fahrradtasche')],
    on: true,
  });
  await choose([{ keyword: named('fahrradtasche'), under: named('waterproof panniers') }]);
  const archive = await fetch(`${running.server.url}/api/projects/${id}/archive`);
  const { project: next, job } = await running.api.upload(
    '/archives',
    Buffer.from(await archive.arrayBuffer()),
  );
  await running.api.finished(job.id);
  const there = `/projects/${next.id}`;
  expect(await running.api.get(`${there}/markers`)).toContainEqual(
    expect.objectContaining({ name: 'kept', keywords: 1 }),
  );
  const lists = await running.api.get(`${there}/lists`);
  const searched = lists.find(({ name }: { name: string }) => name === 'searched');
  expect(await running.api.get(`${there}/lists/${searched.id}/renewal`)).toMatchObject({ added: 0, gone: 0 });
  const again = (await running.api.get(`${there}/look-ups`)).find(
    ({ name }: { name: string }) => name === 'given.csv',
  );
  const sifted: SiftPage = await running.api.post(`/look-ups/${again.id}/sift`, { steps: [], limit: 500 });
  expect(sifted.rows.find(({ text }) => text === 'how to pack panniers')!.purpose).toMatchObject({
    purpose: 'buy',
    byHand: true,
  });
  const page: VariantPage = await running.api.post(`/look-ups/${again.id}/sift/variants`, { steps: [] });
  expect(page.rows[0]!.members.map(({ text, link }) => `${text} (${link})`)).toContain(
    'fahrradtasche (by hand)',
  );
});
