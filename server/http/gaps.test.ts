import type { Alternative } from '@opsimath/contract/api/dossier';
import type { GapRow } from '@opsimath/contract/api/gaps';
import type { MarketModels } from '@opsimath/contract/api/models';
import { seasonIndices } from '@opsimath/core/demand/season';
import { BEFORE, DATE, MARKET, OWN, RIVALS, Running } from '../testing/running';

interface Slot {
  kind: string;
  slot: number;
  position: number | null;
  record: number | null;
}
interface Answer {
  records: { parent: string | null; address: string; title: string; figures: { authority: number } }[];
  pages: { keyword: string; slots: Slot[] }[];
}
type Row = GapRow;

const SCOPE = `market=${MARKET}&date=${DATE}&compare=${BEFORE}`;
let running: Running;
let at: string;
let rows: Row[];
let page: {
  total: number;
  totals: { keywords: number; kinds: Record<string, number>; paid: Record<string, number> };
  rivals: unknown[];
};

beforeAll(async () => {
  running = await Running.start();
  at = (await running.project()).at;
  await running.compared(at, 300);
  page = await running.api.get(`${at}/gaps?${SCOPE}&limit=1`);
  rows = [];
  for (let offset = 0; offset < page.total; offset += 500) {
    rows.push(...(await running.api.get(`${at}/gaps?${SCOPE}&limit=500&offset=${offset}`)).rows);
  }
});
afterAll(() => running.stop());

const byText = (text: string): Row => rows.find((row) => row.text === text)!;

/** Positions as the services show them: best organic and paid of each site, absent when not on the page. */
async function witnessPositions(keywords: string[], date: string) {
  const answer = await running.witness<Answer>('/result-pages', {
    market: MARKET,
    date,
    depth: 100,
    keywords,
  });
  return new Map(
    answer.pages.map((shown) => {
      const best = (host: string, kind: string): number | 'absent' => {
        const held = shown.slots.filter(
          (slot) =>
            slot.kind === kind && slot.record !== null && answer.records[slot.record]!.parent === host,
        );
        return held.length > 0 ? Math.min(...held.map((slot) => slot.position!)) : 'absent';
      };
      const sides = [OWN, ...RIVALS];
      const firstOrganic = Math.min(
        ...shown.slots.filter((slot) => slot.kind === 'organic').map((slot) => slot.slot),
      );
      const above = shown.slots.filter((slot) => slot.slot < firstOrganic).map((slot) => slot.kind);
      const front = shown.slots
        .filter((slot) => slot.kind === 'organic' && slot.position! <= 10)
        .map((slot) => answer.records[slot.record!]!);
      return [
        shown.keyword,
        {
          organic: sides.map((host) => best(host, 'organic')),
          paid: sides.map((host) => best(host, 'paid')),
          above,
          front,
        },
      ] as const;
    }),
  );
}

const depth = (position: number | 'absent'): number => (position === 'absent' ? Infinity : position);
function kindOf(own: number, rivals: number[]): string {
  if (own > 10 && Math.min(...rivals) > 10) return 'open';
  if (own === Infinity) return 'absent';
  if (own > 10) return 'buried';
  if (Math.min(...rivals) < own) return 'trailing';
  return Math.min(...rivals) < Infinity ? 'leading' : 'alone';
}

test('positions, kind, spread, paid state and movement agree with the services’ own pages', async () => {
  const captured = rows.filter((row) => row.captureDate === DATE).slice(0, 200);
  expect(captured.length).toBe(200);
  const now = await witnessPositions(
    captured.map((row) => row.text),
    DATE,
  );
  const before = await witnessPositions(
    captured.map((row) => row.text),
    BEFORE,
  );
  for (const row of captured) {
    const { organic, paid } = now.get(row.text)!;
    const rivals = organic.slice(1).map(depth);
    expect({
      text: row.text,
      own: row.own,
      rivals: row.rivals,
      ownPaid: row.ownPaid,
      rivalsPaid: row.rivalsPaid,
    }).toEqual({
      text: row.text,
      own: organic[0],
      rivals: organic.slice(1),
      ownPaid: paid[0],
      rivalsPaid: paid.slice(1),
    });
    expect([row.text, row.kind]).toEqual([row.text, kindOf(depth(organic[0]!), rivals)]);
    expect(row.spread).toBe(rivals.filter((position) => position <= 10).length);
    const paying = paid
      .slice(1)
      .map(depth)
      .filter((slot) => slot < Infinity);
    const mine = depth(paid[0]!);
    expect(row.paid).toBe(
      mine === Infinity
        ? paying.length
          ? 'unbid'
          : 'quiet'
        : paying.length === 0
          ? 'only us'
          : Math.min(...paying) < mine
            ? 'outbid'
            : 'top',
    );
    expect(row.doubling).toBe(mine < Infinity && depth(organic[0]!) <= 3);
    const old = before.get(row.text)!.organic[0]!;
    expect(row.ownBefore).toBe(old);
    expect(row.moved).toBe(old === 'absent' || organic[0] === 'absent' ? null : old - (organic[0] as number));
  }
});

test('difficulty, demand, gain, expected worth and priority are worked out as the method says', async () => {
  const captured = rows.filter((row) => row.captureDate === DATE).slice(0, 100);
  const now = await witnessPositions(
    captured.map((row) => row.text),
    DATE,
  );
  const { rows: metrics } = await running.witness<{
    rows: {
      keyword: string;
      months: number[];
      firstMonth: string;
      cpcLow: number | null;
      cpcHigh: number | null;
    }[];
  }>('/metrics', { market: MARKET, date: DATE, keywords: captured.map((row) => row.text) });
  for (const metric of metrics) {
    const row = byText(metric.keyword);
    const { above, front } = now.get(row.text)!;
    const volume = Math.round(metric.months.slice(-12).reduce((sum, count) => sum + count, 0) / 12);
    const season = seasonIndices(metric.months, Number(metric.firstMonth.slice(5)) - 1);
    const demand = season ? (volume * (season[3]! + season[4]! + season[5]!)) / 3 : volume;
    expect(row.volume).toBe(volume);
    expect(row.demand).toBeCloseTo(demand, 6);
    const authorities = front.map((record) => record.figures.authority).sort((a, b) => a - b);
    const middle = (authorities[(authorities.length - 1) >> 1]! + authorities[authorities.length >> 1]!) / 2;
    const phrase = front.filter((record) =>
      ` ${record.title.toLowerCase().replace(/[^a-z0-9'&+#-]+/g, ' ')} `.includes(` ${metric.keyword} `),
    ).length;
    expect([row.text, row.difficulty]).toEqual([
      row.text,
      Math.round(0.7 * middle + (30 * phrase) / front.length),
    ]);
    const paidAbove = above.filter((kind) => kind === 'paid').length;
    const factor =
      (above.includes('answer box') ? 0.85 : 1) *
      (above.includes('image block') ? 0.95 : 1) *
      (above.includes('video block') ? 0.95 : 1) *
      Math.max(0.8, 0.95 ** paidAbove);
    const worth = metric.cpcLow === null ? 0.3 : ((metric.cpcLow + metric.cpcHigh!) / 2) * 0.7;
    expect(row.worth).toBeCloseTo(worth, 9);
    if (row.priority === null || row.worthAMonth === null) continue;
    expect(row.priority).toBeCloseTo(row.worthAMonth / (row.effort as number), 6);
    if (['trim bid', 'advertise'].includes(row.action)) continue;
    // Nothing is paid for organic clicks; what they add lies between nothing and all that the first place could bring.
    // A rival’s name weighs as adjacent until somebody judges it.
    const fit = /\b(cobblemoor|saltfen)\b/.test(row.text as string) ? 0.4 : 0.7;
    expect(row.worthAMonth).toBeCloseTo(
      (row.gain as number) * worth * fit + (row.elsewhereValue as number),
      6,
    );
    if (row.elsewhere === null) expect(row.elsewhereValue).toBe(0);
    expect(row.gain).toBeGreaterThanOrEqual(0);
    expect(row.gain).toBeLessThanOrEqual(demand * factor * 0.3 + 1e-9);
    expect(row.chance).toBeGreaterThanOrEqual(row.asIs as number);
  }
});

test('without a capture nobody is absent but who was looked up completely and not named', () => {
  const uncaptured = rows.filter((row) => row.captureDate === null);
  expect(uncaptured.length).toBeGreaterThan(0);
  for (const row of uncaptured) {
    expect(row.own === 'absent').toBe(row.ownPresumed);
    row.rivals.forEach((position, r) => expect(position === 'absent').toBe(row.rivalsPresumed[r]));
    expect(row.paid).not.toBe('absent');
    if (row.own === 'unknown') expect([row.kind, row.priority]).toEqual(['unknown', null]);
  }
});

test('kinds and paid states each add up to all keywords; a filter gives as many as its count said', async () => {
  const sum = (counts: Record<string, number>): number =>
    Object.values(counts).reduce((total, count) => total + count, 0);
  expect(sum(page.totals.kinds)).toBe(page.total);
  expect(sum(page.totals.paid)).toBe(page.total);
  for (const kind of ['absent', 'buried', 'trailing', 'leading', 'open', 'unknown']) {
    const filtered = await running.api.get(`${at}/gaps?${SCOPE}&kinds=${kind}&limit=500`);
    expect(filtered.total).toBe(page.totals.kinds[kind]);
    expect(new Set(filtered.rows.map((row: Row) => row.kind))).toEqual(
      new Set(filtered.total > 0 ? [kind] : []),
    );
  }
  const both = await running.api.get(`${at}/gaps?${SCOPE}&kinds=buried&marks=near&find=bag`);
  for (const row of both.rows)
    expect([row.kind, row.near, row.text.includes('bag')]).toEqual(['buried', true, true]);
});

test.each([
  ['priority', 'priority'],
  ['demand', 'demand'],
  ['volume', 'volume'],
  ['chance', 'chance'],
  ['a month', 'worthAMonth'],
  ['move', 'moved'],
  ['difficulty', 'difficulty'],
])('sorting by %s is in order both ways, unknown last', async (sort, figure) => {
  for (const descending of [true, false]) {
    const sorted = (
      await running.api.get(
        `${at}/gaps?${SCOPE}&sort=${descending ? '-' : ''}${encodeURIComponent(sort)}&limit=500`,
      )
    ).rows.map((row: Row) => row[figure as keyof Row]);
    const known = sorted.filter((value: number | null) => value !== null);
    expect(sorted.slice(known.length).every((value: unknown) => value === null)).toBe(true);
    expect(known).toEqual([...known].sort((a, b) => (descending ? b - a : a - b)));
  }
});

test('pages joined together are the whole list, each keyword once', () => {
  expect(rows.length).toBe(page.total);
  expect(new Set(rows.map((row) => row.id)).size).toBe(page.total);
});

test('a changed setting takes effect at once and can be taken back', async () => {
  const project = at.split('/')[2]!;
  const before = await running.api.get(`${at}/gaps?${SCOPE}&limit=5`);
  await running.api.patch(`/projects/${project}`, { settings: { front: 3 } });
  const changed = await running.api.get(`${at}/gaps?${SCOPE}&limit=5`);
  expect(changed.totals.kinds).not.toEqual(before.totals.kinds);
  await running.api.patch(`/projects/${project}`, { settings: { front: 10 } });
  expect(await running.api.get(`${at}/gaps?${SCOPE}&limit=5`)).toEqual(before);
});

test('a verdict weighs on what a gap is worth, at once and in the sum, and can be taken back', async () => {
  const row = rows.find(
    ({ worthAMonth, text }) => (worthAMonth ?? 0) > 0 && !/cobblemoor|saltfen/.test(text),
  )!;
  const judge = (verdict: string) =>
    running.api.post(`${at}/verdicts`, { changes: [{ keyword: row.id, verdict }] });
  const now = async (): Promise<{ row: Row; fit: string }> => {
    const dossier = await running.api.get(`${at}/keywords/${row.id}/dossier?${SCOPE}`);
    const line = dossier.sum.find(({ name }: { name: string }) => name === 'Fit');
    return { row: dossier.row, fit: `${line.value} ${line.how}` };
  };
  for (const [verdict, weight] of [
    ['fit', 1],
    ['adjacent', 0.4],
    ['off', 0],
    ['unjudged', 0.7],
  ] as const) {
    await judge(verdict);
    const { row: judged, fit } = await now();
    expect(fit).toBe(`${weight.toFixed(1)} ${verdict}`);
    // What its page brings elsewhere stays as it is.
    const brought = row.elsewhereValue;
    const worth = ((row.worthAMonth! - brought) / 0.7) * weight + brought;
    if (weight > 0) expect(judged.worthAMonth).toBeCloseTo(worth, 8);
    // What is worth nothing is nothing to do.
    if (weight === 0) {
      expect(judged.priority).toBeNull();
      expect(['hold', 'merge']).toContain(judged.action);
    } else expect(judged.priority).toBeCloseTo(worth / row.effort, 8);
  }
  expect((await now()).row).toEqual(row);
});

test('the dossier opens the sum, the history and the page slot by slot', async () => {
  const row = rows.find(({ kind, action }) => kind === 'buried' && action === 'retitle')!;
  const dossier = await running.api.get(`${at}/keywords/${row.id}/dossier?${SCOPE}`);
  expect(dossier.row).toEqual(row);
  const others = dossier.sum.find(({ name }: { name: string }) => name === 'On other keywords');
  expect(others === undefined).toBe(row.elsewhere === null);
  expect(
    dossier.sum
      .map((line: { name: string }) => line.name)
      .filter((name: string) => name !== 'On other keywords'),
  ).toEqual([
    'Volume',
    'Season',
    'Demand',
    'Feature factor',
    'Own position',
    'Chance as it is',
    'Click-through as it is',
    'Chance',
    'Click-through after',
    'Clicks added',
    'Worth of a click',
    'Fit',
    'Cost',
    'Adds',
    'Effort',
    'Priority',
  ]);
  // Alternatives side by side: the best is the row’s, and each says where we would stand then.
  const [best] = dossier.alternatives;
  expect([best.action, best.priority, best.value, best.clicks]).toEqual([
    row.action,
    row.priority,
    row.worthAMonth,
    row.gain,
  ]);
  for (const spread of [
    dossier.forecast.asIs,
    ...dossier.alternatives.map(({ after }: Alternative) => after),
  ])
    expect(spread.reduce((sum: number, part: number) => sum + part, 0)).toBeCloseTo(1, 9);
  const inFront = (parts: number[]): number => parts.slice(0, 5).reduce((sum, part) => sum + part, 0);
  expect(inFront(dossier.forecast.asIs)).toBeCloseTo(row.asIs!, 9);
  expect(inFront(best.after)).toBeCloseTo(row.chance!, 9);
  expect(dossier.captureDates).toEqual([BEFORE, DATE]);
  const unknown =
    rows.find(({ kind, own }) => kind === 'unknown' && own !== 'unknown') ??
    rows.find(({ kind }) => kind === 'unknown')!;
  expect(await running.api.get(`${at}/keywords/${unknown.id}/dossier?${SCOPE}`)).toMatchObject({
    forecast: null,
    alternatives: [],
  });
  expect(dossier.history.map((point: { own: unknown }) => point.own)).toEqual([row.ownBefore, row.own]);
  const answer = await running.witness<Answer>('/result-pages', {
    market: MARKET,
    date: DATE,
    depth: 100,
    keywords: [row.text],
  });
  expect(
    dossier.page.slots.map(
      (slot: { slot: number; kind: string; address: string | null; title: string | null }) => [
        slot.slot,
        slot.kind,
        slot.address,
        slot.title,
      ],
    ),
  ).toEqual(
    answer.pages[0]!.slots.map((slot) => {
      const record = slot.record === null ? null : answer.records[slot.record]!;
      return [slot.slot, slot.kind, record?.address ?? null, record?.title ?? null];
    }),
  );
});

test('the CSV holds every row that passes the filter, safe for spreadsheets', async () => {
  const response = await fetch(`${running.server.url}/api${at}/gaps.csv?${SCOPE}&kinds=buried`);
  const text = await response.text();
  expect(response.headers.get('content-type')).toMatch(/text\/csv/);
  expect(text.trim().split('\n')).toHaveLength(page.totals.kinds.buried! + 1);
  expect(text).not.toMatch(/(^|,|\n)[=+@]/);
});

test('an empty project, a date before everything and another market’s pool say what they are', async () => {
  const empty = await running.api.post('/projects', { name: 'Empty' });
  expect(await running.api.get(`/projects/${empty.id}/gaps?${SCOPE}`)).toMatchObject({
    total: 0,
    rows: [],
    rivals: [],
  });
  const early = await running.api.get(`${at}/gaps?market=${MARKET}&date=2020-01-01`);
  expect(early.totals.kinds.unknown).toBe(early.total);
  await expect(running.api.get(`${at}/gaps?${SCOPE}&pool=999`)).rejects.toThrow(/no look-up 999/);
  await expect(running.api.get(`/projects/999/gaps?${SCOPE}`)).rejects.toThrow(/no project 999/);
});

test('the OpenAPI document describes every address, and the page shows it', async () => {
  const document = await (await fetch(`${running.server.url}/api/openapi.json`)).json();
  expect(document.openapi).toBe('3.1.0');
  expect(Object.keys(document.paths)).toEqual(
    expect.arrayContaining([
      '/api/projects/{id}/gaps',
      '/api/projects/{id}/look-ups',
      '/api/jobs/{id}/events',
      '/api/imports/{id}/start',
    ]),
  );
  const shown = await (await fetch(`${running.server.url}/api/docs`)).text();
  expect(shown).toContain('/api/projects/{id}/gaps');
});

test('the server listens on this machine only unless told otherwise', () => {
  expect(new URL(running.server.url).hostname).toBe('127.0.0.1');
});

describe('how clicks and chance are estimated', () => {
  const models = (date = DATE): Promise<MarketModels> =>
    running.api.get(`${at}/models?market=${MARKET}&date=${date}`);

  test('the chance model is fitted on the captures, beats guessing and positions alone, and is calibrated', async () => {
    const { chance } = await models();
    expect(chance).toMatchObject({ fitted: true });
    expect(chance.captures).toBeGreaterThanOrEqual(chance.leastCaptures);
    expect(chance.quality!.auc).toBeGreaterThan(0.65);
    expect(chance.quality!.calibrationError).toBeLessThan(0.05);
    const inside = chance.quality!.calibration.reduce((sum, bin) => sum + bin.rows * (bin.inside ?? 0), 0);
    // Ten of each captured page stand within the front; a page of a narrow keyword may have fewer.
    expect(inside / chance.captures).toBeLessThanOrEqual(10.000001);
    expect(inside / chance.captures).toBeGreaterThan(8);
  });

  test('before the first capture the stated default weights hold, and the curve is the prior', async () => {
    const { chance, curve } = await models('2024-01-01');
    expect(chance).toMatchObject({ fitted: false, captures: 0, quality: null });
    expect(curve.fitted).toBe(false);
    for (const point of curve.points) expect(point.used).toBe(point.prior);
  });

  test('own search performance bends the curve by the method, to the last digit', async () => {
    const given: [query: string, impressions: number, clicks: number, position: number][] = [
      ['bike bag', 4000, 1600, 1.2],
      ['dry bag', 3000, 90, 2.6],
      ['rain cover', 2000, 400, 4.4],
      ['saddle bag', 900, 9, 14.5],
    ];
    const csv = ['query,page,date,impressions,clicks,position']
      .concat(given.map(([query, ...figures]) => `${query},${OWN}/x,${DATE},${figures.join(',')}`))
      .join('\n');
    const other = (await running.project()).at;
    const { import: entry, preview } = await running.api.upload(`${other}/imports?name=own.csv`, csv);
    const reading = preview.reading;
    const started = await running.api.post(`/imports/${entry.id}/start`, { market: MARKET, reading });
    await running.api.finished(started.job.id);
    const { curve } = (await running.api.get(
      `${other}/models?market=${MARKET}&date=${DATE}`,
    )) as MarketModels;
    expect(curve).toMatchObject({ fitted: true, impressions: 9900, clicks: 2099 });
    const prior = (position: number): number => (0.3 / position) * 0.5 ** Math.floor((position - 1) / 10);
    const used = (position: number): number => curve.points[position - 1]!.used;
    expect(used(1)).toBeCloseTo((1600 + 500 * prior(1)) / 4500, 12);
    expect(used(2)).toBeCloseTo(prior(2), 12);
    // 3 takes 2.6; 4 takes 4.4 and would stand above it: the two are pooled by weight.
    const sum = 90 + 500 * prior(3) + (400 + 500 * prior(4));
    for (const position of [3, 4]) expect(used(position)).toBeCloseTo(sum / (3500 + 2500), 12);
    expect(used(5)).toBeCloseTo(prior(5), 12);
    // Rounded half up: 14.5 is 15.
    expect(used(15)).toBeCloseTo((9 + 500 * prior(15)) / 1400, 12);
    expect(used(100)).toBeCloseTo(prior(100), 12);
  });
});
