import { type TargetsAdded, target, targetsAdded, targetsAddition } from '@opsimath/contract/api/targets';
import type { SourceFullRecord } from '@opsimath/contract/source/answers';
import { readAddress } from '@opsimath/core/text/address';
import { z } from 'zod';
import { MOST_RIVALS } from '../analysis/sides';
import { marketByCode } from '../data/markets';
import { projectById } from '../data/projects';
import { addTarget, listTargets, removeTarget } from '../data/targets';
import { KnownProblem } from '../problem';
import type { Routes } from './route';
import type { Services } from './services';

const MOST_LINES = 500;

export function targetRoutes(routes: Routes, services: Services): void {
  const { database } = services;
  routes.add(
    {
      method: 'get',
      path: '/projects/:id/targets',
      summary: 'Own and rival targets',
      answer: z.array(target),
    },
    async ({ params }) => {
      await projectById(database, params.id);
      return listTargets(database, params.id);
    },
  );
  routes.add(
    {
      method: 'post',
      path: '/projects/:id/targets',
      summary: 'Add targets, one address a line; their public records are fetched',
      body: targetsAddition,
      answer: targetsAdded,
    },
    ({ params, body }) => addLines(services, params.id, body),
  );
  routes.add(
    {
      method: 'delete',
      path: '/projects/:id/targets/:target',
      summary: 'Take a target out of the roster; what was captured stays',
      answer: z.object({ removed: z.int() }),
    },
    async ({ params }) => {
      await removeTarget(database, params.id, params.target);
      return { removed: params.target };
    },
  );
}

async function addLines(
  { database, source }: Services,
  projectId: number,
  { side, market: code, text }: z.output<typeof targetsAddition>,
): Promise<TargetsAdded> {
  await projectById(database, projectId);
  const market = await marketByCode(database, code);
  const lines = text.split(/\r\n|[\r\n]/);
  if (lines.length > MOST_LINES) {
    throw new KnownProblem(
      400,
      'too-many-lines',
      `${lines.length} lines at once; at most ${MOST_LINES} are taken.`,
      'Paste them in parts.',
    );
  }
  const date = await source.today();
  const left: TargetsAdded['left'] = [];
  const added = new Set<number>();
  let rivals = (await listTargets(database, projectId)).filter((entry) => entry.side === 'rival').length;
  for (const [index, line] of lines.entries()) {
    if (line.trim() === '') continue;
    const leave = (reason: string): void =>
      void left.push({ line: index + 1, text: line.slice(0, 300), reason });
    const read = readAddress(line);
    if ('reason' in read) {
      leave(read.reason);
      continue;
    }
    if (side === 'rival' && rivals >= MOST_RIVALS) {
      leave(`a project compares at most ${MOST_RIVALS} rivals`);
      continue;
    }
    const record = await fetchRecord(source, market.code, date, read.address);
    if (record === null) {
      leave('the services know nothing of it in this market');
      continue;
    }
    const name = record.kind === 'site' ? record.owner : record.title;
    const id = await addTarget(
      database,
      projectId,
      { side, kind: record.kind, address: read.address, name },
      record,
      date,
    );
    if (id === null) leave('is in the roster already');
    else {
      added.add(id);
      if (side === 'rival') rivals++;
    }
  }
  return { added: (await listTargets(database, projectId)).filter((entry) => added.has(entry.id)), left };
}

async function fetchRecord(
  source: Services['source'],
  market: string,
  date: string,
  target: string,
): Promise<SourceFullRecord | null> {
  try {
    return await source.record({ market, date, target });
  } catch (error) {
    if (error instanceof KnownProblem && error.code === 'no-such-target') return null;
    throw error;
  }
}
