import {
  type Draft,
  draft,
  draftAddition,
  draftChange,
  draftQuery,
  draftSummary,
  draftVersionAddition,
  ownCopy,
  severalDrafts,
  writtenText,
  packing,
  packingRequest,
  publication,
  publishedChange,
} from '@opsimath/contract/api/drafts';
import { DRAFT_FIELDS, KINDS_OF } from '@opsimath/core/copy/draftFields';
import { isoDay } from '@opsimath/contract/source/answers';
import { z } from 'zod';
import {
  addDraft,
  changeDraft,
  draftById,
  draftVersions,
  keepVersion,
  listDrafts,
  removeDraft,
} from '../data/drafts';
import { marketByCode, marketById } from '../data/markets';
import { projectById } from '../data/projects';
import { changeById, listChanges } from '../data/publishedChanges';
import { presentFields } from '../drafts/presentFields';
import { askAgain, followSeen, publishDraft } from '../drafts/publishDraft';
import { briefOf } from '../files/briefFile';
import { readFile } from '../files/readFile';
import { listTasks } from '../data/rounds';
import { withUpload } from './upload';
import { KnownProblem } from '../problems/problem';
import type { Routes } from './route';
import type { Services } from './services';

export function draftRoutes(routes: Routes, { database, source, analysis }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/drafts',
      summary: 'Drafts of a market, what was touched last first',
      query: z.object({ market: z.string() }),
      answer: z.array(draftSummary),
    },
    ({ params, query }) => listDrafts(database, params.id, query.market),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/drafts',
      summary: 'Begin a draft from a target’s present fields, or from nothing',
      body: draftAddition,
      answer: z.object({ id: z.int() }),
    },
    async ({ params, body }) => {
      await projectById(database, params.id);
      const market = await marketByCode(database, body.market);
      const present =
        body.start === 'present' ? await presentFields(source, body.kind, body.market, body.address) : null;
      const empty = Object.fromEntries(DRAFT_FIELDS[body.kind].map(({ name }) => [name, '']));
      const fields = { ...empty, ...present?.fields, ...(body.title !== '' && { title: body.title }) };
      return { id: await addDraft(database, params.id, market.id, body, fields) };
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/drafts/:draft',
      summary: 'One draft with all that it is written against',
      query: draftQuery,
      answer: draft,
    },
    ({ params, query }) => wholeDraft({ database, source, analysis }, params.id, params.draft, query.date),
  );
  routes.add(
    {
      method: 'patch',
      path: '/projects/:id/drafts/:draft',
      summary: 'Change a draft that stands as it was seen',
      body: draftChange,
      answer: z.object({ revision: z.int() }),
    },
    async ({ params, body }) => ({ revision: await changeDraft(database, params.id, params.draft, body) }),
  );
  routes.add(
    {
      method: 'delete',
      path: '/projects/:id/drafts/:draft',
      summary: 'Remove a draft; what was published from it stays on the timeline',
      answer: z.object({ removed: z.boolean() }),
    },
    async ({ params }) => {
      await removeDraft(database, params.id, params.draft);
      return { removed: true };
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/drafts/:draft/versions',
      summary: 'Keep the copy as it stands, under a name',
      body: draftVersionAddition,
      answer: z.object({ id: z.int() }),
    },
    async ({ params, body }) => ({ id: await keepVersion(database, params.id, params.draft, body) }),
  );
  routes.add(
    {
      method: 'post',
      path: '/packing',
      summary: 'Words for hidden slots: those that complete keywords of most searches within the limits',
      body: packingRequest,
      answer: packing,
    },
    ({ body }) => analysis.packWords(body),
  );
}

/** A draft with all that it is written against. */
async function wholeDraft(
  { database, source, analysis }: Pick<Services, 'database' | 'source' | 'analysis'>,
  projectId: number,
  draftId: number,
  date: string,
): Promise<Draft> {
  const row = await draftById(database, projectId, draftId);
  const market = await marketById(database, row.marketId);
  const ground = await analysis.draftGround(projectId, { market: market.code, date }, row.keywords);
  const { id, kind, name, address, taskId, fields, limits, checks, revision, updatedAt, state } = row;
  return {
    ...{ id, kind, name, address, fields, checks, revision, updatedAt, state },
    limits: limits as Draft['limits'],
    market: market.code,
    task: taskId,
    ...ground,
    present: await presentFields(source, kind, market.code, address).catch(whereAway),
    versions: await draftVersions(database, id),
  };
}

/** While the services are away a draft can be written; what stands now is not known then. */
function whereAway(error: unknown): null {
  if (error instanceof KnownProblem) return null;
  throw error;
}

export function writerRoutes(routes: Routes, { database, source, analysis, filesFolder }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/drafts/:draft/brief',
      summary: 'A brief for a writer in Markdown: words it must have, limits, how the front writes',
      query: draftQuery,
      answer: null,
      media: 'text/markdown',
    },
    async ({ params, query, context }) => {
      const whole = await wholeDraft({ database, source, analysis }, params.id, params.draft, query.date);
      const task = (await listTasks(database, params.id)).find(({ id }) => id === whole.task);
      context.attachment(`brief-${whole.name}.md`);
      context.type = 'text/markdown; charset=utf-8';
      context.body = briefOf(whole, task?.reason ?? '');
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/written-text',
      summary: 'A text that a writer gave back (the body is the file: Markdown, HTML or DOCX), in fields',
      answer: writtenText,
      media: 'application/octet-stream',
    },
    ({ context }) => withUpload(context, filesFolder, (file) => readFile('written text', file)),
  );
}

export function ownCopyRoutes(routes: Routes, { database, source, analysis }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/own-copy',
      summary: 'All our titles and descriptions, beside the keyword that each answers',
      query: z.object({ market: z.string(), date: isoDay }),
      answer: ownCopy,
    },
    ({ params, query }) => analysis.ownCopy(params.id, query),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/drafts/several',
      summary: 'Begin drafts of several targets, with some of their fields said otherwise',
      body: severalDrafts,
      answer: z.object({ ids: z.array(z.int()) }),
    },
    async ({ params, body }) => {
      const market = await marketByCode(database, body.market);
      const [kind] = KINDS_OF[market.surface];
      const ids: number[] = [];
      for (const { address, fields, keywords } of body.drafts) {
        const present = await presentFields(source, kind, body.market, address);
        const name = address.split('/').at(-1) || address;
        ids.push(
          await addDraft(
            database,
            params.id,
            market.id,
            { ...body, date: '', kind, name, address, task: null, keywords, start: 'present', title: '' },
            { ...present?.fields, ...fields },
          ),
        );
      }
      return { ids };
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/drafts/remove',
      summary: 'Remove several drafts',
      body: z.object({ ids: z.array(z.int()).min(1).max(300) }),
      answer: z.object({ removed: z.int() }),
    },
    async ({ params, body }) => {
      for (const id of body.ids) await removeDraft(database, params.id, id);
      return { removed: body.ids.length };
    },
  );
}

export function publishedRoutes(routes: Routes, { database, source }: Services): void {
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/drafts/:draft/publish',
      summary: 'Publish a draft through the services, or note that it was done by hand',
      body: publication,
      answer: z.object({ id: z.int() }),
    },
    async ({ params, body }) => ({
      id: await publishDraft({ database, source }, params.id, params.draft, body),
    }),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/published',
      summary: 'What was published in a market, with whether search shows it yet',
      query: z.object({ market: z.string() }),
      answer: z.array(publishedChange),
    },
    async ({ params, query }) => {
      const market = await marketByCode(database, query.market);
      await followSeen({ database, source }, params.id, market.code, market.id).catch(whereAway);
      return listChanges(database, params.id, market.id);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/published/:change/again',
      summary: 'Ask search to look at a changed target again; the allowance of the day is told',
      answer: z.object({ leftToday: z.int() }),
    },
    async ({ params }) => {
      await changeById(database, params.id, params.change);
      return { leftToday: await askAgain({ database, source }, params.id, params.change) };
    },
  );
}
