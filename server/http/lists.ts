import {
  type KeywordList,
  keywordList,
  listAddition,
  listChange,
  listCombination,
  listFromSift,
  listRenewal,
} from '@opsimath/contract/api/lists';
import { Readable } from 'node:stream';
import { z } from 'zod';
import {
  type ListSource,
  addList,
  bringListBack,
  changeList,
  combineLists,
  listById,
  listLists,
  listMembers,
  removeList,
} from '../data/lists';
import { listTable } from '../data/listTable';
import { keywordsById } from '../data/keywords';
import { lookUpById, newestLookUp } from '../data/lookUps';
import { marketByCode } from '../data/markets';
import { projectById } from '../data/projects';
import { judgedInList } from '../data/verdicts';
import { volumesAt } from '../data/volumes';
import { fileName } from '../files/fileName';
import { tableFormat, writeTable } from '../files/tableWriters';
import { KnownProblem } from '../problems/problem';
import type { Routes } from './route';
import type { Services } from './services';

const lists = z.array(keywordList);
/** Later than any day: the newest volume there is. */
const LATEST = '9999-12-31';
/** Keywords of a difference that are named. */
const SHOWN = 200;

/** Lists: keywords put together under a name, as they were at a moment. */
// eslint-disable-next-line max-lines-per-function -- a list of routes, each a few lines
export function listRoutes(routes: Routes, services: Services): void {
  const { database, analysis } = services;
  const renewal = async (projectId: number, id: number): Promise<{ added: number[]; gone: number[] }> => {
    const list = await listById(database, projectId, id);
    const source = list.source as ListSource | null;
    if (source === null)
      throw new KnownProblem(
        'not-renewable',
        `The list “${list.name}” was put together by hand.`,
        'Add and remove keywords in the table.',
      );
    const now = new Set(await analysis.siftIds(source.lookUp, source.query, source.only));
    const members = new Set(await listMembers(database, id));
    return {
      added: [...now].filter((keyword) => !members.has(keyword)),
      gone: [...members].filter((keyword) => !now.has(keyword)),
    };
  };
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
      const { name, origin, person, query, only } = body;
      const source = { lookUp: params.id, query, only };
      await addList(database, {
        projectId,
        marketId,
        name,
        origin,
        person,
        keywords: Array.from(keywords),
        source,
      });
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
      summary:
        'A list as CSV, XLSX or JSON with all columns, verdicts, reasons, markers and notes, most searched first',
      query: z.object({ format: tableFormat.default('csv') }),
      answer: null,
      media: 'application/octet-stream',
    },
    async ({ params, query: { format }, context }) => {
      const list = await listById(database, params.id, params.list);
      const source = (list.source as ListSource | null)?.lookUp;
      const lookUp = source ?? (await newestLookUp(database, params.id, list.marketId));
      const { heads, rows, about } = await listTable(database, params.id, list, async (ids) =>
        lookUp === null ? null : analysis.listSheet(lookUp, ids),
      );
      const { body, type } = writeTable(format, {
        name: list.name,
        heads,
        about,
        pages: Readable.from([rows]),
      });
      context.attachment(`${fileName(list.name, `list-${list.id}`)}.${format}`);
      context.type = type;
      context.body = body;
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/lists/:list/renewal',
      summary:
        'What would come into a list and go out of it were it made again of its look-up and recipe now',
      answer: listRenewal,
    },
    async ({ params }) => {
      const { added, gone } = await renewal(params.id, params.list);
      const texts = await keywordsById(database, [...added, ...gone]);
      const named = (ids: number[]) => ids.slice(0, SHOWN).map((id) => ({ id, text: texts.get(id)!.text }));
      return { added: added.length, gone: gone.length, comes: named(added), goes: named(gone) };
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/lists/:list/renewal',
      summary: 'Make a list again of its look-up and recipe as they are now',
      body: z.object({ person: z.string().trim().max(80).default('') }),
      answer: lists,
    },
    async ({ params, body: { person } }) => {
      const { added, gone } = await renewal(params.id, params.list);
      await changeList(database, params.id, params.list, { add: added, remove: gone, person });
      return withVolumes(services, params.id);
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
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/lists/:list/back',
      summary: 'Bring a list back that was removed, with its keywords and its history',
      answer: lists,
    },
    async ({ params }) => {
      await bringListBack(database, params.id, params.list);
      return withVolumes(services, params.id);
    },
  );
}

/** Lists with the searches a month of their keywords together, as last known, and what those were judged to be. */
async function withVolumes({ database }: Services, projectId: number): Promise<KeywordList[]> {
  const volumes = new Map<string, Map<number, number>>();
  const answer: KeywordList[] = [];
  for (const list of await listLists(database, projectId)) {
    let known = volumes.get(list.market);
    if (!known) {
      const { id } = await marketByCode(database, list.market);
      volumes.set(list.market, (known = await volumesAt(database, id, LATEST)));
    }
    const sum = (ids: ArrayLike<number>): number =>
      Array.from(ids).reduce((all, id) => all + (known.get(id) ?? 0), 0);
    const { fits, ...judged } = await judgedInList(database, projectId, list.id);
    const members = await listMembers(database, list.id);
    answer.push({
      ...list,
      volume: sum(members),
      judged: { ...judged, fit: fits.length, unjudged: members.length - judged.judged - fits.length },
      fitVolume: sum(fits),
    });
  }
  return answer;
}
