import { type Study, reading, study, studyQuery } from '@opsimath/contract/api/study';
import { marketByCode } from '../data/markets';
import { projectById } from '../data/projects';
import { keepReading } from '../data/resultReadings';
import { curvesOf } from '../roster/front';
import { fetchRecords } from '../work/steps/fetchRecords';
import type { Routes } from './route';
import type { Services } from './services';

/** The study of a front: how its results open, look, are tagged and sell. */
export function studyRoutes(routes: Routes, services: Services): void {
  const { analysis, database } = services;
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/keywords/:keyword/study',
      summary:
        'How the front of a keyword opens, looks, is tagged and sells, with what was ticked on looking',
      query: studyQuery,
      answer: study.nullable(),
    },
    ({ params, query }) => analysis.study(params.id, params.keyword, query),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/keywords/:keyword/study/records',
      summary: 'Fetch the public records of the front as they were on the day of its capture',
      body: studyQuery,
      answer: study.nullable(),
    },
    async ({ params, body }): Promise<Study | null> => {
      const found = await analysis.study(params.id, params.keyword, body);
      if (found === null) return null;
      const market = await marketByCode(database, body.market);
      const addresses = found.results.map(({ address }) => address);
      await fetchRecords(services, market, found.date, addresses);
      await curvesOf(services, market, found.date);
      return analysis.study(params.id, params.keyword, body);
    },
  );
  routes.add(
    {
      method: 'put',
      path: '/projects/:id/readings',
      summary: 'Keep which traits the opening line or the picture of a result shows; null takes it back',
      body: reading,
      answer: reading,
    },
    async ({ params, body }) => {
      await projectById(database, params.id);
      await keepReading(database, params.id, body);
      return body;
    },
  );
}
