import type Router from '@koa/router';
import { isoDay as isoDaySchema } from '@opsimath/contract/source/answers';
import { z } from 'zod';
import { dayNumber, isoDay } from '../day';
import { adTermsOn } from '../people/adTerms';
import { performanceOn } from '../people/performance';
import type { OpenMarket } from '../search/market';
import type { Services } from './services';

const PERFORMANCE_DAYS = 7;

const walk = {
  market: z.string(),
  from: isoDaySchema,
  to: isoDaySchema,
  cursor: z.string().optional(),
};
const requests = {
  performance: z.object({ ...walk, site: z.string() }),
  adTerms: z.object(walk),
  market: z.object({ market: z.string() }),
  target: z.object({ market: z.string(), target: z.string() }),
  publish: z.object({
    market: z.string(),
    target: z.string(),
    fields: z.record(z.string(), z.string().max(100_000)),
  }),
  index: z.object({ market: z.string(), targets: z.array(z.string()).max(1000) }),
};

/** What only the account's owner may ask: own performance, ads, private fields, publishing, the index. */
export function accountRoutes(router: Router, services: Services): void {
  const { world } = services;

  router.get('/own/performance', (context) => {
    const ask = requests.performance.parse(context.query);
    const market = services.market(ask.market);
    const owner = services.assertOwn(market, ask.site);
    context.body = byDays(services, ask, (day) =>
      performanceOn(world, market.world, market.ranker, owner, day, services.base),
    );
  });

  router.get('/own/ad-terms', (context) => {
    const ask = requests.adTerms.parse(context.query);
    const market = services.market(ask.market);
    const owner = services.ownOwner(market);
    context.body = byDays(services, ask, (day) => adTermsOn(world, market.world, owner, day, services.base));
  });

  router.get('/own/campaigns', (context) => {
    const market = services.market(requests.market.parse(context.query).market);
    const own = services.ownOwner(market);
    context.body = {
      date: services.clock(),
      units: 0,
      campaigns: market.world.campaigns
        .filter(({ owner }) => owner === own)
        .map(({ dailyBudget, keywords }) => ({
          name: `${world.owners[own]!.name} ${market.code}`,
          dailyBudget,
          keywords: keywords.map(({ text, match, bid, landing }) => ({
            keyword: text,
            match,
            bid,
            landing: market.world.documents[landing]!.address,
          })),
        })),
    };
  });

  router.get('/own/fields', (context) => {
    const ask = requests.target.parse(context.query);
    const market = services.market(ask.market);
    services.assertOwn(market, ask.target);
    context.body = {
      date: services.clock(),
      units: 0,
      address: ask.target,
      fields: ownFields(market, ask.target, dayNumber(services.clock())),
    };
  });

  router.post('/own/publish', (context) => {
    const ask = requests.publish.parse(context.request.body);
    const market = services.market(ask.market);
    const owner = services.assertOwn(market, ask.target);
    const edit = services.publishing.publish(market, owner, {
      address: ask.target,
      fields: publishedFields(ask.fields),
      today: services.clock(),
      requestId: context.get('x-request-id'),
    });
    services.forgetPlaces();
    services.keep();
    context.body = { address: ask.target, publishedOn: edit.publishedOn, seenBySearchOn: edit.seenOn };
  });

  router.post('/own/reindex', (context) => {
    const ask = requests.target.parse(context.request.body);
    services.assertOwn(services.market(ask.market), ask.target);
    const left = services.lookAgain(ask.target);
    context.body = { address: ask.target, leftToday: left };
  });

  router.post('/own/index', (context) => {
    const ask = requests.index.parse(context.request.body);
    const market = services.market(ask.market);
    context.body = {
      date: services.clock(),
      units: 0,
      pages: ask.targets.map((target) => services.publishing.stateOf(market, target, services.clock())),
    };
  });
}

/** Fields as documents name them: what only their owner sees goes by another name outside. */
function publishedFields({
  'hidden search terms': hidden,
  ...fields
}: Record<string, string>): Record<string, string> {
  return hidden === undefined ? fields : { ...fields, hidden };
}

function byDays<Row>(
  services: Services,
  ask: { from: string; to: string; cursor?: string },
  rowsOn: (day: number) => Row[],
): { date: string; units: number; rows: Row[]; cursor: string | null } {
  const from = dayNumber(ask.cursor ?? ask.from);
  const to = services.day(ask.to);
  const last = Math.min(to, from + PERFORMANCE_DAYS - 1);
  const rows: Row[] = [];
  for (let at = from; at <= last; at++) rows.push(...rowsOn(at));
  return { date: services.clock(), units: 0, rows, cursor: last < to ? isoDay(last + 1) : null };
}

/** Fields that nobody else sees. */
function ownFields(market: OpenMarket, address: string, day: number): Record<string, string> {
  const index = market.world.documents.findIndex((entry) => entry.address === address);
  if (index < 0) return {};
  const { hidden, 'channel keywords': keywords } = market.ranker.contentOn(index, day).fields;
  return {
    ...(hidden === undefined ? {} : { 'hidden search terms': hidden }),
    ...(keywords === undefined ? {} : { 'channel keywords': keywords }),
  };
}
