import {
  effectsView,
  presence,
  presenceRequest,
  recheck,
  rechecked,
  watchDue,
  watchPlanChange,
  watchQuery,
  watchTargets,
  watchView,
} from '@opsimath/contract/api/watch';
import { keywordsById } from '../data/keywords';
import { marketByCode } from '../data/markets';
import { changeById } from '../data/publishedChanges';
import { projectById } from '../data/projects';
import { planWatch, watchPlans } from '../data/watchPlans';
import { KnownProblem } from '../problems/problem';
import { runDuePlans } from '../watch/scheduler';
import { captureNow } from '../work/steps/captureNow';
import type { Routes } from './route';
import type { Services } from './services';
import { z } from 'zod';

export function watchRoutes(routes: Routes, { database, source, analysis, jobs }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/watch',
      summary:
        'What is followed in a market: totals over time, a strip for each keyword, changes, what is due',
      query: watchQuery,
      answer: watchView,
    },
    ({ params, query }) => analysis.watch(params.id, query),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/effects',
      summary: 'What each change did, with interval, clicks and worth, or what is still lacking',
      query: watchQuery.pick({ market: true, date: true }),
      answer: effectsView,
    },
    ({ params, query }) => analysis.effects(params.id, query),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/watch/due',
      summary: 'How much is due: captures, changes to look at again, work that was put off',
      query: watchQuery.pick({ market: true, date: true }),
      answer: watchDue,
    },
    ({ params, query }) => analysis.watchDue(params.id, query),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/watch/targets',
      summary: 'What own targets serve, where several come up for one keyword, and whether search knows them',
      query: watchQuery.pick({ market: true, date: true }),
      answer: watchTargets,
    },
    ({ params, query }) => analysis.watchTargets(params.id, query),
  );
  routes.add(
    {
      method: 'put',
      path: '/projects/:id/watch/plan',
      summary: 'On which days of the week tracked keywords are captured; what is due is started at once',
      body: watchPlanChange,
      answer: z.object({ weekdays: z.array(z.int()), before: z.array(z.int()), started: z.array(z.int()) }),
    },
    async ({ params, body }) => {
      await projectById(database, params.id);
      const market = await marketByCode(database, body.market);
      const [plan] = await watchPlans(database, { project: params.id, market: market.id });
      const weekdays = [...body.weekdays].sort((a, b) => a - b);
      await planWatch(database, params.id, market.id, weekdays);
      const started = await runDuePlans({ database, source, jobs });
      return { weekdays, before: plan?.weekdays ?? [], started };
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/watch/recheck',
      summary:
        'A fresh look at keywords, stamped with the minute: 1 unit each, although one of today may be held',
      body: recheck,
      answer: rechecked,
    },
    async ({ params, body }) => {
      await projectById(database, params.id);
      const market = await marketByCode(database, body.market);
      const date = await source.today();
      const texts = await keywordsById(database, body.keywords);
      const known = body.keywords.filter((id) => texts.has(id));
      const at = new Date().toISOString().slice(0, 16);
      const units = await captureNow(
        { database, source },
        market,
        date,
        known.map((id) => texts.get(id)!.text),
        `looked at ${at}`,
      );
      const keywords = await analysis.rechecked(params.id, { market: market.code, date }, known);
      return { units, at, keywords };
    },
  );
  presenceRoute(routes, { database, source, analysis });
}

function presenceRoute(
  routes: Routes,
  { database, source, analysis }: Pick<Services, 'database' | 'source' | 'analysis'>,
): void {
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/watch/presence',
      summary: 'Look for the exact title of a change: 1 unit. Presence is no success',
      body: presenceRequest,
      answer: presence,
    },
    async ({ params, body }) => {
      const market = await marketByCode(database, body.market);
      const title = (await changeById(database, params.id, body.change)).after.title;
      if (title === undefined || title.trim() === '')
        throw new KnownProblem('no-way', 'This change says no title.', 'Look its keywords up instead.');
      const date = await source.today();
      const stamp = `looked at ${new Date().toISOString().slice(0, 16)}`;
      const units = await captureNow({ database, source }, market, date, [title], stamp);
      return { units, title, ...(await analysis.presence(params.id, { market: market.code, date, title })) };
    },
  );
}
