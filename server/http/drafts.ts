import {
  type Draft,
  draft,
  draftAddition,
  draftChange,
  draftQuery,
  draftSummary,
  draftVersionAddition,
  writtenText,
  packing,
  packingRequest,
  secondBeginning,
  secondKeywords,
  secondRequest,
} from '@opsimath/contract/api/drafts';
import { draftMaterial } from '@opsimath/contract/api/draftMaterial';
import { DRAFT_FIELDS } from '@opsimath/core/copy/draftFields';
import { marked } from 'marked';
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
import { presentFields } from '../drafts/presentFields';
import { secondBeginning as beginSecond, secondKeywords as keywordsSaid } from '../drafts/secondCopy';
import { whereAway } from '../drafts/whereAway';
import { briefOf } from '../files/briefFile';
import { readFile } from '../files/readFile';
import { listTasks } from '../data/tasks';
import { withUpload } from './upload';
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
      method: 'get',
      path: '/projects/:id/drafts/:draft/material',
      summary: 'What the lead’s front and our own targets give: headings, questions, tags, links, spellings',
      query: draftQuery,
      answer: draftMaterial,
    },
    async ({ params, query }) => {
      const row = await draftById(database, params.id, params.draft);
      const { code } = await marketById(database, row.marketId);
      return analysis.draftMaterial(params.id, { market: code, date: query.date }, row);
    },
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
}

export function draftPartRoutes(routes: Routes, { database, source, analysis }: Services): void {
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
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/drafts/:draft/second',
      summary:
        'The same copy for another language as it could begin: what its keywords say there, field by field',
      body: secondRequest,
      answer: secondBeginning,
    },
    ({ params, body }) => beginSecond({ database, source }, params.id, params.draft, body),
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/drafts/:draft/second',
      summary: 'What a draft’s keywords say in another language, as far as that was asked for',
      query: secondRequest,
      answer: secondKeywords,
    },
    ({ params, query }) => keywordsSaid(database, params.id, params.draft, query.language),
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
  const { id, kind, name, address, taskId, fields, limits, checks, revision, updatedAt, state, second } = row;
  return {
    ...{ id, kind, name, address, fields, checks, revision, updatedAt, state },
    limits: limits as Draft['limits'],
    market: market.code,
    task: taskId,
    ...ground,
    second: second as Draft['second'],
    present: await presentFields(source, kind, market.code, address).catch(whereAway),
    versions: await draftVersions(database, id),
  };
}

export function writerRoutes(routes: Routes, { database, source, analysis, filesFolder }: Services): void {
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/drafts/:draft/brief',
      summary: 'A brief for a writer in Markdown: words it must have, limits, how the front writes',
      query: draftQuery.extend({ format: z.enum(['md', 'html']).default('md') }),
      answer: null,
      media: 'text/markdown',
    },
    async ({ params, query, context }) => {
      const whole = await wholeDraft({ database, source, analysis }, params.id, params.draft, query.date);
      const task = (await listTasks(database, params.id)).find(({ id }) => id === whole.task);
      const material = await analysis.draftMaterial(
        params.id,
        { market: whole.market, date: query.date },
        {
          ...whole,
          keywords: whole.keywords.map(({ id }) => id),
        },
      );
      const brief = briefOf(whole, task?.reason ?? '', material);
      context.attachment(`brief-${whole.name}.${query.format}`);
      context.type = query.format === 'html' ? 'text/html; charset=utf-8' : 'text/markdown; charset=utf-8';
      context.body = query.format === 'html' ? await marked(brief) : brief;
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
