import {
  type LookUpRequest,
  lookUp,
  lookUpChange,
  lookUpPrice,
  lookUpRequest,
} from '@opsimath/contract/api/lookUps';
import {
  fileExport,
  matchMode,
  modeCounts,
  modeCountsRequest,
  poolChange,
  poolPage,
  poolQuery,
} from '@opsimath/contract/api/pool';
import { isoDay } from '@opsimath/contract/source/answers';
import { type AddressPlatform, readAddress } from '@opsimath/core/text/address';
import { readSeeds } from '@opsimath/core/text/seeds';
import { z } from 'zod';
import { listExports } from '../data/exports';
import { createJob } from '../data/jobs';
import { createLookUp, lookUpById, setLookUpJob } from '../data/lookUps';
import { changeLookUp, listLookUps } from '../data/lookUpList';
import { addressPlatforms, marketByCode } from '../data/markets';
import { projectById } from '../data/projects';
import { priceOf } from '../lookups/price';
import { KnownProblem } from '../problems/problem';
import { poolFileRoute } from './poolFile';
import type { Routes } from './route';
import type { Services } from './services';

// eslint-disable-next-line max-lines-per-function -- a list of routes, each a few lines
export function lookUpRoutes(routes: Routes, services: Services): void {
  const { database, source, analysis } = services;
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/look-ups',
      summary: 'Look-ups, newest first',
      answer: z.array(lookUp),
    },
    async ({ params }) => {
      await projectById(database, params.id);
      return listLookUps(database, params.id);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/look-ups/price',
      summary: 'What a look-up would cost, from what is held already',
      body: lookUpRequest,
      answer: lookUpPrice,
    },
    async ({ body }) => priceOf(database, source, cleaned(body, await addressPlatforms(database))),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/look-ups/mode-counts',
      summary: 'How many keywords each way of matching the words of some seed keywords would bring',
      body: modeCountsRequest,
      answer: modeCounts,
    },
    async ({ body: { market, date, seeds } }) => {
      const counted = [];
      for (const seed of seeds) {
        const counts = [];
        for (const mode of matchMode.options)
          counts.push({ mode, keywords: await source.keywordsCount({ market, date, text: seed, mode }) });
        counted.push({ seed, counts });
      }
      return { seeds: counted };
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/look-ups',
      summary: 'Start a look-up',
      body: lookUpRequest,
      answer: lookUp,
    },
    async ({ params, body }) => start(services, params.id, cleaned(body, await addressPlatforms(database))),
  );
  routes.add(
    { method: 'get', path: '/look-ups/:id', summary: 'One look-up with how far it came', answer: lookUp },
    async ({ params }) => {
      const { projectId } = await lookUpById(database, params.id);
      return (await listLookUps(database, projectId, params.id))[0]!;
    },
  );
  routes.add(
    {
      method: 'patch',
      path: '/look-ups/:id',
      summary: 'Name a look-up anew, take it out of the list, or bring it back; what it found stays known',
      body: lookUpChange,
      answer: lookUp,
    },
    async ({ params, body }) => {
      const { projectId } = await lookUpById(database, params.id);
      await changeLookUp(database, params.id, body);
      return (await listLookUps(database, projectId, params.id))[0]!;
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/look-ups/:id/again',
      summary: 'The same look-up at another date, stored beside the old one',
      body: z.object({ date: isoDay }),
      answer: lookUp,
    },
    async ({ params, body }) => {
      const { projectId, request } = await lookUpById(database, params.id);
      if (request.targets.length + request.seeds.length + request.keywords.length === 0) {
        throw new KnownProblem(
          'came-from-a-file',
          'This pool came from a file; there is nothing to look up again.',
          'Import a newer file.',
        );
      }
      return start(services, projectId, { ...request, date: body.date, compareDate: null });
    },
  );
  routes.add(
    {
      method: 'get',
      path: '/look-ups/:id/keywords',
      summary: 'A page of the pool',
      query: poolQuery,
      answer: poolPage,
    },
    ({ params, query }) => analysis.poolPage(params.id, query),
  );
  routes.add(
    {
      method: 'get',
      path: '/look-ups/:id/change',
      summary: 'What came and what went against another look-up of the market',
      query: z.object({
        against: z.coerce.number().int().positive(),
        most: z.coerce.number().int().min(1).max(1000).default(100),
      }),
      answer: poolChange,
    },
    ({ params, query }) => analysis.poolChange(params.id, query.against, query.most),
  );
  poolFileRoute(routes, services);
  routes.add(
    {
      method: 'get',
      path: '/look-ups/:id/exports',
      summary: 'Files that were written from this pool',
      answer: z.array(fileExport),
    },
    ({ params }) => listExports(database, params.id),
  );
}

async function start({ database, jobs, source }: Services, projectId: number, request: LookUpRequest) {
  await projectById(database, projectId);
  // Services that are away tell no day; then the job says so.
  const today = await source.today().catch(() => null);
  if (today !== null && request.date > today)
    throw new KnownProblem(
      'day-to-come',
      `${request.date} is still to come: the services are at ${today}.`,
      'Choose a date up to today.',
    );
  const market = await marketByCode(database, request.market);
  const { id, jobId } = await database.together(async (steps) => {
    const made = await createLookUp(steps, projectId, market.id, nameOf(request), request);
    const job = await createJob(steps, projectId, 'look-up', { lookUpId: made });
    await setLookUpJob(steps, made, job);
    return { id: made, jobId: job };
  });
  jobs.start(jobId);
  return (await listLookUps(database, projectId, id))[0]!;
}

/** Addresses as the roster writes them and seed keywords by key, each once. */
function cleaned(request: LookUpRequest, platforms: readonly AddressPlatform[]): LookUpRequest {
  const targets = request.targets.map((line) => {
    const read = readAddress(line, platforms);
    if ('reason' in read) throw new KnownProblem('no-address', `“${line.slice(0, 100)}”: ${read.reason}.`);
    return read.address;
  });
  const seeds = readSeeds(request.seeds);
  if (targets.length + seeds.length + request.keywords.length === 0) {
    throw new KnownProblem(
      'nothing-to-look-up',
      'There is nothing to look up.',
      'Choose or paste a target, type a seed keyword, or paste a list of keywords.',
    );
  }
  if (seeds.length > 0 && request.ways.length === 0 && targets.length + request.keywords.length === 0) {
    throw new KnownProblem(
      'no-way',
      'A seed keyword needs a way of finding others from it.',
      'Tick at least one, suggestions for example.',
    );
  }
  for (const ways of [request.ways, request.words]) {
    const twice = ways.find((way, at) => (ways as readonly string[]).indexOf(way) !== at);
    if (twice !== undefined)
      throw new KnownProblem('twice-the-same', `“${twice}” is asked for twice.`, 'Ask for each way once.');
  }
  if (request.compareDate !== null && request.compareDate >= request.date) {
    throw new KnownProblem(
      'dates',
      'The compare-with date must lie before the date.',
      'Choose an earlier one.',
    );
  }
  return { ...request, targets: [...new Set(targets)], seeds: [...seeds.values()] };
}

function nameOf({ targets, seeds, keywords }: LookUpRequest): string {
  const names = [
    ...targets.map((address) => address.replace(/^[^/]*\/(?:[^/]+\/)?(?=[^/]+$)|\.example$/g, '')),
    ...seeds.map((seed) => `“${seed}”`),
    ...(keywords.length > 0 ? [`a list of ${keywords.length}`] : []),
  ];
  return names.length <= 4
    ? names.join(', ')
    : `${names.slice(0, 3).join(', ')} and ${names.length - 3} more`;
}
