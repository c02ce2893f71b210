import { randomUUID } from 'node:crypto';
import { access, rm } from 'node:fs/promises';
import path from 'node:path';
import {
  fileImport,
  fileReading,
  type ImportPreview,
  importKind,
  importPreview,
  importStart,
  rejectionsPage,
  uploadAnswer,
} from '@opsimath/contract/api/imports';
import { LRUCache } from 'lru-cache';
import { marketApart } from '@opsimath/contract/api/marketSaid';
import { z } from 'zod';
import {
  type ImportRow,
  createImport,
  importById,
  listImports,
  rejections,
  startImport,
} from '../data/imports';
import { createJob } from '../data/jobs';
import { type MarketRow, marketByCode } from '../data/markets';
import { projectById } from '../data/projects';
import { readingProblems } from '../files/findReading';
import { readFile } from '../files/readFile';
import { withRememberedMatch, rememberMatch } from '../data/columnMatches';
import { KnownProblem } from '../problems/problem';
import type { Routes } from './route';
import type { Services } from './services';
import { storeUpload } from './upload';

// eslint-disable-next-line max-lines-per-function -- a list of routes, each a few lines
export function importRoutes(routes: Routes, { database, jobs, filesFolder }: Services): void {
  /** What the rows of lately uploaded files say of where they are from. */
  const said = new LRUCache<number, ImportPreview['says']>({ max: 100 });
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
        const seen = await readFile('table', file, query.kind);
        const reading = await withRememberedMatch(database, params.id, seen.reading);
        const problems = readingProblems(reading);
        const { kind } = reading;
        const entry = { projectId: params.id, fileName: query.name, storedAs, bytes, kind, reading };
        const id = await createImport(database, entry);
        said.set(id, seen.says);
        return {
          import: (await listImports(database, params.id, id))[0]!,
          preview: { ...seen, reading, problems },
        };
      } catch (error) {
        await rm(file, { force: true });
        await rm(`${file}.table`, { force: true });
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
      const file = await storedFile(filesFolder, entry);
      return readFile('table again', file, format, body.kind);
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
      if (entry.jobId !== null) throw takenIn();
      const problems = readingProblems(body.reading);
      if (problems.length > 0) throw new KnownProblem('reading', problems.join(' '));
      const market = await marketByCode(database, body.market);
      const file = await storedFile(filesFolder, entry);
      if (!body.marketConfirmed) {
        const { format, kind } = body.reading;
        const says = said.get(entry.id) ?? (await readFile('table again', file, format, kind)).says;
        assertMarket(market, says);
      }
      const { kind } = body.reading;
      const jobId = await database.together(async (steps) => {
        // Asked again inside: two starts at once take the file in once.
        if ((await importById(steps, entry.id)).jobId !== null) throw takenIn();
        const created = await createJob(steps, entry.projectId, 'import', { importId: entry.id });
        await rememberMatch(steps, entry.projectId, body.reading);
        const start = { marketId: market.id, jobId: created, kind, reading: body.reading };
        await startImport(steps, entry.id, start);
        return created;
      });
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

const takenIn = (): KnownProblem =>
  new KnownProblem(
    'taken-in',
    'This file has been taken in already.',
    'Upload it again to read it differently.',
  );

/** The uploaded file of an import. What was never taken in is kept for a day only. */
async function storedFile(folder: string, entry: ImportRow): Promise<string> {
  const file = path.join(folder, entry.storedAs);
  await access(file).catch(() => {
    throw new KnownProblem(
      'no-such-import',
      `The file ${entry.fileName} is no longer here: what is not taken in goes after a day.`,
      'Upload it again.',
    );
  });
  return file;
}

/** Throws when the rows say that they are of another country or language than the market. */
function assertMarket(market: MarketRow, says: ImportPreview['says']): void {
  const apart = marketApart(market, says);
  if (apart === null) return;
  throw new KnownProblem(
    'another-market',
    apart,
    'Choose the market that the file is of, or take it in for this one all the same.',
  );
}
