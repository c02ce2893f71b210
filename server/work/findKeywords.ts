import { FOUND_BY, type FoundBy } from '@opsimath/contract/api/foundBy';
import { type InStatement, writeTogether } from '../data/storage/connection';
import { progressStatement } from '../data/jobs';
import { keywordIdsOf } from '../data/keywords';
import { type LookUpRow, lookUpFinds } from '../data/lookUps';
import { findStatement, spendStatement } from '../data/lookUpSteps';
import type { MarketRow } from '../data/markets';
import { segmentStatements } from '../data/segments/segments';
import { KnownProblem } from '../problems/problem';
import type { JobContext } from './steps/context';
import { FINDERS } from './finders/finders';
import { type Missing, because } from './steps/walkTargets';

/** One keyword as a way of finding gives it. */
export interface Found {
  text: string;
  /** Appearances, or targets that use it; 0 where the way counts nothing. */
  count: number;
}
export interface Finding {
  found: Found[];
  units: number;
  /** What the user should know of how it went. */
  message: string | null;
  /** Facts that came along. */
  statements?: InStatement[];
}
/** What a finder works with. */
export interface FinderTask {
  context: JobContext;
  lookUp: LookUpRow;
  market: MarketRow;
  /** The seed keyword, or the address of a target. */
  seed: string;
}

/**
 * Finds keywords in every way that was asked for and is not done yet. Each way is written as a whole with its mark;
 * one that fails is marked with the reason, and the others go on.
 */
export async function findKeywords(
  context: JobContext,
  lookUp: LookUpRow,
  market: MarketRow,
): Promise<Missing> {
  const { database, progress, signal } = context;
  const finds = await lookUpFinds(database, lookUp.id);
  const waiting = finds.filter(({ state }) => state === 'waiting');
  const missing: Missing = [];
  if (waiting.length === 0) return missing;
  progress.step('keywords from seeds', finds.length, finds.length - waiting.length);
  for (const { way, seed } of waiting) {
    signal.throwIfAborted();
    const finder = FINDERS[way as keyof typeof FINDERS];
    try {
      // Two look-ups that find the same way from the same seed do so one after another: each pays for what it shows.
      await context.locks.run(`find:${market.id}:${lookUp.date}:${way}:${seed}`, async () => {
        signal.throwIfAborted();
        const finding = await finder({ context, lookUp, market, seed });
        await writeTogether(database, [
          ...(finding.statements ?? []),
          ...(await findsSegment(context, lookUp, market, way as FoundBy, seed, finding.found)),
          findStatement(lookUp.id, {
            way,
            seed,
            state: 'done',
            found: finding.found.length,
            message: finding.message,
          }),
          spendStatement(lookUp.id, finding.units),
          progressStatement(context.jobId, progress.advance(1, finding.units)),
        ]);
      });
    } catch (error) {
      if (!(error instanceof KnownProblem) || error.code === 'allowance-spent') throw error;
      missing.push(`${way} of “${seed}” (${because(error)})`);
      await writeTogether(database, [
        findStatement(lookUp.id, { way, seed, state: 'failed', found: 0, message: error.message }),
      ]);
    }
  }
  return missing;
}

async function findsSegment(
  { database, source }: JobContext,
  lookUp: LookUpRow,
  market: MarketRow,
  way: FoundBy,
  seed: string,
  found: readonly Found[],
): Promise<InStatement[]> {
  const ids = await keywordIdsOf(
    database,
    market.id,
    found.map(({ text }) => text),
  );
  // In the order found; the same keyword twice counts where it came first.
  const first = new Map<number, { count: number; order: number }>();
  found.forEach(({ count }, order) => {
    if (ids[order]! > 0 && !first.has(ids[order]!)) first.set(ids[order]!, { count, order });
  });
  if (first.size === 0) return [];
  const entries = [...first].sort(([a], [b]) => a - b);
  const head = {
    marketId: market.id,
    kind: 'finds' as const,
    source: source.name,
    date: lookUp.date,
    lookUpId: lookUp.id,
    subject: `${way}|${seed}`,
    rows: entries.length,
  };
  return segmentStatements(head, {
    keyword: Int32Array.from(entries, ([id]) => id),
    way: new Uint8Array(entries.length).fill(FOUND_BY.indexOf(way)),
    count: Int32Array.from(entries, ([, entry]) => entry.count),
    order: Int32Array.from(entries, ([, entry]) => entry.order),
  });
}
