import { job } from '@opsimath/contract/api/jobs';
import { z } from 'zod';
import { createJob, jobById, readJob } from '../data/jobs';
import { projectById } from '../data/projects';
import { stopTracking, track } from '../data/tracked';
import { captureRequest } from '../work/captureJob';
import type { Routes } from './route';
import type { Services } from './services';

const keywords = z.object({ keywords: z.array(z.int()).min(1).max(100_000) });

export function trackingRoutes(routes: Routes, { database, jobs, source }: Services): void {
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/tracked',
      summary: 'Follow keywords over time',
      body: keywords,
      answer: keywords,
    },
    async ({ params, body }) => {
      await projectById(database, params.id);
      await track(database, params.id, body.keywords, await source.today());
      return body;
    },
  );
  routes.add(
    {
      method: 'delete',
      path: '/projects/:id/tracked',
      summary: 'Stop following keywords',
      body: keywords,
      answer: keywords,
    },
    async ({ params, body }) => {
      await stopTracking(database, params.id, body.keywords);
      return body;
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/captures',
      summary: 'Capture result pages of keywords on some dates',
      body: captureRequest,
      answer: job,
    },
    async ({ params, body }) => {
      await projectById(database, params.id);
      const id = await createJob(database, params.id, 'captures', body);
      jobs.start(id);
      return readJob(await jobById(database, id));
    },
  );
}
