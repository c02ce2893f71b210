import { PassThrough } from 'node:stream';
import { job } from '@opsimath/contract/api/jobs';
import { z } from 'zod';
import { projectJobs } from '../data/jobs';
import type { Routes } from './route';
import type { Services } from './services';

const HEARTBEAT_MS = 15_000;

export function jobRoutes(routes: Routes, { database, jobs }: Services): void {
  routes.add(
    { method: 'get', path: '/projects/:id/jobs', summary: 'Long work, newest first', answer: z.array(job) },
    async ({ params }) => (await projectJobs(database, params.id)).map((found) => jobs.asItStands(found)),
  );
  routes.add({ method: 'get', path: '/jobs/:id', summary: 'One job', answer: job }, ({ params }) =>
    jobs.job(params.id),
  );
  routes.add(
    { method: 'post', path: '/jobs/:id/cancel', summary: 'Stop a job; what came is kept', answer: job },
    ({ params }) => jobs.cancel(params.id),
  );
  routes.add(
    {
      method: 'post',
      path: '/jobs/:id/resume',
      summary: 'Go on with a failed or cancelled job',
      answer: job,
    },
    ({ params }) => jobs.resume(params.id),
  );
  routes.add(
    {
      method: 'get',
      path: '/jobs/:id/events',
      summary: 'Progress as server-sent events, until the job ends',
      answer: null,
      media: 'text/event-stream',
    },
    async ({ params, context }) => {
      const stream = new PassThrough();
      const send = (value: z.input<typeof job>): void => {
        stream.write(`data: ${JSON.stringify(value)}\n\n`);
        if (value.state !== 'queued' && value.state !== 'running') stream.end();
      };
      // Listening begins before the state is read, so that nothing falls between.
      const stop = jobs.listen(params.id, send);
      const beat = setInterval(() => stream.write(': still here\n\n'), HEARTBEAT_MS);
      const cease = (): void => {
        stop();
        clearInterval(beat);
      };
      stream.on('close', cease);
      context.req.on('close', () => stream.destroy());
      try {
        send(await jobs.job(params.id));
      } catch (error) {
        cease();
        throw error;
      }
      context.set({
        'Content-Type': 'text/event-stream',
        'Cache-Control': 'no-cache',
        'X-Accel-Buffering': 'no',
      });
      context.status = 200;
      context.body = stream;
    },
  );
}
