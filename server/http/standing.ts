import { around } from '@opsimath/contract/api/around';
import { comparisonScope } from '@opsimath/contract/api/gapQuery';
import { keywordHits, keywordHitsQuery } from '@opsimath/contract/api/keywordHits';
import { overTime, overTimeQuery } from '@opsimath/contract/api/overTime';
import { ownQueryPage, ownQueryQuery } from '@opsimath/contract/api/ownQueries';
import { paidQuery, paidView } from '@opsimath/contract/api/paid';
import { surfacesQuery, surfacesView } from '@opsimath/contract/api/surfaces';
import type { Routes } from './route';
import type { Services } from './services';

/** How we stand beside the table of gaps: over time, in our own figures, in paid slots, across surfaces. */
export function standingRoutes(routes: Routes, { analysis }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/over-time',
      summary:
        'Visibility, share of clicks and depth of every side over time; what changed between the two dates',
      query: overTimeQuery,
      answer: overTime,
    },
    ({ params, query }) => analysis.overTime(params.id, query),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/keyword-hits',
      summary:
        'Keywords that hold a text: the very one first, then those that begin with it, then the most searched',
      query: keywordHitsQuery,
      answer: keywordHits,
    },
    ({ params, query }) => analysis.keywordHits(params.id, query),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/keywords/:keyword/around',
      summary:
        'The front of a keyword in figures, what stands before us, own candidates, easier neighbours, season',
      query: comparisonScope,
      answer: around,
    },
    ({ params, query }) => analysis.around(params.id, query, params.keyword),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/own-queries',
      summary:
        'Own search performance by query against the period before and against what was to be expected',
      query: ownQueryQuery,
      answer: ownQueryPage,
    },
    ({ params, query }) => analysis.ownQueries(params.id, query),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/paid',
      summary:
        'Paid against organic keywords of every side, and own ad search terms against the keyword list',
      query: paidQuery,
      answer: paidView,
    },
    ({ params, query }) => analysis.paidView(params.id, query),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/surfaces',
      summary:
        'Keywords on every surface of their place and language: who holds which slots, and what could be ours',
      query: surfacesQuery,
      answer: surfacesView,
    },
    ({ params, query }) => analysis.surfacesView(params.id, query),
  );
}
