import type { SourceRanking } from '@opsimath/contract/source/answers';
import { key } from '@opsimath/core/text/key';
import { writeTogether } from '../../data/storage/connection';
import { progressStatement } from '../../data/jobs';
import { keywordIds } from '../../data/keywords';
import {
  type LookUpRow,
  type LookUpTargetRow,
  heldRankings,
  holdBy,
  lookUpTargets,
} from '../../data/lookUps';
import { failStatement, spendStatement, walkStatement } from '../../data/lookUpSteps';
import type { MarketRow } from '../../data/markets';
import { placeIdsByAddress } from '../../data/places';
import { findSegments, readColumns, segmentStatements } from '../../data/segments/segments';
import { KnownProblem } from '../../problems/problem';
import type { JobContext } from './context';
import { payOnce } from '../../data/paidRequests';

/** What of a look-up could not be fetched, in words. */
export type Missing = string[];

/**
 * Walks the reverse look-up of every target that is not held yet. Each page of rows is written together with
 * the cursor after it, so that a stopped walk goes on where it was and no row is stored twice.
 * A target that cannot be fetched is marked with the reason; the others go on.
 */
export async function walkTargets(
  context: JobContext,
  lookUp: LookUpRow,
  market: MarketRow,
): Promise<Missing> {
  const { database, locks, signal } = context;
  const targets = await lookUpTargets(database, lookUp.id);
  const missing: Missing = [];
  if (targets.length === 0) return missing;
  const waiting = targets.filter(({ state }) => state !== 'done' && state !== 'failed');
  const done = targets.reduce((sum, target) => sum + target.rows, 0);
  context.progress.step(
    'keywords of each target',
    await expectedRows(context, lookUp, market, waiting, done),
    done,
  );
  for (const target of waiting) {
    const { date } = lookUp.request;
    const name = `rankings:${market.id}:${date}:${target.address}`;
    try {
      await locks.run(name, async () => {
        signal.throwIfAborted();
        // Another look-up may have fetched it while this one waited.
        const held = await heldRankings(database, market.id, lookUp.request, target.address);
        if (held && held.lookUpId !== lookUp.id) await holdBy(database, lookUp.id, target.address, held);
        else await walk(context, lookUp, market, target);
      });
    } catch (error) {
      if (!(error instanceof KnownProblem)) throw error;
      if (error.code === 'allowance-spent') throw error;
      if (error.code !== 'no-such-target') missing.push(`keywords of ${target.address} (${because(error)})`);
      await writeTogether(database, [failStatement(lookUp.id, target.address, error.message)]);
    }
  }
  return missing;
}

/** How many rows there will be, where the services say so. */
async function expectedRows(
  { source, signal }: JobContext,
  { request }: LookUpRow,
  market: MarketRow,
  targets: readonly LookUpTargetRow[],
  done: number,
): Promise<number | null> {
  let total = done;
  for (const { address, rows } of targets) {
    try {
      const { date, want, depth, leastVolume } = request;
      const ask = { market: market.code, date, target: address, kind: want, depth, leastVolume, signal };
      total += Math.max(0, (await source.rankingsCount(ask)) - rows);
    } catch (error) {
      if (!(error instanceof KnownProblem)) throw error;
      if (error.code !== 'no-such-target') return null;
    }
  }
  return total;
}

async function walk(
  context: JobContext,
  lookUp: LookUpRow,
  market: MarketRow,
  target: LookUpTargetRow,
): Promise<void> {
  const { database, source, signal } = context;
  const { date, want, depth, leastVolume } = lookUp.request;
  const seen = await storedPairs(context, lookUp, target.address);
  let cursor = target.cursor;
  let senseless = 0;
  do {
    signal.throwIfAborted();
    const request = await payOnce(database, {
      marketId: market.id,
      date,
      kind: 'rankings',
      detail: [target.address, want, depth, leastVolume, cursor].join(' '),
    });
    const answer = await source.rankings({
      market: market.code,
      date,
      target: target.address,
      kind: want,
      depth,
      leastVolume,
      cursor,
      signal,
      requestId: request.requestId,
    });
    senseless += answer.senseless;
    const keywords = await keywordIds(
      database,
      market.id,
      answer.rows.map((row) => row.keyword),
    );
    const places = await placeIdsByAddress(database, answer.rows);
    const rows = answer.rows.flatMap((row: SourceRanking) => {
      const keyword = keywords.get(key(row.keyword));
      const place = places.get(row.address);
      if (keyword === undefined || place === undefined || seen.has(`${keyword}:${place}`)) return [];
      seen.add(`${keyword}:${place}`);
      return [{ keyword, place, organic: row.organic ?? 0, paid: row.paid ?? 0 }];
    });
    cursor = answer.cursor;
    const head = {
      marketId: market.id,
      kind: 'rankings' as const,
      source: source.name,
      date,
      lookUpId: lookUp.id,
      subject: target.address,
      rows: rows.length,
    };
    await writeTogether(database, [
      ...(rows.length > 0
        ? segmentStatements(head, {
            keyword: Int32Array.from(rows, (row) => row.keyword),
            place: Int32Array.from(rows, (row) => row.place),
            organic: Uint8Array.from(rows, (row) => row.organic),
            paid: Uint8Array.from(rows, (row) => row.paid),
          })
        : []),
      walkStatement(lookUp.id, target.address, {
        state: cursor === null ? 'done' : 'walking',
        cursor,
        newRows: rows.length,
        message: senseless > 0 ? `${senseless} rows made no sense and were left out` : null,
      }),
      spendStatement(lookUp.id, answer.units),
      request.settled,
      progressStatement(context.jobId, context.progress.advance(rows.length, answer.units)),
    ]);
  } while (cursor !== null);
}

/** What an earlier run of this walk has stored already. */
async function storedPairs(context: JobContext, lookUp: LookUpRow, address: string): Promise<Set<string>> {
  const pairs = new Set<string>();
  const filter = {
    marketId: lookUp.marketId,
    kind: 'rankings' as const,
    lookUpId: lookUp.id,
    subject: address,
  };
  for (const segment of await findSegments(context.database, filter)) {
    const { keyword, place } = await readColumns(context.database, segment.id, ['keyword', 'place']);
    keyword.forEach((id, i) => pairs.add(`${id}:${place[i]!}`));
  }
  return pairs;
}

/** The reason of a failure as part of a sentence. */
export function because(error: KnownProblem): string {
  return error.message.replace(/\.$/, '');
}
