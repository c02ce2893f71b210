import { FOUND_BY } from '@opsimath/contract/api/lookUps';
import type { Sieve } from '@opsimath/contract/api/sift';
import { anyOfBits, anyOfCodes, members, rankedByAtLeast, withinBounds } from '@opsimath/core/sift/passes';
import { TRENDS, VERDICTS } from '@opsimath/core/sift/sieve';
import { key } from '@opsimath/core/text/key';
import { keywordIdsLike } from '../data/keywords';
import { keywordIdsHolding } from '../data/keywordWords';
import { listMembers } from '../data/lists';
import { TREND_WORDS } from '../data/segments/metricsColumns';
import type { Pool } from './pool';
import { poolFigures } from './poolFigures';
import type { Workspace } from './workspace';

/** What a pool's keywords have been judged to be: an index into VERDICTS each, and whether it was put off. */
export interface Judged {
  codes: Uint8Array;
  parked: Uint8Array;
}

const FIGURES = {
  volume: 'volume',
  'word count': 'words',
  CPC: 'cpc',
  'ad competition': 'adCompetition',
  difficulty: 'difficulty',
} as const;

/** One byte a keyword of the pool: 1 where it passes the sieve. */
export async function sievePasses(
  workspace: Workspace,
  pool: Pool,
  sieve: Sieve,
  judged: Judged,
): Promise<Uint8Array> {
  const size = pool.ids.length;
  switch (sieve.kind) {
    case 'words': {
      const { database } = workspace;
      const ids =
        sieve.mode === 'pattern'
          ? await keywordIdsLike(database, pool.market.id, sieve.text)
          : await keywordIdsHolding(database, key(sieve.text), sieve.mode);
      return members(indicesOf(pool, ids), size, sieve.out);
    }
    case 'figure':
      return withinBounds(poolFigures(pool, FIGURES[sieve.figure]), sieve, sieve.unknown);
    case 'position':
      return withinBounds(positionsOf(pool, sieve.target), sieve, sieve.unknown);
    case 'ranked by':
      return rankedByAtLeast(pool.organic, size, sieve.atLeast, sieve.within);
    case 'found':
      return anyOfBits(
        pool.found,
        sieve.ways.reduce((bits, way) => bits | (1 << FOUND_BY.indexOf(way)), 0),
      );
    case 'trend':
      return trendPasses(workspace, pool, sieve);
    case 'verdict':
      return anyOfCodes(
        judged.codes,
        sieve.verdicts.map((word) => VERDICTS.indexOf(word)),
      );
    case 'list':
      return members(indicesOf(pool, await listMembers(workspace.database, sieve.list)), size, sieve.out);
  }
}

/** Pool indices of keywords by id; those that are not in the pool are passed over. */
export function indicesOf({ indexOf, base }: Pool, ids: Iterable<number>): number[] {
  const indices: number[] = [];
  for (const id of ids) {
    const i = indexOf[id - base];
    if (i !== undefined && i >= 0) indices.push(i);
  }
  return indices;
}

/** Positions of one target, NaN where it has none; a target that is not in the pool has none anywhere. */
function positionsOf(pool: Pool, target: string): Float32Array {
  const column = pool.organic[pool.targets.indexOf(target)];
  const positions = new Float32Array(pool.ids.length).fill(NaN);
  if (column) for (let i = 0; i < column.length; i++) if (column[i]! > 0) positions[i] = column[i]!;
  return positions;
}

async function trendPasses(
  { store }: Workspace,
  { ids, base, metrics }: Pool,
  sieve: Extract<Sieve, { kind: 'trend' }>,
): Promise<Uint8Array> {
  const columns = await Promise.all(
    metrics.segments.map(({ head }) => store.columnIfAny<Uint8Array>(head.id, 'trendWord')),
  );
  const passes = new Uint8Array(ids.length);
  for (let i = 0; i < ids.length; i++) {
    const at = ids[i]! - base;
    const number = metrics.segment[at]!;
    const word = number === 0 ? '' : TREND_WORDS[columns[number - 1]?.[metrics.row[at]!] ?? 0]!;
    const known = TRENDS.find((trend) => trend === word);
    passes[i] = (known === undefined ? sieve.unknown : sieve.trends.includes(known)) ? 1 : 0;
  }
  return passes;
}
