import { randomUUID } from 'node:crypto';
import { rename, rm } from 'node:fs/promises';
import path from 'node:path';
import {
  fileImport,
  fileReading,
  importKind,
  importPreview,
  importStart,
  rejectionsPage,
  uploadAnswer,
} from '@opsimath/contract/api/imports';
import { z } from 'zod';
import { createImport, importById, listImports, rejections, startImport } from '../data/imports';
import { createJob } from '../data/jobs';
import { marketByCode } from '../data/markets';
import { projectById } from '../data/projects';
import { findReading, readingProblems } from '../files/findReading';
import { asDelimited, formatOf } from '../files/tables';
import { withRememberedMatch, rememberMatch } from '../data/columnMatches';
import { KnownProblem } from '../problem';
import type { Routes } from './route';
import type { Services } from './services';
import { storeUpload } from './upload';

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
      summary:
        'Upload a table as CSV, TSV, XLSX or JSON Lines (the body is the file); says how it would be read',
      query: z.object({ name: z.string().trim().min(1).max(200), kind: importKind.optional() }),
      answer: uploadAnswer,
    },
    async ({ params, query, context }) => {
      await projectById(database, params.id);
      const storedAs = `${randomUUID()}.upload`;
      const file = path.join(filesFolder, storedAs);
      try {
        const bytes = await storeUpload(context, file);
        const format = await formatOf(file);
        if (format !== 'delimited') {
          await asDelimited(file, format, `${file}.table`);
          await rename(`${file}.table`, file);
        }
        const { reading: found, sample } = await findReading(file, format, query.kind);
        const reading = await withRememberedMatch(database, params.id, found);
        const problems = readingProblems(reading);
        const { kind } = reading;
        const entry = { projectId: params.id, fileName: query.name, storedAs, bytes, kind, reading };
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
      path: '/imports/:id/reading',
      summary: 'How an uploaded file would be read as another kind of table',
      body: z.object({ kind: importKind }),
      answer: importPreview,
    },
    async ({ params, body }) => {
      const entry = await importById(database, params.id);
      const { format } = fileReading.parse(entry.reading);
      return findReading(path.join(filesFolder, entry.storedAs), format, body.kind);
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
          'taken-in',
          'This file has been taken in already.',
          'Upload it again to read it differently.',
        );
      }
      const problems = readingProblems(body.reading);
      if (problems.length > 0) throw new KnownProblem('reading', problems.join(' '));
      const market = await marketByCode(database, body.market);
      const jobId = await createJob(database, entry.projectId, 'import', { importId: entry.id });
      const { kind } = body.reading;
      await rememberMatch(database, entry.projectId, body.reading);
      await startImport(database, entry.id, { marketId: market.id, jobId, kind, reading: body.reading });
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
