import { changeAddition, publication, publishedChange } from '@opsimath/contract/api/drafts';
import { z } from 'zod';
import { marketByCode } from '../data/markets';
import { changeById, forgetNoted, listChanges } from '../data/publishedChanges';
import { noteChange } from '../drafts/noteChange';
import { askAgain, followSeen, publishDraft } from '../drafts/publishDraft';
import { whereAway } from '../drafts/whereAway';
import type { Routes } from './route';
import type { Services } from './services';

export function publishedRoutes(routes: Routes, { database, source }: Services): void {
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/drafts/:draft/publish',
      summary: 'Publish a draft through the services, or note that it was done by hand',
      body: publication,
      answer: z.object({ id: z.int() }),
    },
    async ({ params, body }) => ({
      id: await publishDraft({ database, source }, params.id, params.draft, body),
    }),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/published',
      summary: 'What was published in a market, with whether search shows it yet',
      query: z.object({ market: z.string() }),
      answer: z.array(publishedChange),
    },
    async ({ params, query }) => {
      const market = await marketByCode(database, query.market);
      await followSeen({ database, source }, params.id, market.code, market.id).catch(whereAway);
      return listChanges(database, params.id, market.id);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/published',
      summary:
        'Note something that was done to a target without a draft: price, picture, links, bid, renewal',
      body: changeAddition,
      answer: z.object({ id: z.int() }),
    },
    async ({ params, body }) => ({ id: await noteChange(database, params.id, body) }),
  );
  routes.add(
    {
      method: 'delete',
      path: '/projects/:id/published/:change',
      summary: 'Remove a change that was only noted',
      answer: z.object({ removed: z.boolean() }),
    },
    async ({ params }) => {
      await forgetNoted(database, params.id, params.change);
      return { removed: true };
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/published/:change/again',
      summary: 'Ask search to look at a changed target again; the allowance of the day is told',
      answer: z.object({ leftToday: z.int() }),
    },
    async ({ params }) => {
      await changeById(database, params.id, params.change);
      return { leftToday: await askAgain({ database, source }, params.id, params.change) };
    },
  );
}
