import { ownCopy, severalDrafts } from '@opsimath/contract/api/drafts';
import { isoDay } from '@opsimath/contract/source/answers';
import { KINDS_OF } from '@opsimath/core/copy/draftFields';
import { z } from 'zod';
import { addDraft, removeDraft } from '../data/drafts';
import { marketByCode } from '../data/markets';
import { presentFields } from '../drafts/presentFields';
import type { Routes } from './route';
import type { Services } from './services';

export function ownCopyRoutes(routes: Routes, { database, source, analysis }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/own-copy',
      summary: 'All our titles and descriptions, beside the keyword that each answers',
      query: z.object({ market: z.string(), date: isoDay }),
      answer: ownCopy,
    },
    ({ params, query }) => analysis.ownCopy(params.id, query),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/drafts/several',
      summary: 'Begin drafts of several targets, with some of their fields said otherwise',
      body: severalDrafts,
      answer: z.object({ ids: z.array(z.int()) }),
    },
    async ({ params, body }) => {
      const market = await marketByCode(database, body.market);
      const [kind] = KINDS_OF[market.surface];
      const ids: number[] = [];
      for (const { address, fields, keywords } of body.drafts) {
        const present = await presentFields(source, kind, body.market, address);
        const name = address.split('/').at(-1) || address;
        ids.push(
          await addDraft(
            database,
            params.id,
            market.id,
            { ...body, date: '', kind, name, address, task: null, keywords, start: 'present', title: '' },
            { ...present?.fields, ...fields },
          ),
        );
      }
      return { ids };
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/drafts/remove',
      summary: 'Remove several drafts',
      body: z.object({ ids: z.array(z.int()).min(1).max(300) }),
      answer: z.object({ removed: z.int() }),
    },
    async ({ params, body }) => {
      for (const id of body.ids) await removeDraft(database, params.id, id);
      return { removed: body.ids.length };
    },
  );
}
