import { dossier, dossierQuery, shownPage } from '@opsimath/contract/api/dossier';
import { type GapQueryRead, gapGroupQuery, gapGroups, gapPage, gapQuery } from '@opsimath/contract/api/gaps';
import { marketModels } from '@opsimath/contract/api/models';
import { isoDay } from '@opsimath/contract/source/answers';
import { z } from 'zod';
import { notesOfKeywords } from '../data/notes';
import { csvStream, gapColumns } from '../files/gapCsv';
import type { Routes } from './route';
import type { Services } from './services';

const EXPORT_PAGE = 500;

export function gapRoutes(routes: Routes, { analysis, database }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/gaps',
      summary: 'A page of gaps: sorted, filtered, with counts by kind, paid state and mark',
      query: gapQuery,
      answer: gapPage,
    },
    ({ params, query }) => analysis.gapPage(params.id, query),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/gaps.csv',
      summary: 'All gaps that pass the filter, as CSV',
      query: gapQuery,
      answer: null,
      media: 'text/csv',
    },
    async ({ params, query, context }) => {
      const first = await analysis.gapPage(params.id, { ...query, offset: 0, limit: EXPORT_PAGE });
      const notes = await notesOfKeywords(database, params.id);
      const rest = (offset: number): GapQueryRead => ({ ...query, offset, limit: EXPORT_PAGE });
      async function* pages() {
        yield first.rows;
        for (let at = EXPORT_PAGE; at < first.total; at += EXPORT_PAGE)
          yield (await analysis.gapPage(params.id, rest(at))).rows;
      }
      context.set('Content-Disposition', `attachment; filename="gaps-${query.market}-${query.date}.csv"`);
      context.type = 'text/csv; charset=utf-8';
      context.body = csvStream(gapColumns(first, notes), pages());
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/gaps/groups',
      summary: 'Gaps that pass the filter in groups: by cluster, by our target, by what to do',
      query: gapGroupQuery,
      answer: gapGroups,
    },
    ({ params, query }) => analysis.gapGroups(params.id, query),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/models',
      summary:
        'How clicks and chance are estimated in a market at a date: curve, weights, quality, what they rest on',
      query: z.object({ market: z.string(), date: isoDay }),
      answer: marketModels,
    },
    ({ params, query }) => analysis.marketModels(params.id, query.market, query.date),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/keywords/:keyword/dossier',
      summary: 'All that is known of one keyword in a comparison',
      query: dossierQuery,
      answer: dossier,
    },
    ({ params, query }) => analysis.dossier(params.id, query, params.keyword),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/keywords/:keyword/result-page',
      summary: 'The newest captured result page on or before a date',
      query: z.object({ market: z.string(), date: isoDay }),
      answer: shownPage.nullable(),
    },
    ({ params, query }) => analysis.resultPage(params.id, query.market, params.keyword, query.date),
  );
}
