import {
  type KeywordList,
  keywordList,
  listAddition,
  listChange,
  listCombination,
  listFromSift,
} from '@opsimath/contract/api/sift';
import { Readable } from 'node:stream';
import { z } from 'zod';
import {
  addList,
  changeList,
  combineLists,
  listById,
  listLists,
  listMembers,
  removeList,
} from '../data/lists';
import { listTable } from '../data/listTable';
import { lookUpById } from '../data/lookUps';
import { marketByCode } from '../data/markets';
import { projectById } from '../data/projects';
import { volumesAt } from '../data/volumes';
import { tableFormat, writeTable } from '../files/tableWriters';
import type { Routes } from './route';
import type { Services } from './services';

const lists = z.array(keywordList);
/** Later than any day: the newest volume there is. */
const LATEST = '9999-12-31';

/** Lists: keywords put together under a name, as they were at a moment. */
export function listRoutes(routes: Routes, services: Services): void {
  const { database, analysis } = services;
  routes.add(
    { method: 'get', path: '/projects/:id/lists', summary: 'Lists with who changed what', answer: lists },
    async ({ params }) => {
      await projectById(database, params.id);
      return withVolumes(services, params.id);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/lists',
      summary: 'Make a list of keywords',
      body: listAddition,
      answer: lists,
    },
    async ({ params, body }) => {
      await projectById(database, params.id);
      const { id: marketId } = await marketByCode(database, body.market);
      await addList(database, { ...body, projectId: params.id, marketId });
      return withVolumes(services, params.id);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/look-ups/:id/sift/list',
      summary: 'Make a list of what comes through a recipe, or of some verdicts among it',
      body: listFromSift,
      answer: lists,
    },
    async ({ params, body }) => {
      const { projectId, marketId } = await lookUpById(database, params.id);
      const keywords = await analysis.siftIds(params.id, body.query, body.only);
      const { name, origin, person } = body;
      await addList(database, { projectId, marketId, name, origin, person, keywords: Array.from(keywords) });
      return withVolumes(services, projectId);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/lists/combine',
      summary: 'A list of what is in any, in all, or in the first and no other of some lists',
      body: listCombination,
      answer: lists,
    },
    async ({ params, body }) => {
      await combineLists(database, params.id, body);
      return withVolumes(services, params.id);
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/lists/:list/keywords',
      summary: 'Ids of the keywords of a list',
      answer: z.object({ keywords: z.array(z.int()) }),
    },
    async ({ params }) => {
      await listById(database, params.id, params.list);
      return { keywords: Array.from(await listMembers(database, params.list)) };
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/lists/:list/file',
      summary: 'A list as CSV, XLSX or JSON with verdicts, reasons and notes, most searched first',
      query: z.object({ format: tableFormat.default('csv') }),
      answer: null,
      media: 'application/octet-stream',
    },
    async ({ params, query: { format }, context }) => {
      const list = await listById(database, params.id, params.list);
      const { heads, rows, about } = await listTable(database, params.id, list);
      const { body, type } = writeTable(format, {
        name: `List ${list.id}`,
        heads,
        about,
        pages: Readable.from([rows]),
      });
      context.attachment(`list-${list.id}.${format}`);
      context.type = type;
      context.body = body;
    },
  );
  routes.add(
    {
      method: 'patch',
      path: '/projects/:id/lists/:list',
      summary: 'Rename, lock or unlock a list, add keywords to it, take some out',
      body: listChange,
      answer: lists,
    },
    async ({ params, body }) => {
      await changeList(database, params.id, params.list, body);
      return withVolumes(services, params.id);
    },
  );
  routes.add(
    {
      method: 'delete',
      path: '/projects/:id/lists/:list',
      summary: 'Take a list away; its keywords and verdicts stay',
      answer: lists,
    },
    async ({ params }) => {
      await removeList(database, params.id, params.list);
      return withVolumes(services, params.id);
    },
  );
}

/** Lists with the searches a month of their keywords together, as last known. */
async function withVolumes({ database }: Services, projectId: number): Promise<KeywordList[]> {
  const volumes = new Map<string, Map<number, number>>();
  const answer: KeywordList[] = [];
  for (const list of await listLists(database, projectId)) {
    let known = volumes.get(list.market);
    if (!known) {
      const { id } = await marketByCode(database, list.market);
      volumes.set(list.market, (known = await volumesAt(database, id, LATEST)));
    }
    const members = await listMembers(database, list.id);
    answer.push({ ...list, volume: members.reduce((sum, id) => sum + (known.get(id) ?? 0), 0) });
  }
  return answer;
}
