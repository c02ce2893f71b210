import { actionChoice, dossier, dossierQuery, shownPage } from '@opsimath/contract/api/dossier';
import { type GapQueryRead, gapFileQuery, gapQuery } from '@opsimath/contract/api/gapQuery';
import { gapGroupQuery, gapGroups, gapPage } from '@opsimath/contract/api/gaps';
import { marketModels } from '@opsimath/contract/api/models';
import { whatToDo, whatToDoQuery } from '@opsimath/contract/api/whatToDo';
import type { GapFigure } from '@opsimath/contract/figures/gapFigures';
import { isoDay } from '@opsimath/contract/source/answers';
import { z } from 'zod';
import { chooseAction } from '../data/chosenActions';
import { notesOfKeywords } from '../data/notes';
import { gapColumns } from '../files/gapCsv';
import { type Cell, MOST_SHEET_ROWS, type Table, type TableFormat, writeTable } from '../files/tableWriters';
import { listById } from '../data/lists';
import { listLookUps } from '../data/lookUpList';
import { fileName } from '../files/fileName';
import { KnownProblem } from '../problems/problem';
import type { Routes } from './route';
import type { Services } from './services';

const EXPORT_PAGE = 500;

export function gapRoutes(routes: Routes, services: Services): void {
  const { analysis } = services;
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/gaps',
      summary: 'A page of gaps: sorted, filtered, with counts by kind, paid state and mark',
      query: gapQuery,
      answer: gapPage,
    },
    ({ params, query }) => analysis.gapPage(params.id, query),
  );
  for (const [path, summary] of [
    ['/projects/:id/gaps.file', 'All gaps that pass the filter, as CSV, XLSX or JSON'],
    ['/projects/:id/gaps.csv', 'The same, as CSV where no other format is asked for'],
  ] as const)
    routes.add(
      {
        method: 'get',
        path,
        summary,
        query: gapFileQuery,
        answer: null,
        media: 'application/octet-stream',
      },
      async ({ params, query: { format, figures, ...query }, context }) => {
        const table = await gapTable(services, params.id, query, { format, figures });
        const { body, type } = writeTable(format, table);
        context.attachment(`${fileName(table.name)}.${format}`);
        context.type = type;
        context.body = body;
      },
    );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/gaps/groups',
      summary: 'Gaps that pass the filter in groups: by cluster, by our target, by what to do',
      query: gapGroupQuery,
      answer: gapGroups,
    },
    ({ params, query }) => analysis.gapGroups(params.id, query),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/what-to-do',
      summary:
        'The same gaps from the side of the work: one line an action, each keyword’s gain counted once',
      query: whatToDoQuery,
      answer: whatToDo,
    },
    ({ params, query }) => analysis.whatToDo(params.id, query),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/models',
      summary:
        'How clicks and chance are estimated in a market at a date: curve, weights, quality, what they rest on',
      query: z.object({ market: z.string(), date: isoDay }),
      answer: marketModels,
    },
    ({ params, query }) => analysis.marketModels(params.id, query.market, query.date),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/keywords/:keyword/dossier',
      summary: 'All that is known of one keyword in a comparison',
      query: dossierQuery,
      answer: dossier,
    },
    ({ params, query }) => analysis.dossier(params.id, query, params.keyword),
  );
  routes.add(
    {
      method: 'put',
      path: '/projects/:id/keywords/:keyword/action',
      summary: 'Choose what to do about a keyword; null leaves it to what is worth most',
      body: actionChoice,
      answer: z.object({ chosen: z.boolean() }),
    },
    async ({ params, body }) => {
      await chooseAction(services.database, params.id, params.keyword, body.action, body.person);
      return { chosen: body.action !== null };
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/keywords/:keyword/result-page',
      summary: 'The newest captured result page on or before a date',
      query: z.object({ market: z.string(), date: isoDay }),
      answer: shownPage.nullable(),
    },
    ({ params, query }) => analysis.resultPage(params.id, query.market, params.keyword, query.date),
  );
}

/** Everything that passes a filter as a table, a page at a time, with what it rests on. */
async function gapTable(
  { analysis, database }: Services,
  project: number,
  query: GapQueryRead,
  { format, figures }: { format: TableFormat; figures: readonly GapFigure[] },
): Promise<Table> {
  const first = await analysis.gapPage(project, { ...query, offset: 0, limit: EXPORT_PAGE });
  if (format === 'xlsx' && first.total > MOST_SHEET_ROWS)
    throw new KnownProblem(
      'too-many-rows',
      `A sheet holds ${MOST_SHEET_ROWS} rows; these are ${first.total}.`,
      'Export them as CSV.',
    );
  const columns = gapColumns(first, await notesOfKeywords(database, project), figures);
  const cells = (rows: typeof first.rows): Cell[][] =>
    rows.map((row) => columns.map(({ cell }) => cell(row)));
  async function* pages(): AsyncGenerator<Cell[][]> {
    yield cells(first.rows);
    for (let offset = EXPORT_PAGE; offset < first.total; offset += EXPORT_PAGE)
      yield cells((await analysis.gapPage(project, { ...query, offset, limit: EXPORT_PAGE })).rows);
  }
  const of = await chosenName(database, project, query);
  const compared = query.compare === undefined ? '' : `, compared with ${query.compare}`;
  return {
    name: `Gaps ${of === '' ? '' : `${of} `}${query.market} ${query.date}`,
    heads: columns.map(({ head }) => head),
    about: `Gaps of ${first.own} and ${first.rivals.map(({ name }) => name).join(', ')}, ${query.market}, ${query.date}${compared}; facts up to ${first.rests.latest ?? 'none'}; ${first.total} of ${first.totals.keywords} keywords; demand, chance, worth, gain and clicks are estimated.`,
    pages: pages(),
  };
}

/** What is compared, by its name: a list, a look-up; nothing for all keywords. */
async function chosenName(
  database: Services['database'],
  project: number,
  { list, pool, only }: GapQueryRead,
): Promise<string> {
  if (list !== undefined) return (await listById(database, project, list)).name;
  if (pool !== undefined) return (await listLookUps(database, project, pool))[0]?.name ?? '';
  return only === 'tracked' ? 'followed' : '';
}
