import { randomUUID } from 'node:crypto';
import path from 'node:path';
import { Readable } from 'node:stream';
import { createGzip } from 'node:zlib';
import { job } from '@opsimath/contract/api/jobs';
import { project } from '@opsimath/contract/api/projects';
import { z } from 'zod';
import { archiveLines } from '../data/archive/writeArchive';
import { createJob, jobById, readJob } from '../data/jobs';
import { createProject, projectById } from '../data/projects';
import type { Routes } from './route';
import type { Services } from './services';
import { storeUpload } from './upload';

/** All of a project in one file, out and in. */
export function archiveRoutes(routes: Routes, { database, jobs, filesFolder }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/archive',
      summary: 'The whole project in one file: lines of JSON, packed',
      answer: null,
      media: 'application/gzip',
    },
    async ({ params, context }) => {
      const { name } = await projectById(database, params.id);
      const slug =
        name
          .toLowerCase()
          .replace(/[^a-z0-9]+/g, '-')
          .replace(/^-|-$/g, '') || 'project';
      context.attachment(`${slug}.opsimath.jsonl.gz`);
      context.type = 'application/gzip';
      context.body = Readable.from(archiveLines(database, params.id)).pipe(createGzip());
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/archives',
      summary: 'Bring in a project archive as a new project (the body is the file)',
      answer: z.object({ project, job }),
    },
    async ({ context }) => {
      const storedAs = `${randomUUID()}.upload`;
      await storeUpload(context, path.join(filesFolder, storedAs));
      const { created, jobId } = await database.together(async (steps) => {
        const made = await createProject(steps, 'Archive being brought in');
        return { created: made, jobId: await createJob(steps, made.id, 'archive', { storedAs }) };
      });
      jobs.start(jobId);
      return { project: created, job: readJob(await jobById(database, jobId)) };
    },
  );
}
