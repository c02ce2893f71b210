import { allowanceAnswer, isoDay, sourceMarket } from '@opsimath/contract/source/answers';
import { z } from 'zod';
import { listMarkets, saveMarkets } from '../data/markets';
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
      summary: 'Markets that the services cover',
      answer: z.array(sourceMarket),
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
