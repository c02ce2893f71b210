import { project, projectChange, projectCreation, projectOverview } from '@opsimath/contract/api/projects';
import { z } from 'zod';
import { projectOverviewOf } from '../data/overview';
import { changeProject, createProject, listProjects, projectById } from '../data/projects';
import type { Routes } from './route';
import type { Services } from './services';

export function projectRoutes(routes: Routes, { database, analysis }: Services): void {
  routes.add({ method: 'get', path: '/projects', summary: 'All projects', answer: z.array(project) }, () =>
    listProjects(database),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects',
      summary: 'Create a project',
      body: projectCreation,
      answer: project,
    },
    ({ body }) => createProject(database, body.name),
  );
  routes.add(
    { method: 'get', path: '/projects/:id', summary: 'One project with its settings', answer: project },
    ({ params }) => projectById(database, params.id),
  );
  routes.add(
    {
      method: 'patch',
      path: '/projects/:id',
      summary: 'Rename a project or change its settings',
      body: projectChange,
      answer: project,
    },
    ({ params, body }) => changeProject(database, params.id, body),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/overview',
      summary: 'What waits at each stage, and the dates of which something is known',
      query: z.object({ market: z.string().optional() }),
      answer: projectOverview,
    },
    async ({ params, query }) => {
      await projectById(database, params.id);
      const overview = await projectOverviewOf(database, params.id, query.market);
      const market = query.market === '' ? undefined : query.market;
      const keywords = market === undefined ? 0 : await analysis.keywordsCompared(params.id, { market });
      return { ...overview, keywords };
    },
  );
}
