import {
  adTermsAnswer,
  auctionsAnswer,
  campaignsAnswer,
  keywordsAnswer,
  linksAnswer,
  marketsAnswer,
  metricsAnswer,
  performanceAnswer,
  rankingsAnswer,
  recordAnswer,
  resultPagesAnswer,
  salesCurvesAnswer,
  type SourceMarket,
  suggestionsAnswer,
  translationsAnswer,
} from '@opsimath/contract/source/answers';
import { key, words } from '@opsimath/core/text/key';
import type { z } from 'zod';
import { startServices } from '../scripts/programs.mjs';

/** Nothing may lean on one world: what is promised holds in each of them, in every market. */
const DATE = '2026-03-14';
type Program = Awaited<ReturnType<typeof startServices>>;

describe.each([3, 4242])('world %i', (seed) => {
  let world: Program;
  let markets: SourceMarket[];
  beforeAll(async () => {
    world = await startServices(['--size', '0.08', '--seed', String(seed)]);
    markets = (await ask(marketsAnswer, '/markets')).markets;
  }, 60_000);
  afterAll(() => world.stop());

  /** The answer, which must be what the contract says. */
  async function ask<T extends z.ZodType>(schema: T, path: string, body?: unknown): Promise<z.output<T>> {
    const response = await fetch(`${world.url}/v1${path}`, {
      method: body === undefined ? 'GET' : 'POST',
      headers: { 'content-type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
    expect({ path, status: response.status }).toEqual({ path, status: 200 });
    return schema.parse(await response.json());
  }
  const at = (market: SourceMarket, rest: Record<string, string> = {}): string =>
    new URLSearchParams({ market: market.code, date: DATE, ...rest }).toString();
  const own = (market: SourceMarket): string =>
    ({
      web: 'tarnwick.example',
      video: 'vidlantern.example/on/tarnwick',
      marketplace: 'stallbridge.example/stall/tarnwick',
    })[market.surface];
  /** All rows of our own place, walked by cursor. */
  const ranked = async (market: SourceMarket, more: Record<string, string> = {}) => {
    const rows: z.output<typeof rankingsAnswer>['rows'] = [];
    for (let cursor: string | null = ''; cursor !== null;) {
      const query = at(market, { target: own(market), ...more, ...(cursor ? { cursor } : {}) });
      const answer: z.output<typeof rankingsAnswer> = await ask(rankingsAnswer, `/rankings?${query}`);
      rows.push(...answer.rows);
      cursor = answer.cursor;
    }
    return rows;
  };
  /** Some keywords that our own place ranks for in a market. */
  const someKeywords = async (market: SourceMarket, most: number): Promise<string[]> =>
    [...new Set((await ranked(market)).map(({ keyword }) => keyword))].slice(0, most);

  test('three surfaces, three languages, no market twice', () => {
    expect(new Set(markets.map(({ surface }) => surface))).toEqual(new Set(['web', 'video', 'marketplace']));
    expect(new Set(markets.map(({ language }) => language))).toEqual(new Set(['en', 'de', 'es']));
    expect(new Set(markets.map(({ code }) => code)).size).toBe(markets.length);
    for (const { livePage, alphabet } of markets) {
      expect(livePage).toMatch(/^https:\/\/[a-z-]+\.example\/.*\{keyword\}$/);
      expect(new Set(alphabet).size).toBe(alphabet.length);
    }
  });

  test('every page in every market counts from 1, each kind on its own, and points at a record it gives', async () => {
    for (const market of markets) {
      const keywords = await someKeywords(market, 12);
      expect(keywords.length).toBeGreaterThan(3);
      const { pages, records, units } = await ask(resultPagesAnswer, '/result-pages', {
        market: market.code,
        date: DATE,
        keywords,
      });
      expect(units).toBe(keywords.length);
      expect(pages.map(({ keyword }) => key(keyword))).toEqual(keywords.map(key));
      for (const { slots, depth } of pages) {
        expect(slots.map(({ slot }) => slot)).toEqual(slots.map((_, i) => i + 1));
        for (const kind of ['organic', 'paid'] as const) {
          const held = slots.filter((slot) => slot.kind === kind);
          expect(held.map(({ position }) => position)).toEqual(held.map((_, i) => i + 1));
          expect(held.length).toBeLessThanOrEqual(depth);
          for (const { record } of held) expect(records[record ?? -1]).toBeDefined();
        }
        const organic = slots.flatMap(({ kind, record }) =>
          kind === 'organic' ? records[record!]!.address : [],
        );
        expect(new Set(organic).size).toBe(organic.length);
      }
      for (const { address, published, updated } of records) {
        expect(address).toMatch(/^[a-z0-9-]+\.example(\/|$)/);
        if (published !== null) expect(published <= DATE).toBe(true);
        if (published !== null && updated !== null)
          expect(published <= updated && updated <= DATE).toBe(true);
      }
    }
  });

  test('a shallower page is the beginning of a deeper one', async () => {
    const market = markets[0]!;
    const [keyword] = await someKeywords(market, 1);
    const pageAt = async (depth: number): Promise<string[]> => {
      const { pages, records } = await ask(resultPagesAnswer, '/result-pages', {
        market: market.code,
        date: DATE,
        keywords: [keyword],
        depth,
      });
      return pages[0]!.slots.flatMap(({ kind, record }) =>
        kind === 'organic' ? records[record!]!.address : [],
      );
    };
    const deep = await pageAt(100);
    for (const depth of [1, 10, 50]) expect(await pageAt(depth)).toEqual(deep.slice(0, depth));
  });

  test('a reverse look-up by cursor, by kind, by depth and by volume are parts of one whole', async () => {
    for (const market of markets.slice(0, 3)) {
      const whole = await ranked(market);
      const name = ({ keyword, address }: { keyword: string; address: string }): string =>
        `${keyword}|${address}`;
      expect(new Set(whole.map(name)).size).toBe(whole.length);
      expect(await ranked(market, { limit: '37' })).toEqual(whole);
      const organic = await ranked(market, { kind: 'organic' });
      expect(organic.map(name)).toEqual(whole.filter((row) => row.organic !== null).map(name));
      expect(organic.every(({ paid }) => paid === null)).toBe(true);
      const shallow = await ranked(market, { kind: 'organic', depth: '10' });
      expect(shallow.map(name)).toEqual(organic.filter((row) => row.organic! <= 10).map(name));
      const searched = new Set((await ranked(market, { leastVolume: '100' })).map(name));
      for (const row of searched) expect(whole.some((entry) => name(entry) === row)).toBe(true);
    }
  });

  test('where we stand by reverse look-up is where the result page has us', async () => {
    for (const market of markets) {
      const best = (await ranked(market, { kind: 'organic' })).slice(0, 6);
      const { pages, records } = await ask(resultPagesAnswer, '/result-pages', {
        market: market.code,
        date: DATE,
        keywords: best.map(({ keyword }) => keyword),
      });
      best.forEach(({ address, organic }, i) => {
        const slot = pages[i]!.slots.find(
          ({ kind, record }) => kind === 'organic' && records[record!]!.address === address,
        );
        expect(slot?.position).toBe(organic);
      });
    }
  });

  test('others reword some of what they have, publish and give up; nobody touches what is ours', async () => {
    let met = 0;
    const changes = { reworded: 0, better: 0, gone: 0, born: 0, own: 0 };
    const EARLIER = '2025-09-15';
    for (const market of markets) {
      const keywords = await someKeywords(market, 60);
      const seen = async (date: string) =>
        new Map(
          (
            await ask(resultPagesAnswer, '/result-pages', { market: market.code, date, keywords })
          ).records.map((record) => [record.address, record] as const),
        );
      const [before, after] = [await seen(EARLIER), await seen(DATE)];
      for (const [address, record] of before) {
        const later = after.get(address);
        if (later === undefined) continue;
        met++;
        const differs = record.title !== later.title || record.description !== later.description;
        if (differs && record.owner === 'Tarnwick') changes.own++;
        if (!differs) continue;
        changes.reworded++;
        if (later.title.includes(record.title) && later.title.length > record.title.length) changes.better++;
        // Search saw a change, so it was touched in between.
        expect(later.updated! > EARLIER).toBe(true);
      }
      for (const { published } of after.values()) if (published! > EARLIER) changes.born++;
      for (const address of [...before.keys()].filter((one) => !after.has(one)).slice(0, 12)) {
        const answer = await fetch(`${world.url}/v1/records?${at(market, { target: address })}`);
        if (answer.status === 404) changes.gone++;
      }
    }
    // Six months at some 3 % a month.
    expect(changes.reworded / met).toBeGreaterThan(0.08);
    expect(changes.reworded / met).toBeLessThan(0.3);
    expect(changes.better).toBeGreaterThan(0);
    expect(changes.gone).toBeGreaterThan(0);
    expect(changes.born).toBeGreaterThan(10);
    expect(changes.own).toBe(0);
  });

  test('metrics have whole months up to the date, prices that do not cross, shares within bounds', async () => {
    for (const market of markets) {
      const keywords = await someKeywords(market, 30);
      const body = { market: market.code, date: DATE, keywords: [...keywords, 'nobody types this 123'] };
      const { rows, units } = await ask(metricsAnswer, '/metrics', body);
      expect(units).toBe(1);
      expect(rows.map(({ keyword }) => key(keyword))).toEqual(keywords.map(key));
      for (const { months, firstMonth, cpcLow, cpcHigh } of rows) {
        expect(months.length).toBeLessThanOrEqual(36);
        const [year, month] = firstMonth.split('-').map(Number) as [number, number];
        expect(year * 12 + month - 1 + months.length).toBeLessThanOrEqual(2026 * 12 + 2);
        if (cpcLow !== null && cpcHigh !== null) expect(cpcLow).toBeLessThanOrEqual(cpcHigh);
      }
    }
  });

  test('phrase lies within all words, all words within any word; what is proposed begins with what was typed', async () => {
    for (const market of markets) {
      const [seedKeyword] = (await someKeywords(market, 40)).filter((text) => words(key(text)).length === 2);
      if (seedKeyword === undefined) continue;
      const [phrase, all, any] = await Promise.all(
        ['phrase', 'all words', 'any word'].map(
          async (mode) =>
            new Set(
              (await ask(keywordsAnswer, `/keyword-matches?${at(market, { text: seedKeyword, mode })}`))
                .keywords,
            ),
        ),
      );
      expect(phrase!.size).toBeGreaterThan(0);
      for (const text of phrase!) expect(` ${key(text)} `).toContain(` ${key(seedKeyword)} `);
      for (const text of phrase!) expect(all!.has(text)).toBe(true);
      for (const text of all!)
        for (const word of words(key(seedKeyword))) expect(words(key(text))).toContain(word);
      expect(any!.size).toBeGreaterThanOrEqual(all!.size);
      const prefix = seedKeyword.slice(0, 4);
      const { suggestions } = await ask(suggestionsAnswer, `/suggestions?${at(market, { prefix })}`);
      for (const text of suggestions) expect(key(text).startsWith(key(prefix))).toBe(true);
    }
  });

  test('own performance is exact by day; clicks never exceed impressions; ads cost no more than their budget', async () => {
    for (const market of markets) {
      const span = { market: market.code, from: '2026-03-01', to: '2026-03-07' };
      const { rows } = await ask(
        performanceAnswer,
        `/own/performance?${new URLSearchParams({ ...span, site: own(market) })}`,
      );
      for (const { date, impressions, clicks, position, page } of rows) {
        expect(date >= span.from && date <= span.to).toBe(true);
        expect(clicks).toBeLessThanOrEqual(impressions);
        expect(position).toBeGreaterThanOrEqual(1);
        expect(page.startsWith(own(market).split('/')[0]!)).toBe(true);
      }
      const { rows: terms } = await ask(adTermsAnswer, `/own/ad-terms?${new URLSearchParams(span)}`);
      const { campaigns } = await ask(campaignsAnswer, `/own/campaigns?market=${market.code}`);
      const budget = campaigns.reduce((sum, { dailyBudget }) => sum + dailyBudget, 0);
      const spent = new Map<string, number>();
      for (const row of terms) {
        expect(row.clicks).toBeLessThanOrEqual(row.impressions);
        expect(row.conversions).toBeLessThanOrEqual(row.clicks);
        spent.set(row.date, (spent.get(row.date) ?? 0) + row.cost);
        if (row.match === 'exact') expect(key(row.term)).toBe(key(row.keyword));
      }
      for (const cost of spent.values()) expect(cost).toBeLessThanOrEqual(budget + 1e-6);
    }
  });

  test('records, links, auctions, curves and translations are given, and nothing is known of strangers', async () => {
    for (const market of markets) {
      const { record } = await ask(recordAnswer, `/records?${at(market, { target: own(market) })}`);
      expect(record.parent).toBeNull();
      const links = await ask(linksAnswer, `/links?${at(market, { target: own(market) })}`);
      if (links.authority !== null) expect(links.authority).toBeLessThanOrEqual(100);
      if (links.poorLinks !== null) expect(links.poorLinks).toBeLessThanOrEqual(1);
      const [keyword] = await someKeywords(market, 1);
      const { slots } = await ask(auctionsAnswer, `/auctions?${at(market, { keyword: keyword! })}`);
      expect(slots.map(({ position }) => position)).toEqual(slots.map((_, i) => i + 1));
      for (const path of ['records', 'links', 'rankings']) {
        const answer = await fetch(`${world.url}/v1/${path}?${at(market, { target: 'nobody.example' })}`);
        expect(answer.status).toBe(404);
      }
    }
    const shop = markets.find(({ surface }) => surface === 'marketplace')!;
    const { curves } = await ask(salesCurvesAnswer, `/sales-curves?${at(shop)}`);
    expect(curves.length).toBeGreaterThan(0);
    for (const { points } of curves)
      for (let i = 1; i < points.length; i++) {
        expect(points[i]!.rank).toBeGreaterThan(points[i - 1]!.rank);
        expect(points[i]!.units).toBeLessThanOrEqual(points[i - 1]!.units);
      }
    const german = markets.find(({ language }) => language === 'de')!;
    const { translations } = await ask(translationsAnswer, '/translations', {
      date: DATE,
      from: 'de',
      to: 'en',
      texts: [...(await someKeywords(german, 5)), 'xyzzy'],
    });
    expect(translations).toHaveLength(6);
  });

  test.each([
    ['no market', '/rankings?date=2026-03-14&target=tarnwick.example'],
    ['a market that is none', '/rankings?market=moon&date=2026-03-14&target=tarnwick.example'],
    ['a day that is none', '/rankings?market=web-us-en&date=2026-02-31&target=tarnwick.example'],
    ['a day to come', '/rankings?market=web-us-en&date=2033-01-01&target=tarnwick.example'],
    ['a depth of nought', '/rankings?market=web-us-en&date=2026-03-14&target=tarnwick.example&depth=0'],
    [
      'a way of matching that is none',
      '/keyword-matches?market=web-us-en&date=2026-03-14&text=a&mode=roughly',
    ],
    [
      'somebody else’s performance',
      '/own/performance?market=web-us-en&from=2026-03-01&to=2026-03-02&site=cobblemoor.example',
    ],
  ])('%s is refused with a reason', async (_, path) => {
    const answer = await fetch(`${world.url}/v1${path}`);
    expect(answer.status).toBeGreaterThanOrEqual(400);
    expect(answer.status).toBeLessThan(500);
    const { message } = (await answer.json()) as { message: string };
    expect(message.length).toBeGreaterThan(10);
  });
});
