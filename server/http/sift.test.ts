import { key, words } from '@opsimath/core/text/key';
import type { KeywordList } from '@opsimath/contract/api/lists';
import type { RecipeStep, SiftPage, SiftRow, Sieve } from '@opsimath/contract/api/sift';
import { DATES, type Known, SIZE, TARGETS, asCsv, makeTable, takeIn } from '../testing/knownPool';
import { MARKET, Running } from '../testing/running';

const table = makeTable(3);
let running: Running;
let at: string;
let lookUp: number;
/** Keyword ids by text. */
let idOf: Map<string, number>;
beforeAll(async () => {
  running = await Running.start();
  at = (await running.project()).at;
  lookUp = await takeIn(running, at, 'known.csv', asCsv(table, DATES[0]!));
  const { rows } = await sift([], { limit: 500 });
  idOf = new Map(rows.map(({ text, id }) => [text, id]));
});
afterAll(() => running.stop());

let made = 0;
const step = (sieve: Sieve, on = true): RecipeStep => ({ id: `s${made++}`, on, sieve });
const sift = (steps: RecipeStep[], more: object = {}): Promise<SiftPage> =>
  running.api.post(`/look-ups/${lookUp}/sift`, { steps, limit: 500, ...more });
const judge = (changes: object[], person = 'Ines') => running.api.post(`${at}/verdicts`, { changes, person });
const texts = (rows: readonly { text: string }[]): string[] => rows.map(({ text }) => text).sort();

/** What a sieve lets through, keyword by keyword. */
function lets({ text, volume, organic, paid }: Known, sieve: Sieve): boolean {
  const own = words(key(text));
  const within = (
    figure: number | null,
    { least, most, unknown }: { least: number | null; most: number | null; unknown: boolean },
  ): boolean => (figure === null ? unknown : figure >= (least ?? figure) && figure <= (most ?? figure));
  switch (sieve.kind) {
    case 'words': {
      const sought = words(key(sieve.text));
      const holds =
        sieve.mode === 'phrase'
          ? ` ${key(text)} `.includes(` ${key(sieve.text)} `)
          : sieve.mode === 'pattern'
            ? new RegExp(`^${sieve.text.replaceAll('*', '.*').replaceAll('?', '.')}$`, 'u').test(key(text))
            : sieve.mode === 'all words'
              ? sought.every((word) => own.includes(word))
              : sought.some((word) => own.includes(word));
      return holds !== sieve.out;
    }
    case 'figure':
      if (sieve.figure === 'volume') return within(volume, sieve);
      return sieve.figure === 'word count' ? within(own.length, sieve) : sieve.unknown;
    case 'position':
      return within(organic[TARGETS.indexOf(sieve.target)] ?? null, sieve);
    case 'ranked by':
      return (
        organic.filter((position) => position !== null && position <= sieve.within).length >= sieve.atLeast
      );
    case 'found':
      return sieve.ways.some((way) =>
        way === 'import'
          ? true
          : (way === 'organic' ? organic : way === 'paid' ? paid : []).some((p) => p !== null),
      );
    case 'trend':
      return sieve.unknown;
    default:
      throw new Error('judged elsewhere');
  }
}
const limits = (least: number | null, most: number | null, unknown: boolean) => ({ least, most, unknown });
const SIEVES: Sieve[] = [
  { kind: 'words', mode: 'phrase', text: 'bike bag', out: false },
  { kind: 'words', mode: 'all words', text: 'bag bike', out: false },
  { kind: 'words', mode: 'any word', text: 'Rain, Für', out: false },
  { kind: 'words', mode: 'any word', text: 'cover', out: true },
  { kind: 'words', mode: 'pattern', text: 'b*g*', out: false },
  { kind: 'words', mode: 'pattern', text: 'ba? *', out: true },
  { kind: 'figure', figure: 'volume', ...limits(100, 300, false) },
  { kind: 'figure', figure: 'volume', ...limits(null, 200, true) },
  { kind: 'figure', figure: 'word count', ...limits(2, 3, false) },
  { kind: 'figure', figure: 'difficulty', ...limits(null, 40, true) },
  { kind: 'figure', figure: 'CPC', ...limits(1, null, false) },
  { kind: 'position', target: TARGETS[1]!, ...limits(1, 20, false) },
  { kind: 'position', target: TARGETS[0]!, ...limits(50, null, true) },
  { kind: 'position', target: 'nobody.example', ...limits(1, null, true) },
  { kind: 'ranked by', atLeast: 2, within: 100 },
  { kind: 'ranked by', atLeast: 1, within: 10 },
  { kind: 'found', ways: ['paid'] },
  { kind: 'found', ways: ['organic', 'paid'] },
  { kind: 'trend', trends: ['rising'], unknown: true },
];

test('without sieves nothing is hidden', async () => {
  const page = await sift([]);
  expect(page).toMatchObject({ all: SIZE, through: SIZE, total: SIZE, steps: [] });
  expect(texts(page.rows)).toEqual(texts(table));
});

test.each(SIEVES.map((sieve) => [JSON.stringify(sieve), sieve] as const))('%s', async (_, sieve) => {
  const page = await sift([step(sieve)]);
  const expected = table.filter((row) => lets(row, sieve));
  expect(texts(page.rows)).toEqual(texts(expected));
  expect(page.steps[0]).toMatchObject({ in: SIZE, out: expected.length, problem: null });
});

test('a stack of them: counts in and out of each, and what each removed, most searched first', async () => {
  const stack = [SIEVES[3]!, SIEVES[7]!, SIEVES[14]!];
  const steps = [step(stack[0]!), step(SIEVES[0]!, false), step(stack[1]!), step(stack[2]!)];
  const page = await sift(steps);
  let alive: Known[] = [...table];
  for (const [n, { on, sieve }] of steps.entries()) {
    const next = on ? alive.filter((row) => lets(row, sieve)) : alive;
    expect(page.steps[n]).toMatchObject({ in: alive.length, out: next.length });
    const removed = await running.api.post(`/look-ups/${lookUp}/sift/removed`, {
      steps,
      step: n,
      limit: 500,
    });
    expect(removed.total).toBe(alive.length - next.length);
    expect(texts(removed.rows)).toEqual(texts(alive.filter((row) => !next.includes(row))));
    const volumes = removed.rows.map(({ volume }: SiftRow) => volume ?? -1);
    expect(volumes).toEqual([...volumes].sort((a: number, b: number) => b - a));
    alive = next;
  }
  expect(texts(page.rows)).toEqual(texts(alive));
  const pages: SiftRow[] = [];
  for (let offset = 0; offset < page.total; offset += 7)
    pages.push(...(await sift(steps, { limit: 7, offset, sort: 'keyword' })).rows);
  expect(pages.map(({ text }) => text)).toEqual(
    (await sift(steps, { sort: 'keyword' })).rows.map(({ text }) => text),
  );
});

test('a rescued keyword comes through every sieve and says so; the find is no sieve', async () => {
  const [victim] = table.filter((row) => !lets(row, SIEVES[0]!));
  const rescued = [idOf.get(victim!.text)!];
  const page = await sift([step(SIEVES[0]!)], { rescued });
  const row = page.rows.find(({ text }) => text === victim!.text);
  expect(row).toMatchObject({ rescued: true });
  expect(page.rows.filter((entry) => entry.rescued)).toHaveLength(1);
  const found = await sift([step(SIEVES[0]!)], { rescued, find: 'frame' });
  expect(found.through).toBe(page.through);
  expect(texts(found.rows)).toEqual(texts(page.rows.filter(({ text }) => text.includes('frame'))));
});

test.each<[string, Sieve, RegExp]>([
  ['a least above the most', { kind: 'figure', figure: 'volume', ...limits(5, 2, true) }, /above the most/],
  ['no word', { kind: 'words', mode: 'phrase', text: ' !! ', out: false }, /Type a word/],
  ['a broken pattern', { kind: 'words', mode: 'pattern', text: 'bag[', out: false }, /pattern/],
])('%s is said in place, and the recipe keeps working', async (_, broken, reason) => {
  const page = await sift([step(broken), step(SIEVES[8]!)]);
  expect(page.steps[0]).toMatchObject({ in: SIZE, out: SIZE, problem: expect.stringMatching(reason) });
  expect(texts(page.rows)).toEqual(texts(table.filter((row) => lets(row, SIEVES[8]!))));
});

describe('verdicts', () => {
  const some = table.slice(10, 16).map(({ text }) => text);
  const ids = (): number[] => some.map((text) => idOf.get(text)!);
  afterEach(() => judge(ids().map((keyword) => ({ keyword, verdict: 'unjudged' }))));

  test('stay whatever the recipe becomes, are counted among what comes through, and can be sieved by', async () => {
    const [a, b, c, d] = ids();
    await judge([
      { keyword: a, verdict: 'fit' },
      { keyword: b, verdict: 'adjacent', reason: 'complement' },
      { keyword: c, verdict: 'off' },
      { keyword: d, verdict: 'unjudged', parked: true },
    ]);
    const { judged, rows } = await sift([]);
    const volumeOf = (text: string): number => table.find((row) => row.text === text)!.volume ?? 0;
    expect(judged).toEqual({
      fit: 1,
      adjacent: 1,
      off: 1,
      parked: 1,
      unjudged: SIZE - 4,
      fitVolume: volumeOf(some[0]!),
    });
    expect(rows.find(({ id }) => id === b)).toMatchObject({
      verdict: 'adjacent',
      reason: 'complement',
      person: 'Ines',
    });
    expect(rows.find(({ id }) => id === d)).toMatchObject({ verdict: 'unjudged', parked: true });
    const judgedOnly = await sift([step({ kind: 'verdict', verdicts: ['fit', 'off'] })]);
    expect(judgedOnly.rows.map(({ id }) => id).sort()).toEqual([a, c].sort());
  });

  test('what stood before comes with the answer, so that every step can be taken back', async () => {
    const [a, b] = ids();
    await judge([{ keyword: a, verdict: 'fit', reason: 'core use' }]);
    const { before, after } = await judge(
      [
        { keyword: a, verdict: 'off' },
        { keyword: b, verdict: 'fit' },
      ],
      'Otto',
    );
    expect(before).toMatchObject([
      { keyword: a, verdict: 'fit', reason: 'core use', person: 'Ines' },
      { keyword: b, verdict: 'unjudged' },
    ]);
    expect(after).toMatchObject([{ verdict: 'off', person: 'Otto' }, { verdict: 'fit' }]);
    await judge(before);
    const { judged } = await sift([]);
    expect(judged).toMatchObject({ fit: 1, off: 0, adjacent: 0 });
  });

  test('a keyword that is not known is refused and nothing is judged', async () => {
    await expect(
      judge([
        { keyword: ids()[0], verdict: 'fit' },
        { keyword: 99_999_999, verdict: 'fit' },
      ]),
    ).rejects.toThrow(/not known/);
    expect((await sift([])).judged.fit).toBe(0);
  });

  test('two people judging at once lose nothing, and a step that takes much searched fits says which', async () => {
    const all = ids();
    await Promise.all(
      all.map((keyword, n) => judge([{ keyword, verdict: n % 2 ? 'fit' : 'adjacent' }], `p${n}`)),
    );
    const { judged, rows } = await sift([]);
    expect(judged).toMatchObject({ fit: 3, adjacent: 3 });
    const fits = rows.filter(({ verdict }) => verdict === 'fit');
    const page = await sift([step({ kind: 'verdict', verdicts: ['adjacent', 'unjudged'] })], {
      goal: SIZE - 2,
    });
    expect(texts(page.steps[0]!.takesFits)).toEqual(texts(fits));
    expect(page.steps[0]).toMatchObject({ belowGoal: true });
  });

  test('belong to their project', async () => {
    await judge([{ keyword: ids()[0], verdict: 'fit' }]);
    const other = await running.project();
    const elsewhere = await takeIn(running, other.at, 'again.csv', asCsv(table, DATES[0]!));
    const page: SiftPage = await running.api.post(`/look-ups/${elsewhere}/sift`, { steps: [] });
    expect(page.judged.fit).toBe(0);
  });
});

describe('words among what comes through', () => {
  interface Counts {
    done: number;
    keywords: number;
    total: number;
    rows: { text: string; length: number; keywords: number; volume: number }[];
  }
  async function counted(query: object): Promise<Counts> {
    for (;;) {
      const page: Counts = await running.api.post(`/look-ups/${lookUp}/sift/words`, { limit: 500, ...query });
      if (page.done === 1) return page;
    }
  }
  /** Keywords that hold a run of words, and their volume. */
  function holding(rows: readonly Known[], run: string): { keywords: number; volume: number } {
    const held = rows.filter(({ text }) => ` ${key(text)} `.includes(` ${run} `));
    return { keywords: held.length, volume: held.reduce((sum, { volume }) => sum + (volume ?? 0), 0) };
  }

  test.each([1, 2, 3])('runs of %d words, each as often as keywords hold it', async (length) => {
    const page = await counted({ steps: [], length, fillers: true });
    expect(page.keywords).toBe(SIZE);
    expect(page.rows).toHaveLength(page.total);
    for (const row of page.rows) expect(row).toEqual({ text: row.text, length, ...holding(table, row.text) });
    const runs = new Set(
      table.flatMap(({ text }) => {
        const own = words(key(text));
        return own.slice(0, own.length - length + 1).map((_, at) => own.slice(at, at + length).join(' '));
      }),
    );
    const expected = [...runs].filter((run) => holding(table, run).keywords >= 2);
    expect(texts(page.rows)).toEqual(expected.sort());
  });

  test('only of what the recipe lets through; sorted by volume on request; found by a piece', async () => {
    const steps = [step(SIEVES[8]!)];
    const through = table.filter((row) => lets(row, SIEVES[8]!));
    const page = await counted({ steps, sort: 'volume' });
    expect(page.keywords).toBe(through.length);
    for (const row of page.rows) expect(row).toMatchObject(holding(through, row.text));
    const volumes = page.rows.map(({ volume }) => volume);
    expect(volumes).toEqual([...volumes].sort((a, b) => b - a));
    const found = await counted({ steps, find: 'BA' });
    expect(texts(found.rows)).toEqual(['bag', 'bags']);
  });
});

describe('recipes', () => {
  test('are kept with all they say, changed, listed by their last change, and taken away', async () => {
    const steps = [step(SIEVES[0]!), step(SIEVES[6]!, false)];
    const first = await running.api.post(`${at}/recipes`, { name: 'Bags', steps, rescued: [1, 2], goal: 30 });
    const second = await running.api.post(`${at}/recipes`, { name: 'Empty' });
    expect(second).toMatchObject({ steps: [], rescued: [], goal: 50 });
    const changed = await running.api.patch(`${at}/recipes/${first.id}`, { name: 'Small bags', rescued: [] });
    expect(changed).toMatchObject({ name: 'Small bags', steps, rescued: [], goal: 30 });
    const listed: { name: string }[] = await running.api.get(`${at}/recipes`);
    expect(listed.map(({ name }) => name)).toEqual(['Small bags', 'Empty']);
    expect(await running.api.delete(`${at}/recipes/${first.id}`)).toMatchObject([{ name: 'Empty' }]);
    await expect(running.api.patch(`${at}/recipes/${first.id}`, { goal: 4 })).rejects.toThrow(/no recipe/);
  });
});

describe('lists', () => {
  const listNamed = (lists: KeywordList[], name: string): KeywordList =>
    lists.find((list) => list.name === name)!;
  const keywordsOf = async (list: number): Promise<number[]> =>
    (await running.api.get(`${at}/lists/${list}/keywords`)).keywords;

  test('phrases of chosen words are offered only where the pool does not hold them', async () => {
    const words = [...new Set(table.flatMap(({ text }) => key(text).split(' ')))].slice(0, 6);
    const held = new Set(table.map(({ text }) => key(text)));
    const ask = { words, least: 2, most: 3, anyOrder: true };
    const { phrases, possible, held: known } = await running.api.post(`/look-ups/${lookUp}/combined`, ask);
    expect(possible).toBe(6 * 5 + 6 * 5 * 4);
    expect(phrases.length + known).toBe(possible);
    expect(phrases.filter((phrase: string) => held.has(phrase))).toEqual([]);
    const inPool = [...held].filter((text) => {
      const own = text.split(' ');
      return (
        [2, 3].includes(own.length) && own.length === new Set(own).size && own.every((w) => words.includes(w))
      );
    });
    expect(known).toBe(inPool.length);
  });

  test('what comes through a recipe becomes a list that knows where it came from; lists are combined', async () => {
    const query = (sieve: Sieve) => ({ steps: [step(sieve)] });
    const make = async (name: string, sieve: Sieve): Promise<KeywordList> =>
      listNamed(
        await running.api.post(`/look-ups/${lookUp}/sift/list`, {
          name,
          query: query(sieve),
          origin: 'known.csv through Bags',
          person: 'Ines',
        }),
        name,
      );
    const bags = await make('bags', SIEVES[2]!);
    const short = await make('short', SIEVES[8]!);
    const expected = (holds: (row: Known) => boolean): number[] =>
      table.flatMap((row) => (holds(row) ? [idOf.get(row.text)!] : [])).sort((a, b) => a - b);
    const inBags = (row: Known): boolean => lets(row, SIEVES[2]!);
    const inShort = (row: Known): boolean => lets(row, SIEVES[8]!);
    expect(await keywordsOf(bags.id)).toEqual(expected(inBags));
    expect(bags).toMatchObject({
      market: MARKET,
      origin: 'known.csv through Bags',
      keywords: expected(inBags).length,
      volume: table.filter(inBags).reduce((sum, { volume }) => sum + (volume ?? 0), 0),
      history: [{ person: 'Ines', what: `made with ${expected(inBags).length} keywords` }],
    });
    for (const [how, holds] of [
      ['union', (row: Known) => inBags(row) || inShort(row)],
      ['intersection', (row: Known) => inBags(row) && inShort(row)],
      ['difference', (row: Known) => inBags(row) && !inShort(row)],
    ] as const) {
      const lists = await running.api.post(`${at}/lists/combine`, {
        name: how,
        lists: [bags.id, short.id],
        how,
      });
      expect(await keywordsOf(listNamed(lists, how).id)).toEqual(expected(holds));
      expect(listNamed(lists, how).origin).toContain('“bags”');
    }
    const page = await sift([step({ kind: 'list', list: bags.id, out: true })]);
    expect(texts(page.rows)).toEqual(texts(table.filter((row) => !inBags(row))));
  });

  test.each(['csv', 'json'])(
    'a list goes out as %s with verdicts and notes, most searched first',
    async (format) => {
      const some = table.slice(30, 34);
      const ids = some.map(({ text }) => idOf.get(text)!);
      await judge([{ keyword: ids[0], verdict: 'fit', reason: 'core use' }]);
      await running.api.post(`${at}/notes`, {
        subject: { on: 'keyword', keyword: ids[0] },
        text: 'a note',
        person: 'Ines',
      });
      const made: KeywordList[] = await running.api.post(`${at}/lists`, {
        name: `file ${format}`,
        market: MARKET,
        keywords: ids,
      });
      const { id } = listNamed(made, `file ${format}`);
      const file = await fetch(`${running.server.url}/api${at}/lists/${id}/file?format=${format}`);
      expect(file.headers.get('content-disposition')).toContain(`file ${format}.${format}`);
      const content = await file.text();
      for (const { text } of some) expect(content).toContain(text);
      expect(content).toMatch(/core use/);
      expect(content).toMatch(/a note \(Ines, \d{4}-\d\d-\d\d\)/);
      const order = [...some].sort((a, b) => (b.volume ?? -1) - (a.volume ?? -1));
      expect(content.indexOf(order[0]!.text)).toBeLessThan(content.indexOf(order.at(-1)!.text));
      await judge([{ keyword: ids[0], verdict: 'unjudged' }]);
    },
  );

  test('a locked list changes in nothing; who changed what is kept', async () => {
    const [a, b, c] = table.slice(0, 3).map(({ text }) => idOf.get(text)!);
    const made: KeywordList[] = await running.api.post(`${at}/lists`, {
      name: 'kept',
      market: MARKET,
      keywords: [a, b, a],
    });
    const { id } = listNamed(made, 'kept');
    await running.api.patch(`${at}/lists/${id}`, { locked: true, person: 'Otto' });
    await expect(running.api.patch(`${at}/lists/${id}`, { add: [c] })).rejects.toThrow(/locked/);
    await expect(running.api.delete(`${at}/lists/${id}`)).rejects.toThrow(/locked/);
    await running.api.patch(`${at}/lists/${id}`, { locked: false });
    const lists: KeywordList[] = await running.api.patch(`${at}/lists/${id}`, {
      add: [c],
      remove: [a],
      name: 'held',
    });
    expect(await keywordsOf(id)).toEqual([b, c].sort((x, y) => x! - y!));
    expect(listNamed(lists, 'held').history.map(({ person, what }) => [person, what])).toEqual([
      ['', 'made with 2 keywords'],
      ['Otto', 'locked'],
      ['', 'unlocked'],
      ['', 'renamed from “kept”, 2 keywords became 2'],
    ]);
    await running.api.delete(`${at}/lists/${id}`);
    await expect(keywordsOf(id)).rejects.toThrow(/no list/);
  });
});

test('an archive brings recipes, verdicts and lists back to the same keywords', async () => {
  const project = await running.project();
  const pool = await takeIn(running, project.at, 'archived.csv', asCsv(table, DATES[0]!));
  const [a, b] = table.slice(0, 2).map(({ text }) => idOf.get(text)!);
  await running.api.post(`${project.at}/verdicts`, {
    changes: [{ keyword: a, verdict: 'fit', reason: 'core use' }],
  });
  const [list] = await running.api.post(`${project.at}/lists`, {
    name: 'both',
    market: MARKET,
    keywords: [a, b],
  });
  await running.api.post(`${project.at}/recipes`, {
    name: 'R',
    rescued: [b],
    steps: [step({ kind: 'list', list: list.id, out: false }), step(SIEVES[1]!)],
  });
  const archive = await fetch(`${running.server.url}/api/projects/${project.id}/archive`);
  const { project: next, job } = await running.api.upload(
    '/archives',
    Buffer.from(await archive.arrayBuffer()),
  );
  await running.api.finished(job.id);
  const [recipe] = await running.api.get(`/projects/${next.id}/recipes`);
  const [again] = (await running.api.get(`/projects/${next.id}/look-ups`)).filter(
    ({ name }: { name: string }) => name === 'archived.csv',
  );
  const asked = (
    id: number,
    { steps, rescued }: { steps: RecipeStep[]; rescued: number[] },
  ): Promise<SiftPage> => running.api.post(`/look-ups/${id}/sift`, { steps, rescued, limit: 500 });
  const [original] = await running.api.get(`${project.at}/recipes`);
  const [before, after] = [await asked(pool, original), await asked(again.id, recipe)];
  expect(texts(after.rows)).toEqual(texts(before.rows));
  expect(after.judged).toEqual(before.judged);
  expect(after.steps).toEqual(before.steps);
});
