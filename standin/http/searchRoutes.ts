import type Router from '@koa/router';
import { isoDay as isoDaySchema } from '@opsimath/contract/source/answers';
import { key } from '@opsimath/core/text/key';
import type { Context } from 'koa';
import { z } from 'zod';
import { metricsOf } from '../people/demand';
import { holdAuction } from '../search/auction';
import type { OpenMarket } from '../search/market';
import { fullRecordOf, parentRecordOf } from '../search/records';
import { standsOn } from '../world/history';
import { platformOf } from '../world/world';
import { Refusal } from './refusal';
import type { Services } from './services';

const MOST_PAGES = 200;
const MOST_METRICS = 1000;
const MOST_ROWS = 1000;
const MOST_TRANSLATIONS = 1000;
const SUGGESTED = 10;

const dated = { market: z.string(), date: isoDaySchema };
const requests = {
  pages: z.object({
    ...dated,
    depth: z.int().min(1).max(100).default(100),
    keywords: z.array(z.string()).max(MOST_PAGES),
  }),
  metrics: z.object({ ...dated, keywords: z.array(z.string()).max(MOST_METRICS) }),
  rankings: z.object({
    ...dated,
    target: z.string(),
    kind: z.enum(['organic', 'paid', 'both']).default('both'),
    depth: z.coerce.number().int().min(1).max(100).default(100),
    leastVolume: z.coerce.number().min(0).default(0),
    cursor: z.string().optional(),
    limit: z.coerce.number().int().min(1).max(MOST_ROWS).default(MOST_ROWS),
  }),
  target: z.object({ ...dated, target: z.string() }),
  suggestions: z.object({ ...dated, prefix: z.string() }),
  keywords: z.object({
    ...dated,
    text: z.string(),
    mode: z.enum(['phrase', 'all words', 'any word']),
    cursor: z.string().optional(),
    limit: z.coerce.number().int().min(1).max(MOST_ROWS).default(MOST_ROWS),
  }),
  place: z.object({ market: z.string() }),
  auction: z.object({ ...dated, keyword: z.string() }),
  curves: z.object({ ...dated }),
  translations: z.object({
    date: isoDaySchema,
    from: z.string(),
    to: z.string(),
    texts: z.array(z.string()).max(MOST_TRANSLATIONS),
  }),
};

const requestId = (context: Context): string | undefined => context.get('x-request-id') || undefined;

/** What anybody may ask: markets, result pages, look-ups, metrics, records, suggestions, auctions, translations. */
// eslint-disable-next-line max-lines-per-function -- a list of routes, each a few lines
export function searchRoutes(router: Router, services: Services): void {
  const { world, faults } = services;

  router.get('/markets', (context) => {
    context.body = {
      markets: world.markets.map(({ market: { keywords: _k, topVolume: _t, ...market } }) => ({
        ...market,
        platform: platformOf(world.scenario, market.surface),
        alphabet: ALPHABETS[market.language] ?? ALPHABETS.en,
        livePage: `https://seek-${market.surface}.example/${market.place.toLowerCase()}/${market.language}?find={keyword}`,
      })),
    };
  });

  // Whether a place within a market is known, and what it is called.
  router.get('/places', (context) => {
    const { code } = services.market(requests.place.parse(context.query).market);
    context.body = { market: code, name: code.slice(code.indexOf(':') + 1) };
  });

  router.post('/result-pages', (context) => {
    const ask = requests.pages.parse(context.request.body);
    const market = services.market(ask.market);
    const found = market.pages.batch(ask.keywords.map(key), services.day(ask.date), ask.depth);
    const units = services.charge(ask.keywords.length, requestId(context));
    context.body = { date: ask.date, units, ...found };
  });

  router.get('/rankings', (context) => {
    const ask = requests.rankings.parse(context.query);
    const market = services.market(ask.market);
    // A faulty walk answers with another page than the one asked for.
    const from = faults.happens('repeatedPage')
      ? 0
      : faults.happens('missingPage')
        ? Number(ask.cursor ?? 0) + ask.limit
        : Number(ask.cursor ?? 0);
    const found = market.rankings.walk(ask.target, services.day(ask.date), wanted(ask), from, ask.limit);
    if (!found) throw unknownTarget(ask.target);
    const rows =
      found.rows.length > 0 && faults.happens('impossibleRow')
        ? found.rows.with(-1, { ...found.rows.at(-1)!, organic: -4, paid: 9999 })
        : found.rows;
    context.body = {
      date: ask.date,
      units: services.charge(Math.ceil(found.rows.length / 100), requestId(context)),
      rows,
      total: null,
      from: from === 0 ? null : String(from),
      cursor: found.next === null ? null : String(found.next),
    };
  });

  router.get('/rankings/count', (context) => {
    const ask = requests.rankings.parse(context.query);
    const count = services.market(ask.market).rankings.count(ask.target, services.day(ask.date), wanted(ask));
    if (count === null) throw unknownTarget(ask.target);
    context.body = { date: ask.date, units: 0, count };
  });

  router.post('/metrics', (context) => {
    const ask = requests.metrics.parse(context.request.body);
    const market = services.market(ask.market);
    const at = services.day(ask.date);
    const rows = ask.keywords.flatMap((text) => {
      const keyword = market.index.get(key(text));
      if (keyword === undefined) return [];
      return [metricsOf(world, market.world, keyword, at, services.base, market.pages.results(keyword))];
    });
    const units = services.charge(Math.ceil(ask.keywords.length / 100), requestId(context));
    context.body = { date: ask.date, units, rows };
  });

  router.get('/records', (context) => {
    const ask = requests.target.parse(context.query);
    const market = services.market(ask.market);
    const day = services.day(ask.date);
    context.body = { date: ask.date, units: 0, record: recordAt(services, market, ask.target, day) };
  });

  router.get('/links', (context) => {
    const ask = requests.target.parse(context.query);
    const market = services.market(ask.market);
    const { figures } = recordAt(services, market, ask.target, services.day(ask.date));
    const owner = world.owners.find(
      ({ address }) => ask.target === address || ask.target.startsWith(`${address}/`),
    );
    context.body = {
      date: ask.date,
      units: 0,
      authority: figures.authority ?? null,
      referringDomains: figures['referring domains'] ?? null,
      backlinks: figures.backlinks ?? null,
      poorLinks: owner?.poorLinks ?? null,
    };
  });

  router.get('/suggestions', (context) => {
    const ask = requests.suggestions.parse(context.query);
    const market = services.market(ask.market);
    const found = market.keywords.starting(ask.prefix, SUGGESTED);
    context.body = {
      date: ask.date,
      units: 0,
      suggestions: found.map((keyword) => market.world.keywords[keyword]!.text),
    };
  });

  router.get('/keyword-matches', (context) => {
    const ask = requests.keywords.parse(context.query);
    const market = services.market(ask.market);
    const found = market.keywords.holding(ask.text, ask.mode);
    const asked = Number(ask.cursor ?? 0);
    const from = faults.happens('repeatedPage')
      ? 0
      : faults.happens('missingPage')
        ? asked + ask.limit
        : asked;
    const page = found.slice(from, from + ask.limit);
    const next = from + ask.limit;
    context.body = {
      date: ask.date,
      units: services.charge(Math.ceil(page.length / 100), requestId(context)),
      keywords: page.map((keyword) => market.world.keywords[keyword]!.text),
      total: found.length,
      from: from === 0 ? null : String(from),
      cursor: next < found.length ? String(next) : null,
    };
  });

  router.get('/keyword-matches/count', (context) => {
    const ask = requests.keywords.parse(context.query);
    const count = services.market(ask.market).keywords.holding(ask.text, ask.mode).length;
    context.body = { date: ask.date, units: 0, count };
  });

  router.get('/auctions', (context) => {
    const ask = requests.auction.parse(context.query);
    const market = services.market(ask.market);
    const keyword = market.index.get(key(ask.keyword));
    const day = services.day(ask.date);
    const slots = keyword === undefined ? [] : holdAuction(market.world, keyword, day);
    context.body = {
      date: ask.date,
      units: services.charge(1, requestId(context)),
      slots: slots.map(({ advert, position, cost }) => ({
        position,
        cost,
        advertiser: world.owners[advert.owner]!.name,
        address: market.world.documents[advert.landing]!.address,
        title: market.ranker.contentOn(advert.landing, day).fields.title,
      })),
    };
  });

  router.get('/sales-curves', (context) => {
    const ask = requests.curves.parse(context.query);
    const { world: open } = services.market(ask.market);
    const day = services.day(ask.date);
    const categories = open.market.surface === 'marketplace' ? world.scenario.categories : [];
    context.body = {
      curves: categories.map(({ name }) => ({
        category: name,
        points: services.figures.salesCurve(name, day, open.market.place),
      })),
    };
  });

  router.post('/translations', (context) => {
    const ask = requests.translations.parse(context.request.body);
    context.body = {
      date: ask.date,
      units: services.charge(Math.ceil(ask.texts.length / 100), requestId(context)),
      translations: ask.texts.map((text) => ({
        text,
        translation: services.translator.translate(text, ask.from, ask.to),
      })),
    };
  });
}

const LATIN = 'abcdefghijklmnopqrstuvwxyz';
const DIGITS = '0123456789';
const ALPHABETS: Record<string, string> = {
  en: LATIN + DIGITS,
  de: `${LATIN}äöüß${DIGITS}`,
  es: `${LATIN}ñáéíóú${DIGITS}`,
};

function wanted(ask: z.output<typeof requests.rankings>) {
  return {
    organic: ask.kind !== 'paid',
    paid: ask.kind !== 'organic',
    depth: ask.depth,
    leastVolume: ask.leastVolume,
  };
}

function unknownTarget(target: string): Refusal {
  return new Refusal(404, 'no-such-target', `Nothing is known of ${target}.`);
}

function recordAt({ world, figures }: Services, market: OpenMarket, address: string, day: number) {
  const owner = world.owners.find(
    (entry) => entry.address === address && entry.surface === market.world.market.surface,
  );
  if (owner) return parentRecordOf(world, market, owner, day);
  const index = market.world.documents.findIndex((entry) => entry.address === address);
  if (index < 0 || !standsOn(market.world.documents[index]!, day)) throw unknownTarget(address);
  return fullRecordOf(world, market, figures, market.ranker.contentOn(index, day), day);
}
