import type { GapGroups, GapPage, GapRow } from '@opsimath/contract/api/gaps';
import { heldName } from '@opsimath/contract/api/gapQuery';
import type { SiftPage } from '@opsimath/contract/api/sift';
import { PURPOSES, type Purpose } from '@opsimath/core/sift/purpose';
import ExcelJS from 'exceljs';
import { ACTIONS } from '@opsimath/core/gap/action';
import { reason } from '@opsimath/core/gap/reason';
import { DEPTH_BANDS } from '@opsimath/core/ranking/position';
import { key } from '@opsimath/core/text/key';
import { closeVariantKey } from '@opsimath/core/text/stems';
import { PAGE_KINDS, pageKind } from '@opsimath/core/text/pageKind';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { BEFORE, DATE, MARKET, Running } from '../testing/running';

const SCOPE = `market=${MARKET}&date=${DATE}&compare=${BEFORE}`;
let running: Running;
let at: string;
let all: GapRow[];
let page: GapPage;

const gaps = (more: Record<string, string | number> = {}): Promise<GapPage> =>
  running.api.get(
    `${at}/gaps?${SCOPE}&limit=500&${new URLSearchParams(Object.entries(more).map(([name, value]) => [name, String(value)]))}`,
  );
const ids = (rows: readonly { id: number }[]): number[] => rows.map(({ id }) => id).sort((a, b) => a - b);

beforeAll(async () => {
  running = await Running.start();
  at = (await running.project()).at;
  await running.compared(at, 200);
  page = await gaps();
  all = page.rows;
  for (let offset = 500; offset < page.total; offset += 500) all.push(...(await gaps({ offset })).rows);
  const judged = all.slice(0, 6).map(({ id }, n) => ({ keyword: id, verdict: n % 2 ? 'off' : 'fit' }));
  await running.api.post(`${at}/verdicts`, { changes: judged });
  page = await gaps();
  all = [...page.rows];
  for (let offset = 500; offset < page.total; offset += 500) all.push(...(await gaps({ offset })).rows);
});
afterAll(() => running.stop());

const kindOf = ({ ownAddress }: GapRow): string | null => (ownAddress === null ? null : pageKind(ownAddress));
const bandOf = ({ own }: GapRow): string =>
  typeof own === 'string'
    ? own
    : own <= 3
      ? '1–3'
      : own <= 10
        ? '4–10'
        : own <= 20
          ? '11–20'
          : own <= 50
            ? '21–50'
            : '51–100';

test('each count says how many there would be, and choosing it gives just those', async () => {
  const front = (row: GapRow, rival: number): boolean =>
    typeof row.rivals[rival] === 'number' && row.rivals[rival] <= page.front;
  const groups: [string, number[], readonly string[], (row: GapRow, n: number) => boolean][] = [
    ['bands', page.totals.bands, DEPTH_BANDS, (row, n) => bandOf(row) === DEPTH_BANDS[n]],
    ['actions', page.totals.actions, ACTIONS, (row, n) => row.action === ACTIONS[n]],
    ['verdicts', page.totals.verdicts, VERDICTS, (row, n) => row.verdict === VERDICTS[n]],
    ['pageKinds', page.totals.pageKinds, PAGE_KINDS, (row, n) => kindOf(row) === PAGE_KINDS[n]],
    ['rivals', page.totals.rivals, page.rivals.map(({ id }) => String(id)), front],
  ];
  const targets: { name: string; side: string }[] = await running.api.get(`${at}/targets`);
  const holds = ({ text }: GapRow, side: string): boolean =>
    targets.some((target) => target.side === side && ` ${key(text)} `.includes(` ${key(target.name)} `));
  const named = ['own', 'rival'];
  groups.push([
    'names',
    page.totals.names,
    heldName.options,
    (row, n) => (n < 2 ? holds(row, named[n]!) : !named.some((side) => holds(row, side))),
  ]);
  // Each of the three is there to be chosen.
  expect(page.totals.names.every((count) => count > 0)).toBe(true);
  for (const [name, counts, values, belongs] of groups)
    for (const [n, value] of values.entries()) {
      const wanted = all.filter((row) => belongs(row, n));
      expect([name, value, counts[n]]).toEqual([name, value, wanted.length]);
      const chosen = await gaps({ [name]: value });
      expect([name, value, chosen.total]).toEqual([name, value, wanted.length]);
      if (wanted.length <= 500) expect(ids(chosen.rows)).toEqual(ids(wanted));
    }
});

test('close variants share the line of the one that comes first; opened, they stand below it', async () => {
  const pageOf = (more: Record<string, string | number>) => gaps({ variants: 'together', ...more });
  const folded = await pageOf({});
  expect(folded.together).toBe(true);
  expect(folded.total).toBe(page.total);
  // By the method's own words: the same stems in any order, without joining words.
  const stemsOf = ({ text }: GapRow): string => closeVariantKey(text, 'en');
  const firsts = all.filter((row, n) => all.findIndex((other) => stemsOf(other) === stemsOf(row)) === n);
  expect(folded.lines).toBe(firsts.length);
  expect(firsts.length).toBeLessThan(all.length);
  expect(folded.rows.map(({ id }) => id)).toEqual(firsts.slice(0, 500).map(({ id }) => id));
  for (const row of folded.rows) {
    const others = all.filter((other) => other.id !== row.id && stemsOf(other) === stemsOf(row));
    const searches = others.reduce((sum, { volume }) => sum + (volume ?? 0), 0);
    expect(row.variants).toEqual(
      others.length === 0 ? null : { others: others.length, searches, opened: false },
    );
  }
  const [one, two] = folded.rows.filter(({ variants }) => variants !== null);
  const opened = `${one!.id},${two!.id},999999999`;
  const both = await pageOf({ opened });
  expect(both.lines).toBe(folded.lines + one!.variants!.others + two!.variants!.others);
  const below = all.filter((row) => row.id !== one!.id && stemsOf(row) === stemsOf(one!));
  const at = both.rows.findIndex(({ id }) => id === one!.id);
  expect(both.rows[at]!.variants!.opened).toBe(true);
  expect(both.rows.slice(at + 1, at + 1 + below.length).map(({ id, under }) => [id, under])).toEqual(
    below.map(({ id }) => [id, one!.id]),
  );
  // A page that begins amid them goes on where the one before ended.
  expect((await pageOf({ opened, offset: at + 1 })).rows.slice(0, 9)).toEqual(
    both.rows.slice(at + 1, at + 10),
  );
  // What is filtered out is no variant of anything.
  const narrowed = await pageOf({ find: one!.text });
  expect(narrowed.rows.map(({ id }) => id)).toContain(one!.id);
  expect(narrowed.total).toBe((await gaps({ find: one!.text })).total);
  expect((await gaps({ opened })).rows.every((row) => row.variants === null && row.under === null)).toBe(
    true,
  );
});

test('the sentence on an action is made of what is told beside it', () => {
  for (const { reason: said, why, action } of all) {
    expect(why.action).toBe(action);
    expect(reason(why)).toBe(said);
  }
});

test('a page is what somebody said by hand: in the filter, in groups and on the front; taken back it is by its path', async () => {
  const row = all.find((each) => kindOf(each) === 'unknown' || kindOf(each) === 'collection')!;
  const said = (kind: string) =>
    running.api.patch(at, { settings: { pageKinds: { [row.ownAddress!]: kind } } });
  const ofPage = all.filter(({ ownAddress }) => ownAddress === row.ownAddress).length;
  const talks = page.totals.pageKinds[PAGE_KINDS.indexOf('talk')]!;
  await said('talk');
  const found = await gaps({ pageKinds: 'talk' });
  expect(found.total).toBe(talks + ofPage);
  expect(ids(found.rows)).toContain(row.id);
  const { groups } = await running.api.get(`${at}/gaps/groups?${SCOPE}&by=page+kind`);
  const group = groups.find(({ name }: { name: string }) => name === 'talk');
  expect(group).toMatchObject({ keywords: talks + ofPage, narrowed: { pageKinds: ['talk'] } });
  await said('by rule');
  expect((await gaps({ pageKinds: 'talk' })).total).toBe(talks);
});

test('purposes of a pool are those that Sift reads, said by hand as well; without a pool nobody reads them', async () => {
  const [lookUp] = (await running.api.get(`${at}/look-ups`)) as { id: number }[];
  const inPool = (more: Record<string, string> = {}): Promise<GapPage> =>
    gaps({ pool: lookUp!.id, also: 'purposes', ...more });
  const sifted = async (purpose: Purpose): Promise<number> => {
    const steps = [{ id: 'a', on: true, sieve: { kind: 'purpose', purposes: [purpose] } }];
    return ((await running.api.post(`/look-ups/${lookUp!.id}/sift`, { steps })) as SiftPage).total;
  };
  const expected = async (): Promise<number[]> => Promise.all(PURPOSES.map(sifted));
  const { totals, rows } = await inPool();
  expect(totals.purposes).toEqual(await expected());
  expect(totals.purposes!.filter((count) => count > 0).length).toBeGreaterThan(1);
  for (const [n, purpose] of PURPOSES.entries())
    expect([purpose, (await inPool({ purposes: purpose })).total]).toEqual([purpose, totals.purposes![n]]);
  const say = (purpose: Purpose | null) =>
    running.api.put(`${at}/keywords/${rows[0]!.id}/purpose`, { purpose, person: 'Ines' });
  const learn = await inPool({ purposes: 'learn' });
  await say('learn');
  expect((await inPool({ purposes: 'learn' })).total).toBe(learn.total + 1);
  await say(null);
  expect((await inPool({ purposes: 'learn' })).total).toBe(learn.total);
  expect((await gaps({ purposes: 'learn' })).totals.purposes).toBeNull();
  expect((await gaps({ purposes: 'learn' })).total).toBe(page.total);
});

test('counts of one group obey the others: depth bands of what is to be retitled', async () => {
  const chosen = await gaps({ actions: 'retitle', bands: '4–10' });
  const retitle = all.filter(({ action }) => action === 'retitle');
  expect(chosen.totals.bands).toEqual(
    DEPTH_BANDS.map((band) => retitle.filter((row) => bandOf(row) === band).length),
  );
  expect(chosen.total).toBe(retitle.filter((row) => bandOf(row) === '4–10').length);
  expect(chosen.totals.actions).toEqual(
    ACTIONS.map((action) => all.filter((row) => row.action === action && bandOf(row) === '4–10').length),
  );
});

test.each([
  ['volume:200..900', (row: GapRow) => row.volume !== null && row.volume >= 200 && row.volume <= 900],
  ['spread:2..', (row: GapRow) => (row.spread ?? -1) >= 2],
  ['chance:..0.6', (row: GapRow) => row.chance !== null && row.chance <= 0.6],
  ['chance:..0.6?', (row: GapRow) => row.chance === null || row.chance <= 0.6],
  [
    'demand:100..,difficulty:..55',
    (row: GapRow) =>
      row.demand !== null && row.demand >= 100 && row.difficulty !== null && row.difficulty <= 55,
  ],
  ['colour:1..2', () => true],
])('limits %s', async (limits, passes) => {
  const wanted = all.filter(passes);
  const chosen = await gaps({ limits });
  expect(chosen.total).toBe(wanted.length);
  if (wanted.length <= 500) expect(ids(chosen.rows)).toEqual(ids(wanted));
});

test('on the front with little demand, and beside a block that somebody else holds', async () => {
  const { curve } = await running.api.get(`${at}/models?market=${MARKET}&date=${DATE}`);
  const inFront = all.filter(({ own }) => typeof own === 'number' && own <= page.front);
  const little = inFront.filter(
    ({ own, volume }) => volume !== null && volume * curve.points[(own as number) - 1].used < 10,
  );
  expect(page.totals.marks['little demand']).toBe(little.length);
  const { rows, total } = await gaps({ marks: 'block to take' });
  expect(total).toBe(page.totals.marks['block to take']);
  for (const { id, own } of rows.slice(0, 5)) {
    expect(own).toBeLessThanOrEqual(page.front);
    const shown = await running.api.get(`${at}/keywords/${id}/result-page?market=${MARKET}&date=${DATE}`);
    const blocks = shown.slots.filter(({ kind }: { kind: string }) => / (box|block)$/.test(kind));
    expect(blocks.length).toBeGreaterThan(0);
    expect(blocks.some(({ side }: { side: string }) => side !== 'own')).toBe(true);
  }
});

test('several orders: the first decides, then the next, unknown last in each', async () => {
  const { rows } = await gaps({ sort: 'kind,-spread,keyword' });
  const kinds = [...new Set(rows.map(({ kind }) => kind))];
  expect(rows.map(({ kind }) => kinds.indexOf(kind))).toEqual(
    rows.map(({ kind }) => kinds.indexOf(kind)).sort((a, b) => a - b),
  );
  rows.slice(1).forEach((row, n) => {
    const before = rows[n]!;
    if (row.kind !== before.kind) return;
    expect(row.spread ?? -1).toBeLessThanOrEqual(before.spread ?? -1);
    if (row.spread === before.spread) expect(before.text < row.text).toBe(true);
  });
});

describe('groups', () => {
  const groups = (by: string, more = ''): Promise<GapGroups> =>
    running.api.get(`${at}/gaps/groups?${SCOPE}&by=${by}&limit=500${more}`);

  test.each(['cluster', 'action', 'target'])(
    'by %s: every keyword is in one, and its choice gives them',
    async (by) => {
      const { groups: found, total } = await groups(by);
      expect(found.length).toBe(Math.min(total, 500));
      if (total <= 500) expect(found.reduce((sum, { keywords }) => sum + keywords, 0)).toBe(all.length);
      expect(found.map(({ worthAMonth }) => worthAMonth)).toEqual(
        found.map(({ worthAMonth }) => worthAMonth).sort((a, b) => b - a),
      );
      const [first] = found.filter(({ name }) => name !== '');
      const { cluster, target, actions } = first!.narrowed;
      const chosen = await gaps({
        ...(cluster !== undefined && { cluster }),
        ...(target !== undefined && { target }),
        ...(actions && { actions: actions.join(',') }),
      });
      expect(chosen.total).toBe(first!.keywords);
      expect(chosen.rows.map(({ id }) => id)).toContain(first!.best.id);
      // Each keyword by itself: no more than its rows add, of which siblings are a part.
      expect(first!.worthAMonth).toBeGreaterThan(0);
    },
  );
});

test('a list and what is tracked can be compared by themselves, and a list narrows', async () => {
  const few = all.slice(3, 9);
  const [list] = await running.api.post(`${at}/lists`, { name: 'few', market: MARKET, keywords: ids(few) });
  const ofList = await gaps({ list: list.id });
  expect(ids(ofList.rows)).toEqual(ids(few));
  expect(ofList.totals.keywords).toBe(few.length);
  const narrowed = await gaps({ inList: list.id });
  expect([narrowed.total, narrowed.totals.keywords]).toEqual([few.length, all.length]);
  // Figures of a keyword do not depend on what it is compared among.
  const known = few.filter(({ chance }) => chance !== null);
  for (const row of known) expect(ofList.rows.find(({ id }) => id === row.id)).toEqual(row);
  await running.api.patch(`${at}/lists/${list.id}`, { remove: [few[0]!.id] });
  expect(ids((await gaps({ list: list.id })).rows)).toEqual(ids(few.slice(1)));
  expect((await gaps({ inList: list.id })).total).toBe(few.length - 1);
  await running.api.post(`${at}/tracked`, { keywords: [few[1]!.id] });
  expect(ids((await gaps({ only: 'tracked' })).rows)).toEqual([few[1]!.id]);
  await expect(gaps({ list: 999 })).rejects.toThrow(/999/);
});

test('what spreads a value adds up to it', async () => {
  const known = (await gaps({ sort: '-priority' })).rows.filter(({ parts }) => parts !== null).slice(0, 60);
  expect(known.length).toBeGreaterThan(20);
  for (const { parts, worthAMonth, priority } of known) {
    const worth = parts!.clicks * parts!.worth * parts!.fit - parts!.cost;
    expect(worth).toBeCloseTo(worthAMonth!, 6);
    expect(worth / parts!.effort).toBeCloseTo(priority!, 6);
  }
});

test('settings take effect at once and taking them back gives the same figures again', async () => {
  const { settings } = (await running.api.get('/projects'))[0];
  const before = await gaps();
  await running.api.patch(at, { settings: { efforts: { ...settings.efforts, retitle: 5 }, front: 5 } });
  const changed = await gaps();
  expect(changed.front).toBe(5);
  expect(changed.totals).not.toEqual(before.totals);
  await running.api.patch(at, { settings: { efforts: settings.efforts, front: settings.front } });
  expect(await gaps()).toEqual(before);
});

test('keywords picked one by one are just those, whatever else is chosen', async () => {
  const chosen = [all[3]!.id, all[7]!.id, 999_999];
  const found = await gaps({ chosen: chosen.join(',') });
  expect(ids(found.rows)).toEqual(ids([all[3]!, all[7]!]));
  const narrower = await gaps({ chosen: chosen.join(','), kinds: all[3]!.kind });
  expect(ids(narrower.rows)).toContain(all[3]!.id);
});

const file = async (format: string, more: string): Promise<Response> =>
  fetch(`${running.server.url}/api${at}/gaps.file?${SCOPE}&format=${format}${more}`);

test('a file holds the columns that are shown, under the name of what is compared', async () => {
  const read = async (more: string) => {
    const answer = await file('csv', `&limit=1&chosen=${all[0]!.id}${more}`);
    return { name: answer.headers.get('content-disposition')!, heads: (await answer.text()).split('\n')[0]! };
  };
  const every = await read('');
  expect(every.heads).toMatch(/^.?keyword,/);
  expect(every.heads).toMatch(/difficulty/);
  expect(every.name).toContain(`Gaps ${MARKET} ${DATE}.csv`);
  const some = await read('&figures=demand,priority');
  expect(some.heads).toMatch(/demand/);
  expect(some.heads).toMatch(/priority/);
  expect(some.heads).not.toMatch(/difficulty|CPC low|chance \(/);
  const lists = await running.api.post(`${at}/lists`, {
    name: 'Spring / 2026',
    market: MARKET,
    keywords: [all[0]!.id],
  });
  const { name } = await read(`&list=${lists.at(-1).id}`);
  expect(name).toContain(`Gaps Spring 2026 ${MARKET} ${DATE}.csv`);
});

test.each(['csv', 'xlsx', 'json'] as const)(
  'what is on the screen is written as %s, its cells made safe',
  async (format) => {
    const table = {
      format,
      name: 'Own queries: Tarnwick',
      about: 'as shown',
      heads: ['Query', 'Clicks'],
      rows: [
        ['bike bag', 1200],
        ['=1+1', null],
      ],
    };
    const answer = await fetch(`${running.server.url}/api/table-files`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(table),
    });
    expect(answer.headers.get('content-disposition')).toContain(`Own queries Tarnwick.${format}`);
    if (format === 'csv')
      expect((await answer.text()).trim().split('\n')).toEqual(['Query,Clicks', 'bike bag,1200', "'=1+1,"]);
    if (format === 'json')
      expect(await answer.json()).toMatchObject({
        about: 'as shown',
        rows: [
          { Query: 'bike bag', Clicks: 1200 },
          { Query: '=1+1', Clicks: null },
        ],
      });
    if (format === 'xlsx') {
      const book = new ExcelJS.Workbook();
      await book.xlsx.load(await answer.arrayBuffer());
      expect(book.worksheets[0]!.getCell('B2').value).toBe(1200);
      expect(book.worksheets[0]!.getCell('A3').value).toBe('=1+1');
      expect(book.worksheets[0]!.getCell('A3').type).toBe(ExcelJS.ValueType.String);
    }
  },
);

test('a workbook and JSON hold the rows and figures of the CSV, with what they are of', async () => {
  const chosen = `&chosen=${all
    .slice(0, 5)
    .map(({ id }) => id)
    .join(',')}&sort=keyword`;
  const csv = (await (await file('csv', chosen)).text()).trim().split('\n');
  const json = (await (await file('json', chosen)).json()) as {
    about: string;
    rows: Record<string, string | number | null>[];
  };
  const book = new ExcelJS.Workbook();
  await book.xlsx.load(await (await file('xlsx', chosen)).arrayBuffer());
  const sheet = book.worksheets[0]!;
  const texts = all
    .slice(0, 5)
    .map(({ text }) => text)
    .sort();
  expect(csv).toHaveLength(6);
  expect(json.rows.map(({ keyword }) => keyword).sort()).toEqual(texts);
  expect(sheet.rowCount).toBe(6);
  const heads = (sheet.getRow(1).values as string[]).slice(1);
  expect(heads).toEqual(Object.keys(json.rows[0]!));
  // A workbook has no empty text: such a cell is empty.
  const held = (cell: unknown): unknown => (cell === '' || cell === undefined ? null : cell);
  json.rows.forEach((row, n) =>
    heads.forEach((head, c) =>
      expect(held(sheet.getRow(n + 2).getCell(c + 1).value)).toEqual(held(row[head])),
    ),
  );
  expect(json.about).toContain(MARKET);
  expect(json.about).toContain(`compared with ${BEFORE}`);
  expect(String(book.worksheets[1]!.getCell('A1').value)).toBe(json.about);
});

test('a format that is not known is refused', async () => {
  expect((await file('pdf', '')).status).toBe(400);
});

test('weights of chance that are set by hand hold where none are fitted, and go back', async () => {
  const project = `/projects/${at.split('/').at(-1)}`;
  const chances = async (): Promise<Map<number, [unknown, number | null, number | null]>> =>
    new Map((await gaps()).rows.map(({ id, own, asIs, chance }) => [id, [own, asIs, chance]]));
  const set = (settings: object) => running.api.patch(project, { settings });
  const before = await chances();
  const { settings } = (await running.api.get('/projects')).find(({ id }: { id: number }) =>
    at.endsWith(`/${id}`),
  );
  await set({ chanceFitted: false, chanceWeights: [0, 0, 0, 0, 0, 0, 0] });
  // Without a weight fields count for nothing: where we stand says all, and no change of ours helps.
  const level = (place: number): number => -Math.log((place - 0.5) / (101.5 - place));
  const known = [...(await chances()).values()].filter(([own]) => typeof own === 'number');
  expect(known.length).toBeGreaterThan(50);
  for (const [own, asIs, chance] of known) {
    const foretold = 1 / (1 + Math.exp(-1.7 * (0.9 * level(own as number) - level(10.5))));
    expect([own, asIs]).toEqual([own, expect.closeTo(foretold, 9)]);
    expect(chance).toBeCloseTo(foretold, 9);
  }
  await set({ chanceWeights: [3, 0, 0, 0, 0, 0, 0] });
  expect(new Set([...(await chances()).values()].map(([, asIs]) => asIs)).size).toBeGreaterThan(100);
  await expect(set({ chanceWeights: [1, 2] })).rejects.toThrow(/not as expected/);
  await expect(set({ chanceWeights: [99, 0, 0, 0, 0, 0, 0] })).rejects.toThrow(/not as expected/);
  const { chanceFitted, chanceWeights } = settings;
  await set({ chanceFitted, chanceWeights });
  expect(await chances()).toEqual(before);
});
