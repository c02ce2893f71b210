import type { ReportContent, ReportTable } from '@opsimath/contract/api/reportContent';
import { DATE, MARKET, OWN, Running } from '../testing/running';

/** Audits of addresses that nobody has set up anything for. */
let running: Running;
const STRANGER = 'saltfen.example';
beforeAll(async () => {
  running = await Running.start();
  await running.api.get('/markets');
});
afterAll(() => running.stop());

const spent = async (): Promise<number> => (await running.api.get('/services')).allowance.spent;
const audit = async (address: string, market = MARKET) => {
  const begun = await running.api.post('/audits', { address, market, date: DATE });
  await running.api.finished(begun.job);
  return begun;
};
const contentOf = ({
  project,
  report,
  market,
}: {
  project: number;
  report: number;
  market: string;
}): Promise<ReportContent> =>
  running.api.get(`/projects/${project}/reports/${report}/content?market=${market}&date=${DATE}`);
const tablesOf = (content: ReportContent): ReportTable[] =>
  content.sections.flatMap(({ blocks }) =>
    blocks.filter((block): block is ReportTable => block.kind === 'table'),
  );
const failing = async (address: string, market = MARKET): Promise<string> => {
  const answer = await fetch(`${running.server.url}/api/audits/price`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ address, market, date: DATE }),
  });
  return ((await answer.json()) as { code: string }).code;
};

describe('a whole site', () => {
  let begun: { project: number; report: number; market: string; name: string };
  let content: ReportContent;
  let before: number;
  let units: number;
  beforeAll(async () => {
    before = await spent();
    ({ units } = await running.api.post('/audits/price', { address: STRANGER, market: MARKET, date: DATE }));
    expect(await spent()).toBe(before);
    begun = await audit(`https://www.${STRANGER}/`);
    content = await contentOf(begun);
  });

  test('it costs no more than was said', async () => {
    expect((await spent()) - before).toBeGreaterThan(0);
    expect((await spent()) - before).toBeLessThanOrEqual(units);
  });

  test('no project of ours comes of it', async () => {
    expect(await running.api.get('/projects')).toEqual([]);
    expect(await running.api.get('/audits')).toMatchObject([{ address: STRANGER, name: 'Audit of Saltfen' }]);
  });

  test('what it ranks for is what the services say', async () => {
    const rows = await running.witnessRankings(STRANGER);
    const best = new Map<string, number>();
    for (const { keyword, organic } of rows)
      if (organic !== null) best.set(keyword, Math.min(organic, best.get(keyword) ?? 255));
    const depth = tablesOf(content).find(({ id }) => id.startsWith('depth-'))!;
    const count = (from: number, to: number): number =>
      [...best.values()].filter((position) => position >= from && position <= to).length;
    expect(depth.rows.slice(0, 5).map(({ cells }) => cells[1])).toEqual([
      ...[count(1, 3), count(4, 10), count(11, 20), count(21, 50), count(51, 100)],
    ]);
    const near = tablesOf(content).find(({ id }) => id.startsWith('near-'))!;
    for (const { cells, key } of near.rows) {
      if (key === 'all') continue;
      expect(best.get(String(cells[0]))).toBe(cells[2]);
      expect(cells[2]).toBeGreaterThanOrEqual(11);
      expect(cells[2]).toBeLessThanOrEqual(50);
    }
  });

  test('every part that was asked for is there: near with worth, examples, titles, words, blocks, paid, links, three things', () => {
    const kinds = content.sections.map(({ kind }) => kind);
    expect(kinds).toEqual(
      expect.arrayContaining([
        'summary',
        'first',
        'examples',
        'holds',
        'near',
        'titles',
        'words',
        'blocks',
        'paid',
        'authority',
        'quality',
      ]),
    );
    const first = tablesOf(content).find(({ id }) => id.startsWith('work-'))!;
    expect(first.rows.filter(({ key }) => key !== 'all')).toHaveLength(3);
    const examples = content.sections.find(({ kind }) => kind === 'examples')!.blocks;
    expect(examples.filter(({ kind }) => kind === 'example')).toHaveLength(3);
    const words = tablesOf(content).find(({ id }) => id.startsWith('lacks-'))!;
    expect(words.rows.length).toBeGreaterThan(3);
    const links = tablesOf(content).find(({ id }) => id.startsWith('links-'))!;
    expect(links.rows.length).toBeGreaterThan(2);
  });

  test('its rivals were found on its own result pages, and it speaks of another, not of us', () => {
    expect(content.rivals.length).toBeGreaterThan(1);
    expect(content.rivals.map(({ name }) => name)).not.toContain('Saltfen');
    const said = content.sections.flatMap(({ blocks }) =>
      blocks.flatMap((block) =>
        block.kind === 'text'
          ? block.passages.flatMap(({ runs }) => runs.map(({ text }) => text))
          : block.kind === 'example'
            ? [block.reason, ...block.facts.map(({ name }) => name)]
            : block.kind === 'table'
              ? [block.title, ...block.rows.flatMap(({ below }) => below ?? [])]
              : [],
      ),
    );
    // Its own titles stand in some lines as they are.
    for (const text of said)
      if (!text.startsWith('Its title could be')) expect(text).not.toMatch(/\b(we|us|ours?)\b/i);
  });

  test('done again it pays for nothing that is held', async () => {
    const held = await spent();
    const again = await audit(STRANGER);
    expect(await spent()).toBe(held);
    expect(again.project).not.toBe(begun.project);
    const told = await contentOf(again);
    expect(told.sections.find(({ kind }) => kind === 'holds')).toEqual(
      content.sections.find(({ kind }) => kind === 'holds'),
    );
  });

  test('a project of our own is no better or worse for it', async () => {
    const { at } = await running.project();
    expect((await running.api.get(`${at}/overview?market=${MARKET}`)).keywords).toBe(0);
    expect(await running.api.get(`${at}/reports`)).toEqual([]);
  });
});

test('one page of a site is held against pages', async () => {
  const rows = await running.witnessRankings(OWN);
  const { address } = rows.find(({ address: one }) => one.includes('/'))!;
  const begun = await audit(address);
  const content = await contentOf(begun);
  const targets = await running.api.get(`/projects/${begun.project}/targets`);
  expect(targets.filter(({ side }: { side: string }) => side === 'own')).toMatchObject([{ address }]);
  for (const target of targets) expect(target.parent).not.toBeNull();
  expect(content.sections.length).toBeGreaterThan(10);
});

test('what is no address, of another surface, or known to nobody is said so before anything is paid', async () => {
  const before = await spent();
  expect(await failing('   ')).toBe('not-understood');
  expect(await failing('not an address')).toBe('no-address');
  expect(await failing('nowhere.example')).toBe('no-such-target');
  expect(await failing('vidlantern.example/on/cobblemoor')).toBe('another-market');
  expect(await failing(STRANGER, 'web-xx-yy')).toBe('no-such-market');
  expect(await spent()).toBe(before);
});

test('killed in the middle it goes on, and pays for nothing twice', async () => {
  const rows = await running.witnessRankings('pikewater.example');
  expect(rows.length).toBeGreaterThan(0);
  const before = await spent();
  const { units } = await running.api.post('/audits/price', {
    address: 'pikewater.example',
    market: MARKET,
    date: DATE,
  });
  const begun = await running.api.post('/audits', {
    address: 'pikewater.example',
    market: MARKET,
    date: DATE,
  });
  await running.crashAndRestart();
  await running.api.finished(begun.job);
  expect((await spent()) - before).toBeLessThanOrEqual(units);
  expect((await contentOf(begun)).rivals.length).toBeGreaterThan(0);
});

test('taken away it is gone with its room: no project is left of it', async () => {
  const begun = await audit(STRANGER);
  const address = `/projects/${begun.project}/reports/${begun.report}`;
  const other = await running.api.post(`/projects/${begun.project}/reports`, { template: 'empty' });
  await running.api.delete(`/projects/${begun.project}/reports/${other.id}`);
  const audits = (): Promise<{ project: number }[]> => running.api.get('/audits');
  expect((await audits()).map(({ project }) => project)).toContain(begun.project);
  expect(await running.api.delete(address)).toEqual([]);
  expect((await audits()).map(({ project }) => project)).not.toContain(begun.project);
  const names = (await running.api.get('/projects')).map(({ name }: { name: string }) => name);
  expect(names.filter((name: string) => name.startsWith('Audit'))).toEqual([]);
  expect((await fetch(`${running.server.url}/api/projects/${begun.project}`)).status).toBe(404);
});
