import { report, reportQuery } from '@opsimath/contract/api/report';
import type { Routes } from './route';
import type { Services } from './services';

export function reportRoutes(routes: Routes, { analysis }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/report',
      summary: 'The prioritised gap report',
      query: reportQuery,
      answer: report,
    },
    ({ params, query }) => analysis.report(params.id, query),
  );
}
