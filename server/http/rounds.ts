import {
  roundAddition,
  roundChange,
  roundFill,
  roundFilled,
  roundPlan,
  roundPlanQuery,
  roundsQuery,
  roundsView,
  workScope,
} from '@opsimath/contract/api/rounds';
import { roundAfter } from '@opsimath/core/rounds/roundAfter';
import { z } from 'zod';
import type { Database } from '../data/storage/connection';
import { type RoundRow, addRound, changeRound, listRounds, removeRound, roundById } from '../data/rounds';
import { addTasks } from '../data/tasks';
import { roundAsCalendar, roundAsList, roundAsTable } from '../files/roundFiles';
import { tableFormat, writeTable } from '../files/tableWriters';
import { projectById } from '../data/projects';
import type { Routes } from './route';
import type { Services } from './services';

const roundFormat = z.enum([...tableFormat.options, 'ics', 'md']);

export function roundRoutes(routes: Routes, { database, analysis, source }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/rounds',
      summary: 'The board: rounds with their tasks, what was set aside, and what is left to do',
      query: roundsQuery,
      answer: roundsView,
    },
    ({ params, query }) => analysis.roundsView(params.id, query),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/rounds',
      summary: 'Add a round',
      body: roundAddition,
      answer: z.object({ id: z.int() }),
    },
    async ({ params, body }) => ({ id: await addRound(database, params.id, body) }),
  );
  routes.add(
    {
      method: 'patch',
      path: '/projects/:id/rounds/:round',
      summary: 'Change a round: its name, days, people or most pieces of work',
      body: roundChange,
      answer: z.object({ id: z.int() }),
    },
    async ({ params, body }) => {
      await changeRound(database, params.id, params.round, body);
      return { id: params.round };
    },
  );
  routes.add(
    {
      method: 'delete',
      path: '/projects/:id/rounds/:round',
      summary: 'Remove a round; what was in it goes back to the queue',
      answer: z.object({ removed: z.boolean() }),
    },
    async ({ params }) => {
      await removeRound(database, params.id, params.round);
      return { removed: true };
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/rounds/:round/plan',
      summary:
        'What a round would take from the queue, by its own limits or others, and what one more day would buy',
      query: roundPlanQuery,
      answer: roundPlan,
    },
    ({ params, query }) => analysis.roundPlan(params.id, params.round, query),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/rounds/:round/fill',
      summary: 'Fill a round from the queue by optimisation, and those after it where that is wanted',
      body: roundFill,
      answer: roundFilled,
    },
    async ({ params, body: { rounds: wanted, ...scope } }) => {
      const filled: { tasks: number[]; rounds: number[] } = { tasks: [], rounds: [] };
      let round = await roundById(database, params.id, params.round);
      for (let n = 0; n < wanted; n++) {
        if (n > 0) round = await nextRound(database, params.id, round);
        const tasks = await analysis.plannedTasks(params.id, round.id, scope);
        if (tasks.length > 0) filled.tasks.push(...(await addTasks(database, params.id, round.id, tasks)));
        filled.rounds.push(round.id);
      }
      return filled;
    },
  );
  fileRoute(routes, { database, analysis, source });
}

function fileRoute(
  routes: Routes,
  { database, analysis, source }: Pick<Services, 'database' | 'analysis' | 'source'>,
): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/rounds/:round/file',
      summary:
        'A round for others: CSV, XLSX or JSON, its days as a calendar (iCalendar), or a check list in Markdown',
      query: workScope.partial().extend({ format: roundFormat.default('csv') }),
      answer: null,
      media: 'application/octet-stream',
    },
    async ({ params, query: { format }, context }) => {
      const project = await projectById(database, params.id);
      const round = await analysis.roundToldAlone(params.id, params.round, await source.today());
      const { currency } = project.settings;
      context.attachment(`${round.name}.${format}`);
      if (format === 'ics') {
        context.type = 'text/calendar; charset=utf-8';
        context.body = roundAsCalendar(round, project.name);
      } else if (format === 'md') {
        context.type = 'text/markdown; charset=utf-8';
        context.body = roundAsList(round, currency);
      } else {
        const { body, type } = writeTable(format, roundAsTable(round, currency));
        context.type = type;
        context.body = body;
      }
    },
  );
}

/** The round that begins after another, added with the same length and people where there is none. */
async function nextRound(database: Database, projectId: number, after: RoundRow): Promise<RoundRow> {
  const later = (await listRounds(database, projectId)).find(({ starts }) => starts > after.ends);
  if (later) return later;
  const { most, people } = after;
  const id = await addRound(database, projectId, { ...roundAfter(after), most, people });
  return roundById(database, projectId, id);
}
