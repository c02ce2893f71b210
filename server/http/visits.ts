import { visitMonth } from '@opsimath/contract/api/watch';
import { z } from 'zod';
import { projectById } from '../data/projects';
import { visitMonths } from '../data/visits';
import type { Routes } from './route';
import type { Services } from './services';

export function visitRoutes(routes: Routes, { database }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/visits',
      summary: 'Visits by month, all and those from search, as they were brought in',
      answer: z.array(visitMonth),
    },
    async ({ params }) => {
      await projectById(database, params.id);
      return visitMonths(database, params.id);
    },
  );
}
