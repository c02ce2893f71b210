import { randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir, rm, stat } from 'node:fs/promises';
import path from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import {
  fileImport,
  importPreview,
  importStart,
  rejectionsPage,
  uploadAnswer,
} from '@opsimath/contract/api/imports';
import type { Context } from 'koa';
import { z } from 'zod';
import { createImport, importById, listImports, rejections, startImport } from '../data/imports';
import { createJob } from '../data/jobs';
import { marketByCode } from '../data/markets';
import { projectById } from '../data/projects';
import { findReading, readingProblems } from '../files/performanceTable';
import { KnownProblem } from '../problem';
import type { Routes } from './route';
import type { Services } from './services';

const MOST_BYTES = 1024 ** 3;

export function importRoutes(routes: Routes, { database, jobs, filesFolder }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/imports',
      summary: 'Files taken in, newest first',
      answer: z.array(fileImport),
    },
    ({ params }) => listImports(database, params.id),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/imports',
      summary: 'Upload a file of own search performance (the body is the file); says how it would be read',
      query: z.object({ name: z.string().trim().min(1).max(200) }),
      answer: uploadAnswer,
    },
    async ({ params, query, context }) => {
      await projectById(database, params.id);
      const storedAs = `${randomUUID()}.upload`;
      const file = path.join(filesFolder, storedAs);
      try {
        const bytes = await storeUpload(context, file);
        const { reading, sample, problems } = await findReading(file);
        const entry = { projectId: params.id, fileName: query.name, storedAs, bytes, reading };
        const id = await createImport(database, entry);
        return {
          import: (await listImports(database, params.id, id))[0]!,
          preview: { reading, sample, problems },
        };
      } catch (error) {
        await rm(file, { force: true });
        throw error;
      }
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/imports/:id/check',
      summary: 'Whether a corrected reading can be used',
      body: importStart,
      answer: importPreview.pick({ problems: true }),
    },
    async ({ params, body }) => {
      await importById(database, params.id);
      return { problems: readingProblems(body.reading) };
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/imports/:id/start',
      summary: 'Take the file in as it is now read',
      body: importStart,
      answer: fileImport,
    },
    async ({ params, body }) => {
      const entry = await importById(database, params.id);
      if (entry.jobId !== null) {
        throw new KnownProblem(
          409,
          'taken-in',
          'This file has been taken in already.',
          'Upload it again to read it differently.',
        );
      }
      const problems = readingProblems(body.reading);
      if (problems.length > 0) throw new KnownProblem(400, 'reading', problems.join(' '));
      const market = await marketByCode(database, body.market);
      const jobId = await createJob(database, entry.projectId, 'import', { importId: entry.id });
      await startImport(database, entry.id, { marketId: market.id, jobId, reading: body.reading });
      jobs.start(jobId);
      return (await listImports(database, entry.projectId, entry.id))[0]!;
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/imports/:id/rejections',
      summary: 'Rejected rows with line and reason',
      query: z.object({
        offset: z.coerce.number().int().min(0).default(0),
        limit: z.coerce.number().int().min(1).max(1000).default(100),
      }),
      answer: rejectionsPage,
    },
    ({ params, query }) => rejections(database, params.id, query.offset, query.limit),
  );
}

/** Writes the body to a file as it comes. An upload that breaks off or is too large leaves nothing. */
async function storeUpload(context: Context, file: string): Promise<number> {
  await mkdir(path.dirname(file), { recursive: true });
  let bytes = 0;
  const measure = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length;
      if (bytes <= MOST_BYTES) return done(null, chunk);
      done(
        new KnownProblem(
          413,
          'too-large',
          'Files of more than 1 GB are not taken.',
          'Split the export by months.',
        ),
      );
    },
  });
  try {
    await pipeline(context.req, measure, createWriteStream(file));
  } catch (error) {
    if (error instanceof KnownProblem) throw error;
    throw new KnownProblem(
      400,
      'broken-upload',
      'The upload broke off; nothing of it was kept.',
      'Upload the file again.',
      { cause: error },
    );
  }
  return (await stat(file)).size;
}
