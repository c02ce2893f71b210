import { bodyParser } from '@koa/bodyparser';
import Router from '@koa/router';
import { isoDay as isoDaySchema } from '@opsimath/contract/source/answers';
import { key } from '@opsimath/core/text/key';
import Koa from 'koa';
import { z } from 'zod';
import { dayNumber, isoDay, monthIndex } from '../day';
import { metricsOf } from '../people/demand';
import { performanceOn } from '../people/performance';
import { holdAuction } from '../search/auction';
import { Ranker } from '../search/ranker';
import { Rankings } from '../search/rankings';
import { fullRecordOf, siteRecordOf } from '../search/records';
import { ResultPages } from '../search/resultPages';
import type { MarketWorld, World } from '../world/world';
import { Faults, disturb, faultRates } from './faults';
import { Units } from './units';

const MOST_PAGES = 200;
const MOST_METRICS = 1000;
const MOST_ROWS = 1000;
const PERFORMANCE_DAYS = 7;

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
    cursor: z.string().optional(),
    limit: z.coerce.number().int().min(1).max(MOST_ROWS).default(MOST_ROWS),
  }),
  record: z.object({ ...dated, target: z.string() }),
  suggestions: z.object({ ...dated, prefix: z.string() }),
  auction: z.object({ ...dated, keyword: z.string() }),
  performance: z.object({
    market: z.string(),
    site: z.string(),
    from: isoDaySchema,
    to: isoDaySchema,
    cursor: z.string().optional(),
  }),
  advance: z.object({ days: z.int().min(1).max(3650) }),
};

/** A refusal with its status and code. */
class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
  ) {
    super(message);
  }
}

interface Open {
  world: MarketWorld;
  ranker: Ranker;
  pages: ResultPages;
  rankings: Rankings;
  index: Map<string, number>;
}

/** The services over HTTP: everything the world answers, its clock, its allowance and its faults. */
export function createServices(world: World, options: { today: string; allowance: number }): Koa {
  let today = options.today;
  const base = monthIndex(dayNumber(world.scenario.today));
  const units = new Units(options.allowance, () => today);
  const faults = new Faults();
  const markets = new Map<string, Open>(
    world.markets.map((market) => [market.market.code, openMarket(market)]),
  );

  function openMarket(market: MarketWorld): Open {
    const ranker = new Ranker(market);
    const index = new Map(market.keywords.map((keyword, i) => [key(keyword.text), i] as const));
    return {
      world: market,
      ranker,
      index,
      pages: new ResultPages(world, market, ranker, index),
      rankings: new Rankings(world, market, ranker),
    };
  }
  function market(code: string): Open {
    const found = markets.get(code);
    if (!found) throw new Refusal(404, 'no-such-market', `There is no market ${code}.`);
    return found;
  }
  function day(date: string): number {
    if (date > today) throw new Refusal(400, 'future', `${date} has not come yet; today is ${today}.`);
    return dayNumber(date);
  }
  function charge(amount: number): number {
    if (!units.book(amount)) {
      throw new Refusal(
        402,
        'allowance-spent',
        `This asks for ${amount} units; fewer are left until ${units.state().renews}.`,
      );
    }
    return amount;
  }

  const router = new Router({ prefix: '/v1' });

  router.get('/markets', (context) => {
    context.body = {
      markets: world.markets.map(({ market: { keywords: _k, topVolume: _t, ...rest } }) => rest),
    };
  });

  router.post('/result-pages', (context) => {
    const ask = requests.pages.parse(context.request.body);
    const open = market(ask.market);
    const found = open.pages.batch(ask.keywords.map(key), day(ask.date), ask.depth);
    context.body = { date: ask.date, units: charge(ask.keywords.length), ...found };
  });

  router.get('/rankings', (context) => {
    const ask = requests.rankings.parse(context.query);
    const open = market(ask.market);
    const want = { organic: ask.kind !== 'paid', paid: ask.kind !== 'organic' };
    const from = Number(ask.cursor ?? 0);
    const found = open.rankings.walk(
      ask.target,
      day(ask.date),
      want,
      faults.happens('repeatedPage') ? 0 : from,
      ask.limit,
    );
    if (!found) throw new Refusal(404, 'no-such-target', `Nothing is known of ${ask.target}.`);
    const rows = faults.happens('impossibleRow')
      ? [...found.rows, { keyword: '', address: ask.target, organic: -4, paid: 9999 }]
      : found.rows;
    context.body = {
      date: ask.date,
      units: charge(Math.ceil(found.rows.length / 100)),
      rows,
      total: null,
      cursor: found.next === null ? null : String(Math.max(found.next, from)),
    };
  });

  router.get('/rankings/count', (context) => {
    const ask = requests.rankings.parse(context.query);
    const want = { organic: ask.kind !== 'paid', paid: ask.kind !== 'organic' };
    const count = market(ask.market).rankings.count(ask.target, day(ask.date), want);
    if (count === null) throw new Refusal(404, 'no-such-target', `Nothing is known of ${ask.target}.`);
    context.body = { date: ask.date, units: 0, count };
  });

  router.post('/metrics', (context) => {
    const ask = requests.metrics.parse(context.request.body);
    const open = market(ask.market);
    const at = day(ask.date);
    const rows = ask.keywords.flatMap((text) => {
      const keyword = open.index.get(key(text));
      if (keyword === undefined) return [];
      return [metricsOf(world, open.world, keyword, at, base, open.pages.results(keyword))];
    });
    context.body = { date: ask.date, units: charge(Math.ceil(ask.keywords.length / 100)), rows };
  });

  router.get('/records', (context) => {
    const ask = requests.record.parse(context.query);
    const open = market(ask.market);
    const owner = world.owners.find(({ host }) => host === ask.target);
    const document = open.world.documents.find(({ address }) => address === ask.target);
    if (!owner && (!document || document.revisions[0]! > day(ask.date))) {
      throw new Refusal(404, 'no-such-target', `Nothing is known of ${ask.target}.`);
    }
    const record = owner
      ? siteRecordOf(world, open.world, owner, day(ask.date))
      : fullRecordOf(world, document!, day(ask.date));
    context.body = { date: ask.date, units: 0, record };
  });

  router.get('/suggestions', (context) => {
    const ask = requests.suggestions.parse(context.query);
    const prefix = key(ask.prefix) + (/\s$/.test(ask.prefix) ? ' ' : '');
    const found = market(ask.market)
      .world.keywords.filter(({ text }) => text.startsWith(prefix))
      .slice(0, 10);
    context.body = { date: ask.date, units: 0, suggestions: found.map(({ text }) => text) };
  });

  router.get('/auctions', (context) => {
    const ask = requests.auction.parse(context.query);
    const open = market(ask.market);
    const keyword = open.index.get(key(ask.keyword));
    const slots = keyword === undefined ? [] : holdAuction(open.world, keyword, day(ask.date));
    context.body = {
      date: ask.date,
      units: charge(1),
      slots: slots.map(({ advert, position, cost }) => ({
        position,
        cost,
        advertiser: world.owners[advert.owner]!.name,
        address: open.world.documents[advert.landing]!.address,
        title: open.world.documents[advert.landing]!.fields.title,
      })),
    };
  });

  router.get('/own/performance', (context) => {
    const ask = requests.performance.parse(context.query);
    const open = market(ask.market);
    const owner = world.owners.findIndex(({ host }) => host === ask.site);
    if (ask.site !== world.scenario.own)
      throw new Refusal(403, 'not-yours', `${ask.site} is not connected to this account.`);
    const from = dayNumber(ask.cursor ?? ask.from);
    const to = day(ask.to);
    const last = Math.min(to, from + PERFORMANCE_DAYS - 1);
    const rows = [];
    for (let at = from; at <= last; at++)
      rows.push(...performanceOn(world, open.world, open.ranker, owner, at, base));
    context.body = { date: today, units: 0, rows, cursor: last < to ? isoDay(last + 1) : null };
  });

  router.get('/allowance', (context) => {
    context.body = units.state();
  });
  router.get('/clock', (context) => {
    context.body = { today };
  });
  router.post('/clock/advance', (context) => {
    today = isoDay(dayNumber(today) + requests.advance.parse(context.request.body).days);
    context.body = { today };
  });
  router.get('/faults', (context) => {
    context.body = faults.get();
  });
  router.put('/faults', (context) => {
    faults.set(faultRates.parse(context.request.body));
    context.body = faults.get();
  });

  const app = new Koa();
  app.use(async (context, next) => {
    try {
      await next();
    } catch (error) {
      const refusal =
        error instanceof z.ZodError ? new Refusal(400, 'bad-request', z.prettifyError(error)) : error;
      if (!(refusal instanceof Refusal)) throw error;
      context.status = refusal.status;
      context.body = { code: refusal.code, message: refusal.message };
    }
  });
  app.use(disturb(faults));
  app.use(bodyParser({ jsonLimit: '4mb' }));
  app.use(router.routes());
  return app;
}
