import {
  type LookUpPrice,
  type LookUpRequest,
  lookUp,
  lookUpPrice,
  lookUpRequest,
  poolPage,
  poolQuery,
} from '@opsimath/contract/api/lookUps';
import { readAddress } from '@opsimath/core/text/address';
import { z } from 'zod';
import { createJob } from '../data/jobs';
import { createLookUp, heldRankings, listLookUps, lookUpById, setLookUpJob } from '../data/lookUps';
import { marketByCode } from '../data/markets';
import { projectById } from '../data/projects';
import { KnownProblem } from '../problem';
import type { Routes } from './route';
import type { Services } from './services';

export function lookUpRoutes(routes: Routes, services: Services): void {
  const { database, jobs, analysis } = services;
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
    ({ body }) => priceOf(services, cleaned(body)),
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/look-ups',
      summary: 'Start a look-up',
      body: lookUpRequest,
      answer: lookUp,
    },
    async ({ params, body }) => {
      const request = cleaned(body);
      await projectById(database, params.id);
      const market = await marketByCode(database, request.market);
      const id = await createLookUp(database, params.id, market.id, nameOf(request), request);
      const jobId = await createJob(database, params.id, 'look-up', { lookUpId: id });
      await setLookUpJob(database, id, jobId);
      jobs.start(jobId);
      return (await listLookUps(database, params.id, id))[0]!;
    },
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
      method: 'get',
      path: '/look-ups/:id/keywords',
      summary: 'A page of the pool',
      query: poolQuery,
      answer: poolPage,
    },
    ({ params, query }) => analysis.poolPage(params.id, query),
  );
}

/** Addresses as the roster writes them, each once. */
function cleaned(request: LookUpRequest): LookUpRequest {
  const targets = request.targets.map((line) => {
    const read = readAddress(line);
    if ('reason' in read)
      throw new KnownProblem(400, 'no-address', `“${line.slice(0, 100)}”: ${read.reason}.`);
    return read.address;
  });
  if (request.compareDate !== null && request.compareDate >= request.date) {
    throw new KnownProblem(
      400,
      'dates',
      'The compare-with date must lie before the date.',
      'Choose an earlier one.',
    );
  }
  return { ...request, targets: [...new Set(targets)] };
}

function nameOf(request: LookUpRequest): string {
  const names = request.targets.map((address) => address.replace(/\.example(\/.*)?$/, ''));
  return names.length <= 4
    ? names.join(', ')
    : `${names.slice(0, 3).join(', ')} and ${names.length - 3} more`;
}

async function priceOf({ database, source }: Services, request: LookUpRequest): Promise<LookUpPrice> {
  const market = await marketByCode(database, request.market);
  const parts: LookUpPrice['parts'] = [];
  let keywords = 0;
  for (const target of request.targets) {
    const held = await heldRankings(database, market.id, request, target);
    const rows = held
      ? held.rows
      : await source.rankingsCount({ market: market.code, date: request.date, target, kind: request.want });
    keywords = Math.max(keywords, rows);
    parts.push({
      what: `keywords of ${target}, ${rows} rows`,
      units: held ? 0 : Math.ceil(rows / 100),
      held: held !== null,
    });
  }
  // Targets share keywords: the largest stands for all of them together.
  if (request.extent !== 'positions')
    parts.push({ what: 'search volumes, at most', units: Math.ceil(keywords / 100), held: false });
  if (request.extent === 'captures') {
    const pages = Math.min(request.captureMost, keywords);
    parts.push({ what: `result pages of ${request.date}, at most`, units: pages, held: false });
    if (request.compareDate)
      parts.push({ what: `result pages of ${request.compareDate}, at most`, units: pages, held: false });
  }
  return { units: parts.reduce((sum, part) => sum + part.units, 0), parts, ...(await source.allowance()) };
}
