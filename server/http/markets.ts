import { codeOfPlace, knownMarket, placeWithin } from '@opsimath/contract/api/markets';
import { allowanceAnswer, isoDay } from '@opsimath/contract/source/answers';
import { z } from 'zod';
import { listMarkets, marketByCode, saveMarkets, savePlaceWithin } from '../data/markets';
import { KnownProblem } from '../problems/problem';
import type { Routes } from './route';
import type { Services } from './services';

const serviceState = z.object({
  reachable: z.boolean(),
  message: z.string().nullable(),
  today: isoDay.nullable(),
  allowance: allowanceAnswer.nullable(),
});

export function marketRoutes(routes: Routes, { database, source }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/markets',
      summary: 'Markets that the services cover, and places within them that were added',
      answer: z.array(knownMarket),
    },
    async () => {
      // What was learnt before serves while the services are away.
      try {
        await saveMarkets(database, await source.markets());
      } catch (error) {
        if ((await listMarkets(database)).length === 0) throw error;
      }
      return (await listMarkets(database)).map(({ id: _id, ...market }) => market);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/markets/places',
      summary: 'Narrow a market to a place: from then on it is a market of its own',
      body: placeWithin,
      answer: knownMarket,
    },
    async ({ body }) => {
      const whole = await marketByCode(database, body.market);
      if (whole.within !== null)
        throw new KnownProblem(
          'place-within-place',
          `${whole.placeName} is a place already.`,
          'Choose the whole market first.',
        );
      const code = codeOfPlace(body);
      const { name } = await source.place({ market: code });
      const { id: _id, ...market } = await savePlaceWithin(database, whole, code, `${body.kind} ${name}`);
      return market;
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/services',
      summary: 'Whether the services answer, their date and the units left',
      answer: serviceState,
    },
    async () => {
      try {
        const [today, allowance] = await Promise.all([source.today(), source.allowance()]);
        return { reachable: true, message: null, today, allowance };
      } catch (error) {
        return { reachable: false, message: (error as Error).message, today: null, allowance: null };
      }
    },
  );
}
