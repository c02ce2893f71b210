import { auctionPrice, auctionRequest, bids, bidsQuery } from '@opsimath/contract/api/bids';
import { job } from '@opsimath/contract/api/jobs';
import { z } from 'zod';
import { auctionsMissing, daysUntil } from '../data/auctions';
import { createJob, jobById, readJob } from '../data/jobs';
import { marketByCode } from '../data/markets';
import { keepOwnBids } from '../data/ownBids';
import { projectById } from '../data/projects';
import { fetchRecords } from '../work/steps/fetchRecords';
import type { Routes } from './route';
import type { Services } from './services';

/** What we bid on, and the auctions that say what would suffice. */
export function bidRoutes(routes: Routes, { database, analysis, source, jobs }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/bids',
      summary: 'Keywords we bid on, against the guide of their auctions, with why each was never shown',
      query: bidsQuery,
      answer: bids,
    },
    ({ params, query }) => analysis.bids(params.id, query),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/own-bids',
      summary: 'Ask the connected account what we bid on now; costs no units',
      body: z.object({ market: z.string() }),
      answer: z.object({ kept: z.int() }),
    },
    async ({ params, body }) => {
      await projectById(database, params.id);
      const market = await marketByCode(database, body.market);
      const answer = await source.campaigns({ market: market.code });
      const kept = await keepOwnBids(database, params.id, market.id, answer);
      // Whether a landing target holds the words is asked of its whole record.
      const landings = answer.campaigns.flatMap(({ keywords }) => keywords.map(({ landing }) => landing));
      await fetchRecords({ database, source }, market, answer.date, [...new Set(landings)]);
      return { kept };
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/auctions/price',
      summary: 'What observing auctions would cost: one unit a keyword and day that is not held',
      body: auctionRequest,
      answer: auctionPrice,
    },
    async ({ params, body }) => {
      await projectById(database, params.id);
      const { id } = await marketByCode(database, body.market);
      const days = daysUntil(body.date, body.days);
      const missing = await auctionsMissing(database, id, body.keywords, days);
      const asked = new Set(body.keywords).size * days.length;
      return { asked, held: asked - missing.length, units: missing.length };
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/auctions',
      summary: 'Observe the auctions of keywords on the days up to a date',
      body: auctionRequest,
      answer: job,
    },
    async ({ params, body }) => {
      await projectById(database, params.id);
      await marketByCode(database, body.market);
      const id = await createJob(database, params.id, 'auctions', body);
      jobs.start(id);
      return readJob(await jobById(database, id));
    },
  );
}
