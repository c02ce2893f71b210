import type { GapPage, GapRow } from '@opsimath/contract/api/gaps';
import type { KeywordHits } from '@opsimath/contract/api/keywordHits';
import type { LookUp } from '@opsimath/contract/api/lookUps';
import type { ReportContent } from '@opsimath/contract/api/reportContent';
import type { SiftPage, Sieve } from '@opsimath/contract/api/sift';
import { key } from '@opsimath/core/text/key';
import { stems } from '@opsimath/core/text/stems';
import { DATE, MARKET, Running } from '../testing/running';

const SCOPE = `market=${MARKET}&date=${DATE}`;
let running: Running;
let at: string;
let pool: LookUp;
beforeAll(async () => {
  running = await Running.start();
  at = (await running.project()).at;
  await running.compared(at, 100);
  [pool] = await running.api.get(`${at}/look-ups`);
});
afterAll(() => running.stop());

const gaps = (more: string): Promise<GapPage> => running.api.get(`${at}/gaps?${SCOPE}&${more}`);
const named = (text: string): Promise<GapRow[]> =>
  gaps(`find=${encodeURIComponent(text)}&limit=200`).then(({ rows }) => rows);
const refused = async (path: string, body: unknown, method = 'POST') => {
  const answer = await fetch(`${running.server.url}/api${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  return { status: answer.status, ...((await answer.json()) as { code: string; message: string }) };
};

describe('a keyword that comes to mind', () => {
  const hits = (text: string, limit = 8): Promise<KeywordHits> =>
    running.api.get(`${at}/keyword-hits?${SCOPE}&text=${encodeURIComponent(text)}&limit=${limit}`);

  test('is found as it is first, then those that begin with it, then the most searched', async () => {
    const { exact, hits: found } = await hits('Bike  BAG', 20);
    expect(found[0]).toMatchObject({ id: exact, text: 'bike bag' });
    const begins = found.slice(1).map(({ text }) => key(text).startsWith('bike bag'));
    expect(begins).toContain(true);
    // None that begins with it after one that does not; each of both by its searches.
    expect(begins).toEqual([...begins].sort((one, other) => Number(other) - Number(one)));
    for (const group of [true, false]) {
      const volumes = found.slice(1).flatMap(({ volume }, n) => (begins[n] === group ? (volume ?? 0) : []));
      expect(volumes).toEqual([...volumes].sort((one, other) => other - one));
    }
    const row = (await named(found[0]!.text)).find(({ id }) => id === exact);
    expect(found[0]).toMatchObject({ kind: row!.kind, own: row!.own, volume: row!.volume });
  });

  test('a rare one is found although many hold its words', async () => {
    const { rows } = await gaps('sort=volume&limit=1&find=bags');
    const [rare] = rows;
    expect((await hits(rare!.text, 1)).hits).toMatchObject([{ id: rare!.id }]);
  });

  test('one that nobody looked up is none, until it is looked up: then it has a chance', async () => {
    const text = 'pannier liner sewing kit';
    expect(await hits(text)).toMatchObject({ exact: null });
    const order = { market: MARKET, date: DATE, keywords: [text], extent: 'captures', captureMost: 1 };
    const { units } = await running.api.post(`${at}/look-ups/price`, order);
    expect(units).toBe(2);
    const { job } = await running.api.post(`${at}/look-ups`, order);
    const { progress } = await running.api.finished(job.id);
    expect(progress.units).toBe(units);
    const { exact } = await hits(text);
    const { row } = await running.api.get(`${at}/keywords/${exact}/dossier?${SCOPE}`);
    expect(row.kind).not.toBe('unknown');
    expect(row.chance).toBeGreaterThanOrEqual(0);
    // Its page is held now: it is not paid for twice.
    const { parts } = await running.api.post(`${at}/look-ups/price`, order);
    expect(parts.filter(({ what }: { what: string }) => /capture|result page/.test(what))).toMatchObject([
      { units: 0, held: true },
    ]);
  });
});

test('what nobody looked at has a provisional word, and a capture settles it', async () => {
  const page = await gaps('kinds=unknown&sort=-volume&limit=3');
  expect(page.totals.typicalGain).toBeGreaterThan(0);
  const [row] = page.rows;
  expect(row).toMatchObject({ action: 'capture first', worthAMonth: null });
  const order = { market: MARKET, date: DATE, keywords: [row!.text], extent: 'captures', captureMost: 1 };
  const { job } = await running.api.post(`${at}/look-ups`, order);
  await running.api.finished(job.id);
  const settled = (await named(row!.text)).find(({ id }) => id === row!.id)!;
  expect(settled.kind).not.toBe('unknown');
  expect(settled.captureDate).toBe(DATE);
});

describe('words that are better not aimed at', () => {
  test('a rival’s name is doubtful wherever the keyword stands, until somebody lets it in', async () => {
    const rows = (await named('cobblemoor')).filter(({ text }) => ` ${key(text)} `.includes(' cobblemoor '));
    expect(rows.length).toBeGreaterThan(2);
    for (const { warnings } of rows)
      expect(warnings).toEqual([
        { text: 'Cobblemoor', level: 'doubtful', reason: 'a rival’s name', allowed: null },
      ]);
    const [first] = rows;
    const { row } = await running.api.get(`${at}/keywords/${first!.id}/dossier?${SCOPE}`);
    expect(row.warnings).toEqual(first!.warnings);
    const sifted: SiftPage = await running.api.post(`/look-ups/${pool.id}/sift`, {
      steps: [],
      find: first!.text,
    });
    expect(sifted.rows[0]!.banned).toMatchObject([{ text: 'Cobblemoor', level: 'doubtful' }]);
    // In a report, too, where the keyword is among the chosen.
    const { id: report } = await running.api.post(`${at}/reports`, {
      template: 'empty',
      market: MARKET,
      date: DATE,
    });
    const saved = await running.api.get(`${at}/reports/${report}`);
    await running.api.put(`${at}/reports/${report}`, {
      revision: saved.revision,
      document: {
        ...saved.document,
        sections: [{ id: 'g', kind: 'gaps', heading: '', settings: { keywords: [first!.id] } }],
      },
    });
    const told = async (): Promise<string> => {
      const content: ReportContent = await running.api.get(`${at}/reports/${report}/content?${SCOPE}`);
      return JSON.stringify(content.sections);
    };
    expect(await told()).toContain('Holds “Cobblemoor”: doubtful, a rival’s name.');
    await running.api.post(`${at}/verdicts`, {
      changes: [{ keyword: first!.id, verdict: 'fit', reason: 'we stock it' }],
      person: 'Ines',
    });
    const [allowed] = (await named(first!.text)).filter(({ id }) => id === first!.id);
    expect(allowed!.warnings[0]!.allowed).toMatchObject({ person: 'Ines', reason: 'we stock it' });
    expect(await told()).toContain('a rival’s name; allowed by Ines on');
    // What is said of one keyword is said of no other.
    const [other] = (await named('cobblemoor')).filter(({ id }) => id === rows[1]!.id);
    expect(other!.warnings[0]!.allowed).toBeNull();
  });

  test('a word of the list counts in its language and on its surface only', async () => {
    const [{ text }] = (await named('bags')) as [GapRow];
    const word = key(text).split(' ')[0]!;
    const marked = async (): Promise<number> =>
      (await named(text))[0]!.warnings.filter((warning) => warning.text === word).length;
    for (const elsewhere of [
      { language: 'de', surface: '' },
      { language: '', surface: 'video' },
    ]) {
      await running.api.post(`${at}/banned-words`, {
        text: word,
        level: 'forbidden',
        reason: '',
        ...elsewhere,
      });
      expect(await marked()).toBe(0);
    }
    await running.api.post(`${at}/banned-words`, {
      ...{ text: word, level: 'forbidden', reason: '', language: 'en', surface: 'web' },
    });
    expect(await marked()).toBe(1);
  });
});

describe('sieves', () => {
  const through = async (sieve: Sieve, more: object = {}): Promise<SiftPage> =>
    running.api.post(`/look-ups/${pool.id}/sift`, {
      steps: [{ id: 'one', on: true, sieve }],
      limit: 500,
      ...more,
    });
  const all = async (): Promise<SiftPage['rows']> => {
    const rows: SiftPage['rows'] = [];
    for (let offset = 0; ; offset += 500) {
      const page: SiftPage = await running.api.post(`/look-ups/${pool.id}/sift`, {
        ...{ steps: [], limit: 500, offset },
      });
      rows.push(...page.rows);
      if (rows.length >= page.total) return rows;
    }
  };

  test('several phrases in one, any of them', async () => {
    const wanted = (await all()).filter(({ text }) =>
      ['frame bag', 'dry bags'].some((phrase) => ` ${key(text)} `.includes(` ${phrase} `)),
    );
    const page = await through({ kind: 'words', mode: 'phrase', text: 'frame bag, dry bags,', out: false });
    expect(wanted.length).toBeGreaterThan(3);
    expect(page.total).toBe(wanted.length);
  });

  test.each(['any word', 'all words', 'phrase'] as const)('%s in any form', async (mode) => {
    const sought = stems('pannier bags', 'en');
    const holds = (text: string): boolean => {
      const own = stems(key(text), 'en');
      if (mode === 'any word') return sought.some((form) => own.includes(form));
      if (mode === 'all words') return sought.every((form) => own.includes(form));
      return own.some((form, n) => form === sought[0] && own[n + 1] === sought[1]);
    };
    const wanted = (await all()).filter(({ text }) => holds(text));
    const page = await through({ kind: 'words', mode, text: 'pannier bags', out: false, stems: true });
    expect(page.total).toBe(wanted.length);
    const written = await through({ kind: 'words', mode, text: 'pannier bags', out: false });
    expect(written.total).toBeLessThan(page.total);
  });

  test('by whether somebody typed in where it was seen', async () => {
    const [first] = await all();
    const seen = (out: boolean) => through({ kind: 'seen by hand', out });
    expect((await seen(false)).total).toBe(0);
    const [own] = await running.api.get(`${at}/targets`);
    await running.api.post(`${at}/keywords/${first!.id}/hand`, { target: own.id, date: DATE, organic: 7 });
    expect((await seen(false)).rows.map(({ id }) => id)).toEqual([first!.id]);
    expect((await seen(true)).total).toBe(pool.keywords - 1);
  });

  test('by why it was judged; parked ones last; figures of sieves as columns', async () => {
    const [first, second, third] = (await all()).slice(0, 3);
    await running.api.post(`${at}/verdicts`, {
      changes: [
        { keyword: first!.id, verdict: 'off', reason: 'too broad' },
        { keyword: second!.id, verdict: 'adjacent', reason: 'complement' },
        { keyword: third!.id, verdict: 'unjudged', parked: true, reason: 'ask the shop' },
      ],
      person: 'Ines',
    });
    const reason = (reasons: string[], out = false) => through({ kind: 'reason', reasons, out });
    expect((await reason(['too broad', 'complement'])).rows.map(({ id }) => id).sort()).toEqual(
      [first!.id, second!.id].sort(),
    );
    expect((await reason(['too broad'], true)).total).toBe(pool.keywords - 1);
    const figures = ['exact rivals', 'appearances', 'imported difficulty'];
    const last: SiftPage = await running.api.post(`/look-ups/${pool.id}/sift`, {
      ...{ steps: [], limit: 2, offset: pool.keywords - 2, parkedLast: true, figures },
    });
    expect(last.rows.at(-1)!.id).toBe(third!.id);
    expect(Object.keys(last.rows[0]!.figures)).toEqual(figures);
    const most: SiftPage = await running.api.post(`/look-ups/${pool.id}/sift`, {
      ...{ steps: [], limit: 20, figures },
    });
    expect(most.rows.some(({ figures: { 'exact rivals': rivals } }) => typeof rivals === 'number')).toBe(
      true,
    );
    for (const {
      figures: { 'imported difficulty': none },
    } of most.rows)
      expect(none).toBeNull();
  });

  test('what one removed is looked through', async () => {
    const steps = [
      { id: 'one', on: true, sieve: { kind: 'words', mode: 'any word', text: 'bags', out: true } },
    ];
    const removed = (find: string): Promise<{ total: number; rows: { text: string }[] }> =>
      running.api.post(`/look-ups/${pool.id}/sift/removed`, { steps, step: 0, find, limit: 500 });
    const found = await removed('water');
    expect(found.total).toBeGreaterThan(0);
    expect(found.total).toBeLessThan((await removed('')).total);
    for (const { text } of found.rows) expect(text).toMatch(/water.*/);
  });
});

describe('a pool', () => {
  test('says which page ranks best, and of seeds where we and rivals stand', async () => {
    const { rows, targets } = await running.api.get(`/look-ups/${pool.id}/keywords?limit=50&sort=-volume`);
    for (const { page, organic } of rows as { page: string | null; organic: (number | null)[] }[]) {
      const held = organic.flatMap((position, t) => (position === null ? [] : [{ position, t }]));
      if (held.length === 0) continue;
      const best = Math.min(...held.map(({ position }) => position));
      const holders = held.filter(({ position }) => position === best).map(({ t }) => targets[t] as string);
      expect(holders.some((holder) => page!.startsWith(`${holder}/`) || page === holder)).toBe(true);
    }
    const { id, job } = await running.api.post(`${at}/look-ups`, {
      ...{ market: MARKET, date: DATE, seeds: ['pannier'], ways: ['phrase'], extent: 'positions' },
    });
    await running.api.finished(job.id);
    const seeds = await running.api.get(`/look-ups/${id}/keywords?limit=30&sort=-volume`);
    expect(seeds.targets).toEqual([]);
    let known = 0;
    for (const { id: keyword, standing } of seeds.rows) {
      const { row } = await running.api.get(`${at}/keywords/${keyword}/dossier?${SCOPE}`);
      expect(standing).toEqual({
        own: row.own,
        ownPaid: row.ownPaid,
        rivals: row.rivals,
        rivalsPaid: row.rivalsPaid,
      });
      if (typeof row.own === 'number') known++;
    }
    expect(known).toBeGreaterThan(0);
  });
});

describe('look-ups', () => {
  const list = (): Promise<LookUp[]> => running.api.get(`${at}/look-ups`);

  test('are named anew, taken out of the list and brought back; what they found stays known', async () => {
    const [{ id, keywords }] = (await list()) as [LookUp];
    const before = (await gaps('limit=1')).totals.keywords;
    expect(await running.api.patch(`/look-ups/${id}`, { name: ' Spring rivals ' })).toMatchObject({
      ...{ id, name: 'Spring rivals', keywords },
    });
    await running.api.patch(`/look-ups/${id}`, { removed: true });
    expect((await list()).map((one) => one.id)).not.toContain(id);
    expect((await gaps('limit=1')).totals.keywords).toBe(before);
    await running.api.patch(`/look-ups/${id}`, { removed: false });
    expect((await list())[0]).toMatchObject({ id, name: 'Spring rivals' });
    expect((await refused(`/look-ups/${id}`, { name: ' ' }, 'PATCH')).status).toBe(400);
    expect((await refused('/look-ups/99999', { name: 'x' }, 'PATCH')).status).toBe(404);
  });

  test('a day that is still to come is refused', async () => {
    const { today } = await running.api.get('/services');
    const later = new Date(Date.parse(today) + 86_400_000).toISOString().slice(0, 10);
    const asked = { market: MARKET, keywords: ['frame bag'], extent: 'positions' };
    expect(await refused(`${at}/look-ups`, { ...asked, date: later })).toMatchObject({
      status: 400,
      code: 'day-to-come',
    });
    expect((await refused(`${at}/look-ups`, { ...asked, date: today })).status).toBe(200);
  });
});
