import type { ContentSection, ReportContent, ReportTable } from '@opsimath/contract/api/reportContent';
import type { FrozenReport, ReportFile, SavedReport } from '@opsimath/contract/api/reports';
import { SECTION_KINDS } from '@opsimath/contract/api/reports';
import Ajv from 'ajv/dist/2020';
import { createClient } from '@libsql/client';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { BEFORE, DATE, MARKET, Running } from '../testing/running';

let running: Running;
let at: string;
let saved: SavedReport;
const scope = { market: MARKET, date: DATE, compare: BEFORE };
const SCOPE = `market=${MARKET}&date=${DATE}&compare=${BEFORE}`;

beforeAll(async () => {
  running = await Running.start(['--watch-every', '3600000']);
  ({ at } = await running.project());
  await running.compared(at, 120);
  const days = (month: string, clicks: number): string[] =>
    Array.from(
      { length: 28 },
      (_, n) => `waterproof panniers,${month}-${String(n + 1).padStart(2, '0')},${clicks},100,4`,
    );
  const csv = ['query,date,clicks,impressions,position', ...days('2026-01', 3), ...days('2026-02', 5)].join(
    '\n',
  );
  await running.bringIn(at, 'own.csv', 'performance', csv);
  saved = await running.api.post(`${at}/reports`, { template: 'gaps' });
});
afterAll(() => running.stop());

const contentOf = (id: number, query = SCOPE): Promise<ReportContent> =>
  running.api.get(`${at}/reports/${id}/content?${query}`);
const tablesOf = ({ sections }: Pick<ReportContent, 'sections'>): ReportTable[] =>
  sections.flatMap(({ blocks }) => blocks.filter((block): block is ReportTable => block.kind === 'table'));
const tableOf = (content: ReportContent, kind: string): ReportTable =>
  tablesOf({ sections: content.sections.filter((section: ContentSection) => section.kind === kind) })[0]!;
const rowOf = (table: ReportTable, key: string) => table.rows.find((row) => row.key === key)!;
const wait = async (id: number): Promise<ReportFile> => {
  for (;;) {
    const file: ReportFile = await running.api.get(`${at}/report-files/${id}`);
    if (file.state !== 'working') return file;
    await new Promise((resolve) => setTimeout(resolve, 30));
  }
};
const taken = async (body: object): Promise<{ file: ReportFile; bytes: Buffer; type: string }> => {
  const file = await wait((await running.api.post(`${at}/report-files`, body)).id);
  const answer = await fetch(`${running.server.url}/api${at}/report-files/${file.id}/content`);
  return {
    file,
    bytes: Buffer.from(await answer.arrayBuffer()),
    type: answer.headers.get('content-type') ?? '',
  };
};
const failing = (method: string, address: string, body?: object) =>
  fetch(`${running.server.url}/api${address}`, {
    method,
    headers: { 'content-type': 'application/json' },
    ...(body && { body: JSON.stringify(body) }),
  }).then(async (answer) => ({ status: answer.status, body: (await answer.json()) as { code: string } }));

describe('a report says what the other stages say', () => {
  let content: ReportContent;
  beforeAll(async () => {
    content = await contentOf(saved.id);
  });

  test('kinds, work and sides have one value everywhere', async () => {
    const page = await running.api.get(`${at}/gaps?${SCOPE}`);
    const kinds = tableOf(content, 'kinds');
    for (const [kind, many] of Object.entries(page.totals.kinds))
      expect(rowOf(kinds, kind).cells[2]).toBe(many);
    const work = await running.api.get(`${at}/what-to-do?${SCOPE}&limit=20`);
    const told = tableOf(content, 'first');
    expect(told.rows.slice(0, -1).map(({ cells }) => cells.slice(3))).toEqual(
      work.lines.map((line: { value: number; effort: number; priority: number }) => [
        ...[line.value, line.effort, line.priority],
      ]),
    );
    const sides = tableOf(content, 'standing');
    expect(sides.rows.map(({ cells }) => cells[0])).toEqual(['Tarnwick', 'Cobblemoor', 'Saltfen']);
    for (const { cells } of sides.rows) {
      const depth = cells.slice(3, 10) as number[];
      expect(depth.reduce((sum, count) => sum + count, 0)).toBe(page.totals.keywords);
    }
    const own = await running.api.get(`${at}/paid?${SCOPE}`);
    expect(tableOf(content, 'paid').rows[0]!.cells.slice(1, 3)).toEqual([
      own.sides[0].organic,
      own.sides[0].paid,
    ]);
  });

  test('every number of the text is a figure, and each leads to a row that holds it', () => {
    const rows = new Map(
      tablesOf(content).flatMap(({ id, rows: held }) =>
        held.map((row): [string, ReportTable['rows'][number]] => [`${id}:${row.key}`, row]),
      ),
    );
    const runs = content.sections.flatMap(({ blocks }) =>
      blocks.flatMap((block) =>
        block.kind === 'text' ? block.passages.flatMap((passage) => passage.runs) : [],
      ),
    );
    const figures = runs.filter(({ figure }) => figure !== undefined);
    expect(figures.length).toBeGreaterThan(15);
    for (const { figure, text } of figures) {
      const told = content.figures[figure!]!;
      expect(told.shown).toBe(text);
      expect([...rows.keys()]).toContain(told.row);
      // A plain figure is a cell of the row that it leads to, or one worked out of the cells that stand there.
      const cells = rows.get(told.row!)!.cells.filter((cell) => cell !== null);
      expect(cells.length).toBeGreaterThan(1);
    }
    const quoted = /“[^”]*”|CPC × 0\.7/g;
    for (const { figure, text } of runs)
      if (figure === undefined) expect(text.replace(quoted, '')).not.toMatch(/\d/);
  });

  test('no sum of money stands without what it is made of, and the parts come to the sum', () => {
    const sums = rowsById(tablesOf(content).find(({ id }) => id === 'sums')!);
    let explained = 0;
    for (const table of tablesOf(content)) {
      const money = table.columns.findIndex(({ key }) => key === 'adds');
      if (money < 0 || table.id === 'sums') continue;
      for (const row of table.rows) {
        if (row.key === 'all' || row.cells[money] === null) continue;
        const sum = sums.get(row.sums!.replace('sums:', ''))!;
        expect(sum.cells[6]).toBeCloseTo(row.cells[money] as number, 6);
        explained++;
      }
    }
    expect(explained).toBeGreaterThan(30);
    const heads = [...sums.values()].filter(({ key }) => /^w\d+-[a-z-]+$/.test(key) && sums.has(`${key}-0`));
    expect(heads.length).toBeGreaterThan(5);
    for (const { key, cells } of heads) {
      const parts = [...sums.values()].filter(
        (row) => row.key.startsWith(`${key}-`) && /-(\d+|rest|cost)$/.test(row.key),
      );
      const total = parts.reduce((sum, row) => sum + (row.cells[6] as number), 0);
      expect(total).toBeCloseTo(cells[6] as number, 4);
    }
  });

  test('nothing that is forbidden, judged off, or only held stands among things to do', async () => {
    const before = tableOf(content, 'first').rows.map(({ cells }) => String(cells[0]));
    const lead = await running.api.get(`${at}/what-to-do?${SCOPE}&limit=2`);
    const [off, banned] = lead.lines.map((line: { lead: { id: number; text: string } }) => line.lead);
    await running.api.post(`${at}/verdicts`, {
      changes: [{ keyword: off.id, verdict: 'off', reason: 'too broad' }],
      person: 'Ada',
    });
    const banning = await running.api.post(`${at}/banned-words`, {
      ...{ text: banned.text, level: 'forbidden', reason: 'somebody’s mark' },
    });
    const after = await contentOf(saved.id);
    for (const kind of ['first', 'gaps'])
      for (const { cells, key } of tableOf(after, kind).rows) {
        if (key === 'all') continue;
        const said = String(cells[0]);
        expect(said.startsWith(`${off.text}:`) || said === off.text).toBe(false);
        expect(` ${said.replace(/:.*/, '')} `).not.toContain(` ${banned.text} `);
        expect(said).not.toMatch(/: hold$/);
      }
    const word = banning.find(({ text }: { text: string }) => text === banned.text);
    await running.api.delete(`${at}/banned-words/${word.id}`);
    await running.api.post(`${at}/verdicts`, {
      changes: [{ keyword: off.id, verdict: 'unjudged' }],
      person: 'Ada',
    });
    expect(tableOf(await contentOf(saved.id), 'first').rows.map(({ cells }) => String(cells[0]))).toEqual(
      before,
    );
  });

  test('two months are compared on the days of which both are held', async () => {
    const { id } = await running.api.post(`${at}/reports`, { template: 'months' });
    const table = tableOf(await contentOf(id), 'months');
    expect(table.rows.map(({ key, cells }) => [key, cells[1], cells[2]])).toEqual([
      ['now', '28 of 28', 140],
      ['before', '28 of 31', 84],
    ]);
  });

  test('every kind of section says something, of anything, also where nothing is known yet', async () => {
    const all = SECTION_KINDS.map((kind) => ({ id: kind, kind, heading: kind }));
    const empty = await running.api.post('/projects', { name: 'Empty' });
    for (const project of [at, `/projects/${empty.id}`]) {
      const made: SavedReport = await running.api.post(`${project}/reports`, { template: 'empty' });
      await running.api.put(`${project}/reports/${made.id}`, {
        document: { title: 'All', sections: all },
        revision: made.revision,
      });
      const told: ReportContent = await running.api.get(`${project}/reports/${made.id}/content?${SCOPE}`);
      expect(told.sections.filter(({ id }) => SECTION_KINDS.includes(id as never))).toHaveLength(all.length);
      for (const { kind, blocks } of told.sections)
        if (kind !== 'note') expect(blocks.length).toBeGreaterThan(0);
    }
  });
});

const rowsById = ({ rows }: ReportTable) => new Map(rows.map((row) => [row.key, row]));

describe('a report is worked on', () => {
  test('worded text stays, its figures follow the data', async () => {
    const made: SavedReport = await running.api.post(`${at}/reports`, { template: 'gaps', title: 'Ours' });
    const content = await contentOf(made.id);
    const key = Object.keys(content.figures).find((name) => name.endsWith('.all'))!;
    const document = structuredClone(made.document);
    document.sections[0]!.text = [
      {
        kind: 'paragraph',
        runs: [{ text: 'Only ' }, { text: '1', figure: key }, { text: ', said I.', bold: true }],
      },
    ];
    document.sections.reverse();
    const put: SavedReport = await running.api.put(`${at}/reports/${made.id}`, {
      document,
      revision: made.revision,
    });
    expect(put.revision).toBe(made.revision + 1);
    const after = await contentOf(made.id);
    expect(after.title).toBe('Ours');
    const written = after.sections.filter(({ id }) =>
      put.document.sections.some((section) => section.id === id),
    );
    expect(written.map(({ id }) => id)).toEqual(document.sections.map(({ id }) => id));
    const block = after.sections.find(({ kind }) => kind === 'summary')!.blocks[0]!;
    expect(block).toEqual({
      kind: 'text',
      written: false,
      passages: [
        {
          kind: 'paragraph',
          runs: [
            { text: 'Only ' },
            { text: after.figures[key]!.shown, figure: key },
            { text: ', said I.', bold: true },
          ],
        },
      ],
    });
  });

  test('one that somebody has changed meanwhile is not overwritten', async () => {
    const made: SavedReport = await running.api.post(`${at}/reports`, { template: 'empty' });
    const change = (title: string) => ({ document: { title, sections: [] }, revision: made.revision });
    await running.api.put(`${at}/reports/${made.id}`, change('first'));
    const late = await failing('PUT', `${at}/reports/${made.id}`, change('late'));
    expect([late.status, late.body.code]).toEqual([409, 'changed-meanwhile']);
    expect((await running.api.get(`${at}/reports/${made.id}`)).document.title).toBe('first');
  });

  test('what makes no sense is refused', async () => {
    const bad = (document: object) => failing('PUT', `${at}/reports/${saved.id}`, { document, revision: 1 });
    const twice = { id: 'a', kind: 'note', heading: '' };
    expect((await bad({ title: '', sections: [twice, twice] })).status).toBe(400);
    expect((await bad({ title: '', sections: [], logo: 'https://x.example/a.png' })).status).toBe(400);
    expect((await bad({ title: '', sections: [], logo: 'data:image/svg+xml;base64,PHN2Zz4=' })).status).toBe(
      400,
    );
    expect((await bad({ title: '', sections: [], accent: 'red' })).status).toBe(400);
    expect((await failing('GET', `${at}/reports/999`)).body.code).toBe('no-such-report');
  });

  test('a section is of one list alone; a list that is gone takes nothing else with it', async () => {
    const page = await running.api.get(`${at}/gaps?${SCOPE}&kinds=buried&limit=3`);
    const keywords = page.rows.map(({ id }: { id: number }) => id);
    const lists = await running.api.post(`${at}/lists`, { name: 'Few', market: MARKET, keywords });
    const list: number = lists.find(({ name }: { name: string }) => name === 'Few').id;
    const made: SavedReport = await running.api.post(`${at}/reports`, { template: 'empty' });
    const sections = [
      { id: 'g', kind: 'gaps', heading: 'Few', settings: { list } },
      { id: 'k', kind: 'kinds', heading: 'Kinds of the few', settings: { list } },
      { id: 'a', kind: 'kinds', heading: 'Kinds of all' },
    ];
    await running.api.put(`${at}/reports/${made.id}`, { document: { title: '', sections }, revision: 1 });
    const content = await contentOf(made.id);
    const { rows } = tableOf(content, 'gaps');
    expect(
      rows
        .slice(0, -1)
        .map(({ key }) => Number(key.slice(1)))
        .sort(),
    ).toEqual([...keywords].sort());
    const [few, all] = tablesOf(content).filter(({ id }) => id.startsWith('kinds-'));
    expect(rowOf(few!, 'all').cells[2]).toBe(3);
    expect(rowOf(few!, 'buried').cells[2]).toBe(3);
    expect(rowOf(all!, 'all').cells[2]).toBe(page.totals.keywords);
    await running.api.delete(`${at}/lists/${list}`);
    const after = await contentOf(made.id);
    expect(after.sections[0]!.blocks).toMatchObject([
      { kind: 'text', passages: [{ runs: [{ text: 'Its list is gone, or belongs to another market.' }] }] },
    ]);
    expect(rowOf(tablesOf(after)[0]!, 'all').cells[2]).toBe(page.totals.keywords);
  });
});

describe('frozen', () => {
  let frozen: FrozenReport;
  let before: ReportContent;
  beforeAll(async () => {
    before = await contentOf(saved.id);
    frozen = await running.api.post(`${at}/reports/${saved.id}/frozen`, scope);
  });

  test('it reads the same after the data moved on, and after a crash', async () => {
    const rival = (await running.api.get(`${at}/targets`)).find(
      ({ name }: { name: string }) => name === 'Saltfen',
    );
    await running.api.delete(`${at}/targets/${rival.id}`);
    expect((await contentOf(saved.id)).rivals).toHaveLength(1);
    await running.crashAndRestart(['--watch-every', '3600000']);
    const view = await running.api.get(`${at}/frozen/${frozen.id}`);
    expect(view.content).toEqual(before);
    expect(view.asItWas).toBe(true);
    expect(view.frozen.checksum).toBe(frozen.checksum);
    await running.api.post(`${at}/targets`, { side: 'rival', market: MARKET, text: 'saltfen.example' });
  });

  test('the same report frozen twice has the same checksum; another has another', async () => {
    const [one, two] = [
      await running.api.post(`${at}/reports/${saved.id}/frozen`, scope),
      await running.api.post(`${at}/reports/${saved.id}/frozen`, scope),
    ];
    expect(one.checksum).toBe(two.checksum);
    const earlier = await running.api.post(`${at}/reports/${saved.id}/frozen`, {
      market: MARKET,
      date: BEFORE,
    });
    expect(earlier.checksum).not.toBe(one.checksum);
  });

  test('what was tampered with is told', async () => {
    const other = await running.api.post(`${at}/reports/${saved.id}/frozen`, scope);
    const client = createClient({ url: pathToFileURL(path.join(running.folder, 'opsimath.db')).href });
    await client.execute({
      sql: 'UPDATE frozen_report SET packed = (SELECT packed FROM frozen_report WHERE date = ?) WHERE id = ?',
      args: [BEFORE, other.id],
    });
    client.close();
    expect((await running.api.get(`${at}/frozen/${other.id}`)).asItWas).toBe(false);
    await running.api.delete(`${at}/frozen/${other.id}`);
  });

  test('held against an earlier one: what was closed and what opened, as the comparisons say', async () => {
    const earlier: FrozenReport = (await running.api.get(`${at}/frozen`)).find(
      ({ date }: FrozenReport) => date === BEFORE,
    );
    const told = await running.api.get(`${at}/frozen/${frozen.id}/difference?before=${earlier.id}`);
    const kindsAt = async (date: string): Promise<Map<string, string>> => {
      const page = await running.api.get(`${at}/gaps?market=${MARKET}&date=${date}&limit=500&sort=-volume`);
      return new Map(page.rows.map((row: { text: string; kind: string }) => [row.text, row.kind]));
    };
    const [was, is] = [await kindsAt(BEFORE), await kindsAt(DATE)];
    const gap = (kind: string | undefined): boolean => ['absent', 'buried', 'trailing'].includes(kind ?? '');
    expect(told.closedInAll + told.openedInAll).toBeGreaterThan(0);
    for (const { keyword, before: then, after } of told.closed) {
      if (!was.has(keyword) || !is.has(keyword)) continue;
      expect([then, after]).toEqual([was.get(keyword), is.get(keyword)]);
      expect([gap(then), gap(after)]).toEqual([true, false]);
    }
    expect(told.both + told.went).toBeGreaterThan(0);
  });

  test('an address opens it read-only; closed or over, it is closed', async () => {
    const address = `${at}/frozen/${frozen.id}/shares`;
    const [share] = await running.api.post(address, { days: 7 });
    const open = await fetch(running.server.url + share.path);
    expect(open.status).toBe(200);
    expect(open.headers.get('content-security-policy')).toMatch(/default-src 'none'/);
    const html = await open.text();
    expect(html).toContain(frozen.checksum);
    const kept = JSON.parse(/<script type="application\/json" id="data">(.*?)<\/script>/s.exec(html)![1]!);
    expect(kept.content).toEqual(before);
    const [closed] = await running.api.delete(`${address}/${share.id}`);
    expect(closed).toMatchObject({ open: false, path: null });
    const after = await fetch(running.server.url + share.path);
    expect(after.status).toBe(410);
    expect(await after.text()).not.toContain('Tarnwick');

    const [second] = await running.api.post(address, { days: 1 });
    const client = createClient({ url: pathToFileURL(path.join(running.folder, 'opsimath.db')).href });
    await client.execute(
      `UPDATE report_share SET until_at = '2020-01-01T00:00:00.000Z' WHERE id = ${second.id}`,
    );
    client.close();
    expect((await fetch(running.server.url + second.path)).status).toBe(410);
    expect((await fetch(`${running.server.url}/api/shared?key=guessed`)).status).toBe(410);
  });

  test('taken away, its addresses are closed', async () => {
    const made = await running.api.post(`${at}/reports/${saved.id}/frozen`, scope);
    const [share] = await running.api.post(`${at}/frozen/${made.id}/shares`, { days: 1 });
    await running.api.delete(`${at}/frozen/${made.id}`);
    expect((await fetch(running.server.url + share.path)).status).toBe(410);
    expect((await failing('GET', `${at}/frozen/${made.id}`)).body.code).toBe('no-such-report');
  });

  test('JSON keeps to the schema that is published', async () => {
    const schema = await running.api.get('/report-schema.json');
    const valid = new Ajv({ strict: false, formats: { date: true, 'date-time': true } }).compile(schema);
    for (const body of [
      { format: 'json', frozen: frozen.id },
      { format: 'json', report: saved.id, scope },
    ]) {
      const { bytes, type } = await taken(body);
      expect(type).toMatch(/json/);
      const value = JSON.parse(bytes.toString());
      expect(valid(value) ? null : valid.errors).toBeNull();
      expect(value.$schema).toBe('/api/report-schema.json');
    }
  });

  test.each([
    ['pdf', /^%PDF-/],
    ['xlsx', /^PK/],
    ['html', /^<!doctype html>/],
    ['csv', /^\ufeffWork and reason,/],
    ['md', /^# /],
  ])('%s is written, told how far it is, and taken away under its name', async (format, start) => {
    const { file, bytes } = await taken({ format, frozen: frozen.id });
    expect(file).toMatchObject({ state: 'done', progress: 1, bytes: bytes.length });
    expect(file.name).toBe(`Report on Tarnwick ${DATE}.${format}`);
    expect(bytes.toString('utf8', 0, 400)).toMatch(start);
  });

  test('one table as CSV by its name; one that is not there is said to be none', async () => {
    const { bytes } = await taken({ format: 'csv', frozen: frozen.id, table: 'sums' });
    expect(bytes.toString()).toMatch(/^\ufeffWork,Keyword/);
    const wrong = await wait(
      (await running.api.post(`${at}/report-files`, { format: 'csv', frozen: frozen.id, table: 'none' })).id,
    );
    expect(wrong).toMatchObject({ state: 'failed' });
    expect(wrong.message).toMatch('no such table');
    expect((await failing('GET', `${at}/report-files/9999`)).body.code).toBe('no-such-file');
  });

  test('it travels in an archive', async () => {
    const answer = await fetch(`${running.server.url}/api${at}/archive`);
    const brought = await running.api.upload('/archives', Buffer.from(await answer.arrayBuffer()));
    await running.api.finished(brought.job.id);
    const to = `/projects/${brought.project.id}`;
    const list: FrozenReport[] = await running.api.get(`${to}/frozen`);
    const same = list.find(({ checksum }) => checksum === frozen.checksum)!;
    const view = await running.api.get(`${to}/frozen/${same.id}`);
    expect(view.content).toEqual(before);
    expect(view.asItWas).toBe(true);
    expect((await running.api.get(`${to}/reports`)).length).toBe(
      (await running.api.get(`${at}/reports`)).length,
    );
    expect(await running.api.get(`${to}/frozen/${same.id}/shares`)).toEqual([]);
  });
});
