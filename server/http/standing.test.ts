import type { Around } from '@opsimath/contract/api/around';
import { key } from '@opsimath/core/text/key';
import type { OverTime } from '@opsimath/contract/api/overTime';
import type { OwnQueryPage, OwnQueryRow } from '@opsimath/contract/api/ownQueries';
import type { GapRow } from '@opsimath/contract/api/gaps';
import type { PaidView } from '@opsimath/contract/api/paid';
import { BEFORE, DATE, MARKET, OWN, Running } from '../testing/running';

const SCOPE = `market=${MARKET}&date=${DATE}&compare=${BEFORE}`;
let running: Running;
let at: string;

const PERFORMANCE = [
  'Date,Query,Page,Clicks,Impressions,Average position',
  // This week.
  `2026-03-12,waterproof panniers,https://${OWN}/fell,2,400,3.2`,
  `2026-03-13,waterproof panniers,https://${OWN}/fell,1,200,2.8`,
  `2026-03-13,frame bag,https://${OWN}/frame,90,300,2`,
  `2026-03-12,rain cover,https://${OWN}/rain,30,60,14`,
  `2026-03-12,saddle bag,https://${OWN}/saddle,0,900,15.4`,
  `2026-03-12,tiny,https://${OWN}/tiny,1,3,1`,
  // The week before.
  `2026-03-05,waterproof panniers,https://${OWN}/fell,8,300,4`,
].join('\n');
const TERMS = [
  'Date,Search term,Keyword,Match type,Landing page,Impressions,Clicks,Cost,Conversions,Conversion value',
  `2026-03-10,frame bag,frame bag,exact,https://${OWN}/frame,1000,40,20,4,300`,
  `2026-03-11,frame bag,frame bag,exact,https://${OWN}/frame,500,10,6,0,0`,
  `2026-03-11,cheap frame bag,frame bag,broad,https://${OWN}/frame,400,20,60,0,0`,
  `2026-03-11,what is a frame bag,frame bag,broad,https://${OWN}/frame,100,0,0,0,0`,
  `2026-03-11,rain cover,rain cover,exact,https://${OWN}/rain,0,0,0,0,0`,
].join('\n');

beforeAll(async () => {
  running = await Running.start();
  at = (await running.project()).at;
  await running.compared(at, 120);
  await running.bringIn(at, 'own.csv', 'performance', PERFORMANCE);
  await running.bringIn(at, 'terms.csv', 'ad terms', TERMS);
});
afterAll(() => running.stop());

describe('own queries', () => {
  const queries = (more = ''): Promise<OwnQueryPage> =>
    running.api.get(`${at}/own-queries?market=${MARKET}&date=${DATE}&own=7%20days${more}`);
  const of = (page: OwnQueryPage, text: string): OwnQueryRow => page.rows.find((row) => row.text === text)!;

  test('sums of the period, of the one before, and clicks that were to be expected', async () => {
    const page = await queries();
    expect(page).toMatchObject({
      from: '2026-03-07',
      to: '2026-03-13',
      beforeFrom: '2026-02-28',
      beforeTo: '2026-03-06',
      until: '2026-03-13',
      queries: 5,
      sum: { clicks: 124, impressions: 1863 },
      sumBefore: { clicks: 8, impressions: 300, position: 4 },
    });
    const { curve } = await running.api.get(`${at}/models?market=${MARKET}&date=${DATE}`);
    const used = (position: number): number => curve.points[position - 1].used;
    const panniers = of(page, 'waterproof panniers');
    expect(panniers).toMatchObject({ clicks: 3, impressions: 600, before: { clicks: 8 } });
    expect(panniers.position).toBeCloseTo((3.2 * 400 + 2.8 * 200) / 600, 9);
    expect(panniers.expected).toBeCloseTo(600 * used(3), 9);
    expect(of(page, 'saddle bag').expected).toBeCloseTo(900 * used(15), 9);
    expect(of(page, 'tiny').ctr).toMatchObject({ rate: 1 / 3, thin: true });
    expect(of(page, 'rain cover').before).toBeNull();
  });

  test('weak snippets, strong ones outside the front, many seen with few clicks, near', async () => {
    const page = await queries();
    expect(of(page, 'waterproof panniers').word).toBe('weak snippet');
    expect(of(page, 'rain cover').word).toBe('strong');
    const told = async (group: string): Promise<string[]> => {
      const { rows, total, groups } = await queries(`&group=${encodeURIComponent(group)}`);
      expect(total).toBe(groups[group as keyof typeof groups]);
      expect(total).toBe(page.groups[group as keyof typeof groups]);
      return rows.map(({ text }) => text).sort();
    };
    expect(await told('weak snippet')).toContain('waterproof panniers');
    expect(await told('strong outside the front')).toEqual(['rain cover']);
    expect(await told('near')).toEqual(['saddle bag']);
    expect(await told('many seen, few clicks')).toContain('saddle bag');
    // The frame bag is bid on.
    expect(await told('unlisted')).not.toContain('frame bag');
    expect(await told('unlisted')).toContain('waterproof panniers');
  });

  test('a goal says how many clicks are short of it', async () => {
    const page = await queries('&goal=0.1&group=below%20the%20goal');
    expect(page.rows.map(({ text, shortfall }) => [text, shortfall])).toEqual([
      ['waterproof panniers', 57],
      ['saddle bag', 90],
    ]);
    expect((await queries()).groups['below the goal']).toBe(0);
  });

  test.each(['clicks', 'impressions', 'ctr', 'position', 'expected', 'ratio', 'change'])(
    'sorted by %s, both ways, unknown last',
    async (sort) => {
      const down = await queries(`&sort=${sort}`);
      const up = await queries(`&sort=${sort}&descending=false`);
      const figure = (row: OwnQueryRow): number | null =>
        sort === 'ctr'
          ? row.ctr.rate
          : sort === 'ratio'
            ? (row.ratio?.ratio ?? null)
            : sort === 'change'
              ? row.before && row.clicks - row.before.clicks
              : (row[sort as 'clicks'] as number | null);
      for (const [page, sign] of [
        [down, -1],
        [up, 1],
      ] as const) {
        const values = page.rows.map(figure);
        const known = values.filter((value) => value !== null);
        expect(values.slice(known.length).every((value) => value === null)).toBe(true);
        expect(known).toEqual([...known].sort((a, b) => sign * (a - b)));
      }
    },
  );

  test('a market without own figures says so', async () => {
    const page = await running.api.get(`${at}/own-queries?market=web-gb-en&date=${DATE}`);
    expect(page).toMatchObject({ until: null, queries: 0, rows: [], sumBefore: null });
  });
});

describe('paid', () => {
  const paid = (more = ''): Promise<PaidView> => running.api.get(`${at}/paid?${SCOPE}${more}`);

  test('terms against the keyword list, with what they cost and brought', async () => {
    const view = await paid();
    expect(view.sum).toEqual({ impressions: 2000, clicks: 70, cost: 86, conversions: 4, value: 300 });
    const row = (text: string) => view.rows.find((term) => term.text === text)!;
    expect(row('frame bag')).toMatchObject({
      clicks: 50,
      cost: 26,
      state: 'listed',
      bidOn: 'frame bag',
      match: 'exact',
    });
    // Twice 86 ÷ 4 is 43: 60 without a conversion is costly.
    expect(view.targetCost).toBe(21.5);
    expect(row('cheap frame bag')).toMatchObject({ state: 'unlisted with clicks', costly: true });
    expect(row('what is a frame bag')).toMatchObject({ state: 'unlisted', costly: false });
    expect(row('rain cover').unseen).not.toBeNull();
    expect(view.counts).toMatchObject({
      listed: 2,
      'unlisted with clicks': 1,
      unlisted: 1,
      costly: 1,
      'no impressions': 1,
    });
    const [costly] = (await paid('&state=costly')).rows;
    expect(costly!.text).toBe('cheap frame bag');
    for (const { shrunkCtr, ctr } of view.rows.filter(({ impressions }) => impressions > 0)) {
      expect(shrunkCtr).toBeGreaterThan(0);
      expect(Math.abs(shrunkCtr! - 0.035)).toBeLessThanOrEqual(Math.abs(ctr.rate! - 0.035) + 1e-9);
    }
  });

  test('what rivals buy and we do not is summed over exactly those keywords', async () => {
    const { unbid } = await paid();
    const { total, rows } = await running.api.get(`${at}/gaps?${SCOPE}&paid=unbid&limit=500`);
    expect(unbid.keywords).toBe(total);
    const sum = (of: (row: GapRow) => number | null): number =>
      (rows as GapRow[]).reduce((all, row) => all + Math.max(0, of(row) ?? 0), 0);
    expect(unbid.searches).toBeCloseTo(
      sum(({ volume }) => volume),
      6,
    );
    expect(unbid.adds).toBeCloseTo(
      sum(({ worthAMonth }) => worthAMonth),
      4,
    );
  });

  test('conversion is weighed against volume, where there was a click', async () => {
    const { rows, balances } = await paid();
    for (const { clicks, shrunkConversion, balance } of rows) {
      expect(shrunkConversion === null).toBe(clicks === 0);
      if (clicks === 0) expect(balance).toBeNull();
    }
    for (const [name, count] of Object.entries(balances))
      expect((await paid(`&balance=${encodeURIComponent(name)}`)).total).toBe(count);
  });

  test('a set cost of a conversion decides instead of what one costs now', async () => {
    await running.api.patch(at, { settings: { targetCost: 40 } });
    const view = await paid();
    expect([view.targetCost, view.targetCostSet, view.counts.costly]).toEqual([40, true, 0]);
    await running.api.patch(at, { settings: { targetCost: null } });
  });

  test('paid against organic keywords of every side, as the rows of the gaps say', async () => {
    const { sides } = await paid();
    const first = await running.api.get(`${at}/gaps?${SCOPE}&limit=500`);
    const rows = [...first.rows];
    for (let offset = 500; offset < first.total; offset += 500)
      rows.push(...(await running.api.get(`${at}/gaps?${SCOPE}&limit=500&offset=${offset}`)).rows);
    const ranked = (of: (row: never) => unknown): number =>
      rows.filter((row) => typeof of(row as never) === 'number').length;
    expect(sides[0]).toMatchObject({
      organic: ranked(({ own }: { own: unknown }) => own),
      paid: ranked(({ ownPaid }: { ownPaid: unknown }) => ownPaid),
    });
    sides.slice(1).forEach((side, r) =>
      expect(side).toMatchObject({
        organic: ranked(({ rivals }: { rivals: unknown[] }) => rivals[r]),
        paid: ranked(({ rivalsPaid }: { rivalsPaid: unknown[] }) => rivalsPaid[r]),
      }),
    );
    for (const { organic, paid: bought, missing } of sides)
      expect(missing).toBe(Math.max(0, Math.round(organic! / 2 - bought!)));
  });

  test('own conversions give a click its worth before its CPC does', async () => {
    const { rows } = await running.api.get(`${at}/gaps?${SCOPE}&find=frame%20bag&limit=500`);
    const frame = rows.find(({ text }: { text: string }) => text === 'frame bag');
    expect(frame.worthSource).toBe('own conversions');
    const sum = (await running.api.get(`${at}/keywords/${frame.id}/dossier?${SCOPE}`)).sum;
    expect(sum.find(({ name }: { name: string }) => name === 'Worth of a click').how).toContain('conversion');
    const cover = (await running.api.get(`${at}/gaps?${SCOPE}&find=panniers&limit=1`)).rows[0];
    expect(cover.worthSource).toBe('CPC');
  });
});

describe('over time', () => {
  test('the newest day says of every side what the gaps say, and changes are those of the rows', async () => {
    const answer: OverTime = await running.api.get(`${at}/over-time?${SCOPE}`);
    expect(answer.dates.map(({ date }) => date)).toEqual([BEFORE, DATE]);
    const last = answer.dates.at(-1)!;
    for (const { share, visibility, depth } of last.sides) {
      expect(share).toBeGreaterThanOrEqual(0);
      expect(share).toBeLessThanOrEqual(1);
      expect(visibility).toBeLessThanOrEqual(1);
      expect(depth.reduce((sum, keywords) => sum + keywords, 0)).toBe(last.captured);
    }
    const { totals } = await running.api.get(`${at}/gaps?${SCOPE}&limit=1`);
    expect(answer.changes![0]).toMatchObject({
      gained: totals.marks.gained,
      lost: totals.marks.lost,
      climbing: totals.marks.climbing,
      slipping: totals.marks.slipping,
    });
    expect(answer.keywords).toBe(totals.keywords);
    for (const { came, left, now, volume } of answer.newcomers) {
      expect(came).toBeGreaterThan(left);
      expect(now).toBeGreaterThanOrEqual(came);
      expect(volume).toBeGreaterThanOrEqual(0);
    }
  });

  test('of a choice only its keywords are told; without a compare-with date nothing changed', async () => {
    const absent = await running.api.get(`${at}/gaps?${SCOPE}&kinds=absent&limit=1`);
    const answer: OverTime = await running.api.get(
      `${at}/over-time?market=${MARKET}&date=${DATE}&kinds=absent`,
    );
    expect(answer.keywords).toBe(absent.total);
    expect([answer.changes, answer.newcomers]).toEqual([null, []]);
    expect(answer.dates.at(-1)!.sides[0]!.depth.slice(0, 5)).toEqual([0, 0, 0, 0, 0]);
  });

  test('before the first capture there is no line to draw', async () => {
    const answer: OverTime = await running.api.get(`${at}/over-time?market=${MARKET}&date=2024-01-01`);
    expect(answer.dates).toEqual([]);
    const page = await running.api.get(`${at}/gaps?market=${MARKET}&date=2024-01-01&limit=1`);
    expect(page.totals.kinds.unknown).toBe(page.totals.keywords);
    expect(page.rests.latest).toBeNull();
  });

  test('every day is drawn over the same keywords; who begins later has more of them', async () => {
    const ask = (more = ''): Promise<OverTime> => running.api.get(`${at}/over-time?${SCOPE}${more}`);
    const before = await ask();
    const { rows } = await running.api.get(`${at}/gaps?${SCOPE}&sort=-volume&limit=500`);
    const fresh = rows.filter(({ captureDate }: { captureDate: string | null }) => captureDate === null);
    const keywords = fresh.slice(0, 7).map(({ id }: { id: number }) => id);
    const { id } = await running.api.post(`${at}/captures`, { market: MARKET, dates: [DATE], keywords });
    await running.api.finished(id);
    const after = await ask();
    // More captures on the last day move nothing that was drawn.
    expect(after.panel).toBe(before.panel);
    expect(after.dates.map(({ sides }) => sides)).toEqual(before.dates.map(({ sides }) => sides));
    expect(after.dates.at(-1)!.captured).toBe(before.dates.at(-1)!.captured + 7);
    for (const { sides } of after.dates)
      for (const { depth } of sides) expect(depth.reduce((sum, count) => sum + count, 0)).toBe(after.panel);
    // The last day alone has them all.
    const late = await ask(`&from=${DATE}`);
    expect([late.dates.map(({ date }) => date), late.panel]).toEqual([[DATE], before.panel + 7]);
    expect(after.bases.map(({ keywords: count }) => count)).toEqual([before.panel, before.panel + 7]);
  });
});

test('what lies around a keyword agrees with its captured page', async () => {
  const { rows } = await running.api.get(`${at}/gaps?${SCOPE}&bands=4–10,11–20&sort=-volume&limit=1`);
  const [row] = rows;
  const found: Around = await running.api.get(`${at}/keywords/${row.id}/around?${SCOPE}`);
  const page = await running.api.get(`${at}/keywords/${row.id}/result-page?market=${MARKET}&date=${DATE}`);
  const ours = page.slots.find(
    (slot: { kind: string; side: string }) => slot.kind === 'organic' && slot.side === 'own',
  );
  const { organic, paid, features, page: number } = found.before!;
  expect(organic).toBe(row.own - 1);
  expect(organic + paid + features).toBe(ours.slot - 1);
  expect(number).toBe(Math.ceil(row.own / 10));
  const front = page.slots.filter(
    (slot: { kind: string; position: number }) => slot.kind === 'organic' && slot.position <= 10,
  );
  const authority = found.front!.quartiles.find(({ name }) => name === 'authority')!;
  const known = front.flatMap((slot: { authority: number | null }) => slot.authority ?? []);
  expect([authority.known, authority.least, authority.most]).toEqual([
    known.length,
    Math.min(...known),
    Math.max(...known),
  ]);
  const organicSlots = page.slots.filter((slot: { kind: string }) => slot.kind === 'organic');
  const keyed = (text: string | null): string => ` ${key(text ?? '')} `;
  expect(found.front!.exactInDepth).toEqual({
    rivals: organicSlots.filter(
      (slot: { side: string; title: string | null }) =>
        slot.side !== 'own' && keyed(slot.title).includes(keyed(row.text)),
    ).length,
    results: organicSlots.length,
  });
  for (const { kind, place, of } of found.front!.blocks) {
    const alike = page.slots.filter((slot: { kind: string }) => slot.kind === kind);
    expect([of, place <= of]).toEqual([alike.length, true]);
  }
  expect(found.rough.clicksASearch).toBeGreaterThan(0);
  expect(found.rough.clicksASearch).toBeLessThanOrEqual(1);
  // Ads of every capture, counted on its page.
  const { history } = await running.api.get(`${at}/keywords/${row.id}/dossier?${SCOPE}`);
  const ads = history.filter((point: { ads: number | null }) => point.ads !== null);
  expect(ads.length).toBeGreaterThan(0);
  for (const point of ads) {
    const then = await running.api.get(
      `${at}/keywords/${row.id}/result-page?market=${MARKET}&date=${point.date}`,
    );
    const slots = then.slots.filter((slot: { kind: string }) => slot.kind === 'paid');
    expect([point.date, point.ads]).toEqual([point.date, slots.length]);
  }
  expect(found.candidates[0]).toMatchObject({ address: ours.address, position: row.own });
  for (const neighbour of found.neighbours)
    expect(neighbour.chance).toBeGreaterThanOrEqual(1.5 * row.chance - 1e-9);
  expect(found.markets.find(({ market }) => market === MARKET)).toMatchObject({
    volume: row.volume,
    own: row.own,
  });
  expect(found.markets.find(({ market }) => market === 'web-gb-en')!.own).toBe('unknown');
  await expect(running.api.get(`${at}/keywords/999999/around?${SCOPE}`)).rejects.toThrow(/not in this scope/);
});
