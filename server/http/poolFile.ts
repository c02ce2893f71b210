import { type PoolQueryRead, poolQuery } from '@opsimath/contract/api/pool';
import { keepExport } from '../data/exports';
import { lookUpById } from '../data/lookUps';
import { type Cell, MOST_SHEET_ROWS, tableFormat, writeTable } from '../files/tableWriters';
import { KnownProblem } from '../problems/problem';
import type { Routes } from './route';
import type { Services } from './services';
import { z } from 'zod';

const PAGE = 5000;

/** The pool of a look-up as a file, which is noted with the look-up so that it can be traced and made again. */
export function poolFileRoute(routes: Routes, { database, analysis }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/look-ups/:id/keywords.file',
      summary: 'The pool as CSV, XLSX or JSON: every row that passes, in the order shown',
      query: poolQuery
        .omit({ offset: true, limit: true })
        .extend({ format: tableFormat.default('csv'), rows: z.enum(['shown', 'all']).default('shown') }),
      answer: null,
      media: 'application/octet-stream',
    },
    async ({ params, query, context }) => {
      const lookUp = await lookUpById(database, params.id);
      const { format, rows: wanted, ...shown } = query;
      const filter: PoolQueryRead =
        wanted === 'shown'
          ? { ...shown, offset: 0, limit: PAGE }
          : { ...poolQuery.parse({}), sort: shown.sort, offset: 0, limit: PAGE };
      const first = await analysis.poolTable(params.id, filter);
      if (format === 'xlsx' && first.total > MOST_SHEET_ROWS) {
        throw new KnownProblem(
          'too-many-rows',
          `A sheet holds ${MOST_SHEET_ROWS} rows; these are ${first.total}.`,
          'Export them as CSV.',
        );
      }
      async function* pages(): AsyncGenerator<Cell[][]> {
        yield first.rows;
        for (let offset = PAGE; offset < first.total; offset += PAGE)
          yield (await analysis.poolTable(params.id, { ...filter, offset })).rows;
      }
      const market = lookUp.request.market;
      const name = `pool-${params.id}-${market}-${lookUp.date}.${format}`;
      await keepExport(database, {
        projectId: lookUp.projectId,
        lookUpId: params.id,
        name,
        query: context.querystring,
        rows: first.total,
      });
      const about = `Pool of look-up ${params.id}, ${market}, ${lookUp.date}; volumes and positions from the sources named in the application; clicks, difficulty and trend are estimated.`;
      const { body, type } = writeTable(format, {
        name: `Pool ${params.id}`,
        heads: first.heads,
        about,
        pages: pages(),
      });
      context.attachment(name);
      context.type = type;
      context.body = body;
    },
  );
}
