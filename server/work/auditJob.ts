import { lookUpRequest } from '@opsimath/contract/api/lookUps';
import { isRanked } from '@opsimath/core/ranking/position';
import { liesUnder } from '@opsimath/core/text/address';
import { GAP_PAGES, OWN_PAGES, RIVALS, RIVAL_DEPTH, RIVAL_ROWS } from '../audits/limits';
import { frontOwners } from '../data/frontOwners';
import { createLookUp, lookUpById, lookUpIdsOf } from '../data/lookUps';
import { type MarketRow, marketById } from '../data/markets';
import { keepPlaceRecords } from '../data/placeRecords';
import { poolKeywords, poolSegments } from '../data/pools';
import { projectById } from '../data/projects';
import { mergeSmallSegments } from '../data/segments/merge';
import { readColumns } from '../data/segments/segments';
import { addTarget, listTargets } from '../data/targets';
import { volumesAt } from '../data/volumes';
import { KnownProblem } from '../problems/problem';
import { runLookUp } from './lookUpJob';
import type { JobContext } from './steps/context';
import { takeCaptures } from './steps/takeCaptures';

const FREE = (): null => null;

/**
 * Everything an audit needs, one after another: what the target ranks for, result pages of the keywords that matter, who
 * stands there, what they rank for, and result pages of what they have and it lacks. What is held is not asked for again, so
 * one that was stopped goes on.
 */
export async function runAudit(context: JobContext): Promise<string | null> {
  const { database, projectId } = context;
  const own = await lookUpById(database, Number(context.request.lookUpId));
  const market = await marketById(database, own.marketId);
  const { date } = own.request;
  await runLookUp(context);
  const held = await positionsOf(context, own.id);
  if (held.size === 0) return 'It ranks for nothing that the services know in this market.';
  const volumes = await volumesAt(database, market.id, date);
  const pages = wantedPages(held, volumes);
  await capture(context, market, date, pages);
  await addRivals(context, market, date, new Set(pages), String(context.request.address));
  const rivals = (await listTargets(database, projectId)).filter(({ side }) => side === 'rival');
  if (rivals.length === 0) return null;
  const lookUps = await lookUpIdsOf(database, projectId, market.id);
  const order = lookUpRequest.parse({
    ...{ market: market.code, date, targets: rivals.map(({ address }) => address) },
    ...{ extent: 'metrics', depth: RIVAL_DEPTH },
  });
  const theirs =
    lookUps.find((id) => id !== own.id) ??
    (await createLookUp(database, projectId, market.id, 'Who stands before it', order));
  await runLookUp({ ...context, request: { lookUpId: theirs } });
  await capture(context, market, date, await gapPages(context, market, date, theirs, held));
  return null;
}

/** Best organic position by keyword of a look-up’s targets. */
async function positionsOf({ database }: JobContext, lookUp: number): Promise<Map<number, number>> {
  const held = new Map<number, number>();
  for (const { id } of await poolSegments(database, lookUp)) {
    const { keyword, organic } = await readColumns(database, id, ['keyword', 'organic']);
    keyword.forEach((one, row) => {
      const position = organic[row]!;
      if (isRanked(position)) held.set(one, Math.min(position, held.get(one) ?? 255));
    });
  }
  return held;
}

/** Mostly keywords within reach, the rest those that bring it most; the most searched first. */
function wantedPages(held: ReadonlyMap<number, number>, volumes: ReadonlyMap<number, number>): number[] {
  const bySearches = [...held.keys()].sort(
    (a, b) => (volumes.get(b) ?? -1) - (volumes.get(a) ?? -1) || a - b,
  );
  const near = bySearches.filter((id) => held.get(id)! > 10 && held.get(id)! <= 50);
  const first = near.slice(0, Math.round(OWN_PAGES * 0.7));
  const rest = bySearches.filter((id) => !first.includes(id)).slice(0, OWN_PAGES - first.length);
  return [...first, ...rest];
}

async function capture(
  context: JobContext,
  market: MarketRow,
  date: string,
  keywords: readonly number[],
): Promise<void> {
  if (keywords.length === 0) return;
  await takeCaptures(
    context,
    market,
    date,
    [...keywords].sort((a, b) => a - b),
    FREE,
  );
  await mergeSmallSegments(context.database, { marketId: market.id, kind: 'captures', date });
}

/** Those who stand best on its result pages become its rivals: sites against a site, pages against a page. */
async function addRivals(
  { database, source, projectId, signal, progress }: JobContext,
  market: MarketRow,
  date: string,
  keywords: ReadonlySet<number>,
  address: string,
): Promise<void> {
  const targets = await listTargets(database, projectId);
  const own = targets.find(({ side }) => side === 'own')!;
  let room = RIVALS - (targets.length - 1);
  const { front } = (await projectById(database, projectId)).settings;
  const by = own.parent === null ? 'parent' : 'place';
  progress.step('who stands on these pages', RIVALS, targets.length - 1);
  for (const owner of await frontOwners(database, { market: market.id, date, front }, keywords, by)) {
    if (room === 0) return;
    signal.throwIfAborted();
    const isOwn = liesUnder(owner.address, own.parent ?? address) || liesUnder(address, owner.address);
    if (isOwn || targets.some((target) => target.address === owner.address)) continue;
    const ask = { market: market.code, date, target: owner.address };
    try {
      const rows = await source.rankingsCount({ ...ask, kind: 'both', depth: RIVAL_DEPTH, leastVolume: 0 });
      // One that ranks for nearly everything says little, and costs much.
      if (rows > RIVAL_ROWS) continue;
      const record = await source.record(ask);
      const name = record.parent === null ? record.owner : record.title;
      const rival = { kind: record.kind, address: owner.address, name, parent: record.parent };
      await addTarget(database, projectId, { side: 'rival', ...rival, market: market.code }, record, date);
      await keepPlaceRecords(database, [record], date);
      progress.advance(1);
      room--;
    } catch (error) {
      if (!(error instanceof KnownProblem) || error.code !== 'no-such-target') throw error;
    }
  }
}

/** Keywords that rivals hold near the top and it does not, the most searched first. */
async function gapPages(
  context: JobContext,
  market: MarketRow,
  date: string,
  theirs: number,
  held: ReadonlyMap<number, number>,
): Promise<number[]> {
  const { database } = context;
  const positions = await positionsOf(context, theirs);
  const volumes = await volumesAt(database, market.id, date);
  const pool = await poolKeywords(database, theirs);
  return Array.from(pool)
    .filter((id) => !held.has(id) && (positions.get(id) ?? 255) <= 10)
    .sort((a, b) => (volumes.get(b) ?? -1) - (volumes.get(a) ?? -1) || a - b)
    .slice(0, GAP_PAGES);
}
