import type { SourceRanking } from '@opsimath/contract/source/answers';
import { key } from '@opsimath/core/text/key';
import { writeTogether } from '../data/connection';
import { progressStatement } from '../data/jobs';
import { keywordIds } from '../data/keywords';
import {
  type LookUpRow,
  type LookUpTargetRow,
  lookUpTargets,
  spendStatement,
  walkStatement,
} from '../data/lookUps';
import type { MarketRow } from '../data/markets';
import { placeIdsByAddress } from '../data/places';
import { findSegments, readColumns, segmentStatements } from '../data/segments/segments';
import { KnownProblem } from '../problem';
import type { JobContext } from './context';

/**
 * Walks the reverse look-up of every target that is not held yet. Each page of rows is written together with
 * the cursor after it, so that a stopped walk goes on where it was and no row is stored twice.
 * A target that the services refuse is marked with the reason; the others go on.
 */
export async function walkTargets(context: JobContext, lookUp: LookUpRow, market: MarketRow): Promise<void> {
  const targets = await lookUpTargets(context.database, lookUp.id);
  context.progress.step(
    'keywords of each target',
    null,
    targets.reduce((sum, target) => sum + target.rows, 0),
  );
  for (const target of targets) {
    if (target.state === 'done' || target.state === 'failed') continue;
    try {
      await walk(context, lookUp, market, target);
    } catch (error) {
      if (!(error instanceof KnownProblem) || error.code !== 'no-such-target') throw error;
      const failed = { state: 'failed' as const, cursor: target.cursor, newRows: 0, message: error.message };
      await writeTogether(context.database, [walkStatement(lookUp.id, target.address, failed)]);
    }
  }
}

async function walk(
  context: JobContext,
  lookUp: LookUpRow,
  market: MarketRow,
  target: LookUpTargetRow,
): Promise<void> {
  const { database, source, signal } = context;
  const { date, want } = lookUp.request;
  const seen = await storedPairs(context, lookUp, target.address);
  let cursor = target.cursor;
  let senseless = 0;
  do {
    signal.throwIfAborted();
    const answer = await source.rankings({
      market: market.code,
      date,
      target: target.address,
      kind: want,
      cursor,
      signal,
    });
    senseless += answer.senseless;
    const keywords = await keywordIds(
      database,
      market.id,
      answer.rows.map((row) => row.keyword),
    );
    const places = await placeIdsByAddress(
      database,
      answer.rows.map((row) => row.address),
    );
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
