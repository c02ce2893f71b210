import type { publication } from '@opsimath/contract/api/drafts';
import type { z } from 'zod';
import { draftById } from '../data/drafts';
import { marketById } from '../data/markets';
import {
  askToPublish,
  changeById,
  doneByHand,
  forgetAsked,
  listChanges,
  noteSeen,
  published,
} from '../data/publishedChanges';
import { joinTarget } from '../data/tasks';
import type { Database } from '../data/storage/connection';
import { KnownProblem } from '../problems/problem';
import type { SearchSource } from '../sources/searchSource';
import { presentFields } from './presentFields';

interface Ground {
  database: Database;
  source: SearchSource;
}

/**
 * Publishes a draft, or notes that it was done by hand. What was there before, what is there now and the keywords that it aims
 * at are fixed at this moment. Where the services do not answer, nobody knows: the change stays *asked*, and sending it again
 * carries the same request id, so that it is carried out once.
 *
 * @returns id of the change
 */
export async function publishDraft(
  { database, source }: Ground,
  projectId: number,
  draftId: number,
  { way, kind, date, person }: z.output<typeof publication>,
): Promise<number> {
  const draft = await draftById(database, projectId, draftId);
  if (draft.address === '')
    throw new KnownProblem(
      'no-address',
      'This draft is for a target that is not there yet.',
      'Give the address that it is to have, or has.',
    );
  const market = await marketById(database, draft.marketId);
  const after = Object.fromEntries(Object.entries(draft.fields).filter(([, text]) => text.trim() !== ''));
  const before = (await presentFields(source, draft.kind, market.code, draft.address))?.fields ?? {};
  const today = await source.today();
  const change = {
    projectId,
    marketId: draft.marketId,
    address: draft.address,
    kind,
    date: date ?? today,
    before,
    after,
    keywords: draft.keywords,
    draftId,
    taskId: draft.taskId,
    person,
  };
  if (draft.taskId !== null) await joinTarget(database, draft.taskId, draft.address);
  if (way === 'by hand') return doneByHand(database, change);
  const asked = await askToPublish(database, { ...change, date: today });
  try {
    const { publishedOn, seenBySearchOn } = await source.publish({
      market: market.code,
      target: draft.address,
      fields: after,
      requestId: asked.requestId,
    });
    await published(database, asked.id, { date: publishedOn, seenFrom: seenBySearchOn });
  } catch (error) {
    if (error instanceof KnownProblem && error.code !== 'services-unreachable')
      await forgetAsked(database, asked.id);
    throw error;
  }
  return asked.id;
}

/** Asks search to look at a changed target again. */
export async function askAgain(
  { database, source }: Ground,
  projectId: number,
  changeId: number,
): Promise<number> {
  const change = await changeById(database, projectId, changeId);
  const market = await marketById(database, change.marketId);
  const { leftToday } = await source.reindex({ market: market.code, target: change.address });
  await noteSeen(database, changeId, { askedAgain: await source.today() });
  await followSeen({ database, source }, projectId, market.code, market.id);
  return leftToday;
}

/** Looks whether search shows what was published, as far as that is not known or lay still ahead. */
export async function followSeen(
  { database, source }: Ground,
  projectId: number,
  code: string,
  marketId: number,
): Promise<void> {
  const today = await source.today();
  const open = (await listChanges(database, projectId, marketId)).filter(
    ({ state, seenFrom }) => state !== 'asked' && (seenFrom === null || seenFrom > today),
  );
  if (open.length === 0) return;
  const { pages } = await source.indexStates({
    market: code,
    targets: [...new Set(open.map(({ address }) => address))],
  });
  const states = new Map(pages.map((page) => [page.address, page]));
  for (const { id, address, date } of open) {
    const state = states.get(address);
    // What search saw before the change is not the change.
    if (state?.since && state.since >= date) await noteSeen(database, id, { seenFrom: state.since });
  }
}
