import { FOUND_BY } from '@opsimath/contract/api/foundBy';
import type { Ground } from '@opsimath/contract/api/grounds';
import type { Sieve } from '@opsimath/contract/api/sift';
import { PURPOSES } from '@opsimath/core/sift/purpose';
import { anyOfBits, anyOfCodes, members, rankedByAtLeast, withinBounds } from '@opsimath/core/sift/passes';
import { type SieveFigure, TRENDS, VERDICTS } from '@opsimath/core/sift/sieve';
import { key } from '@opsimath/core/text/key';
import { LANGUAGES } from '@opsimath/core/text/languages';
import { keywordIdsLike } from '../../data/keywords';
import { keywordIdsHolding, keywordIdsHoldingForms } from '../../data/keywordWords';
import { listMembers } from '../../data/lists';
import { markedIds } from '../../data/markers';
import { keywordsSeenByHand } from '../../data/handPositions';
import { keywordsJudgedFor } from '../../data/verdicts';
import { TREND_WORDS } from '../../data/segments/metricsColumns';
import { bannedPhrases } from '../pool/bannedPhrases';
import type { NamedPool, Pool } from '../pool/pool';
import { poolFigures } from '../pool/poolFigures';
import { poolContaining, poolGrains, poolLanguages, poolSigns } from '../pool/poolWords';
import { poolNearness } from '../pool/nearness';
import { poolRivalCoverage } from '../pool/rivalCoverage';
import { keywordsInGroups } from '../comparison/ownQueryRows';
import { purposesWithSaid } from './purposes';
import { mainVariants } from './variantGroups';
import { type Judged, indicesOf } from './judged';
import type { Workspace } from '../kept/workspace';

/** Figures of the sieves that the pool's table has, too. */
const FIGURES = {
  volume: 'volume',
  'word count': 'words',
  CPC: 'cpc',
  'ad competition': 'adCompetition',
  difficulty: 'difficulty',
  appearances: 'appearances',
} as const;

/** What a sieve's answer rests on beside the pool. */
export const SIEVE_GROUNDS: Record<Sieve['kind'], readonly Ground[]> = {
  words: [],
  figure: [],
  position: [],
  'ranked by': [],
  found: [],
  trend: [],
  verdict: ['verdicts'],
  reason: ['verdicts'],
  list: ['lists'],
  marker: ['markers'],
  'banned words': ['words'],
  language: [],
  purpose: ['choices'],
  'seen by hand': ['hand'],
  'own queries': ['lists', 'tracked', 'hand'],
  'main variants': ['variants', 'translations'],
};

/** One byte a keyword of the pool: 1 where it passes the sieve. */
export async function sievePasses(
  workspace: Workspace,
  named: NamedPool,
  sieve: Sieve,
  judged: Judged,
): Promise<Uint8Array> {
  const { pool } = named;
  const size = pool.ids.length;
  switch (sieve.kind) {
    case 'words':
      return members(await wordIndices(workspace, pool, sieve), size, sieve.out);
    case 'figure':
      return withinBounds(await figuresOf(workspace, named, sieve.figure), sieve, sieve.unknown);
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
    case 'reason':
      return members(
        indicesOf(pool, await keywordsJudgedFor(workspace.database, pool.projectId, sieve.reasons)),
        size,
        sieve.out,
      );
    case 'list':
      return members(indicesOf(pool, await listMembers(workspace.database, sieve.list)), size, sieve.out);
    case 'marker':
      return members(indicesOf(pool, await markedIds(workspace.database, sieve.marker)), size, sieve.out);
    case 'banned words':
      return members(await bannedIndices(workspace, named, sieve.level), size, sieve.out);
    case 'language': {
      const { codes } = await poolLanguages(workspace, named);
      const wanted = sieve.languages.map((code) => LANGUAGES.indexOf(code) + 1);
      return anyOfCodes(codes, sieve.unknown ? [...wanted, 0] : wanted);
    }
    case 'purpose':
      return anyOfCodes(
        await purposesWithSaid(workspace, named),
        sieve.purposes.map((purpose) => PURPOSES.indexOf(purpose)),
      );
    case 'seen by hand':
      return members(
        indicesOf(pool, await keywordsSeenByHand(workspace.database, pool.projectId)),
        size,
        sieve.out === true,
      );
    case 'own queries': {
      const { projectId, market, date } = pool;
      const scope = { market: market.code, date };
      const ids = await keywordsInGroups(workspace, projectId, scope, sieve.groups);
      return members(indicesOf(pool, ids), size, sieve.out);
    }
    case 'main variants':
      return mainVariants(workspace, named);
  }
}

/** Pool indices of keywords that hold what a sieve of words asks for. */
async function wordIndices(
  { database }: Workspace,
  pool: Pool,
  { mode, text, stems }: Extract<Sieve, { kind: 'words' }>,
): Promise<Set<number>> {
  if (mode === 'pattern')
    return new Set(indicesOf(pool, await keywordIdsLike(database, pool.market.id, text)));
  // Of phrases there may be several: any of them.
  const sought = mode === 'phrase' ? text.split(',') : [text];
  const found = new Set<number>();
  for (const one of sought.map(key).filter((identity) => identity !== '')) {
    const ids = stems
      ? await keywordIdsHoldingForms(database, pool.market, one, mode)
      : await keywordIdsHolding(database, one, mode);
    for (const i of indicesOf(pool, ids)) found.add(i);
  }
  return found;
}

/** A figure of sieves for every keyword of a pool, NaN where unknown. */
export async function figuresOf(
  workspace: Workspace,
  named: NamedPool,
  figure: SieveFigure,
): Promise<ArrayLike<number>> {
  switch (figure) {
    case 'grain':
      return poolGrains(workspace, named);
    case 'contained in':
      return (await poolContaining(workspace, named)).counts;
    case 'exact rivals':
      return (await poolSigns(workspace, named)).exactRivals;
    case 'rivals that cover it':
      return poolRivalCoverage(workspace, named);
    case 'nearness':
      return poolNearness(workspace, named);
    case 'imported difficulty':
      return importedDifficulty(named.pool);
    default:
      return poolFigures(named.pool, FIGURES[figure]);
  }
}

/** What the source itself calls its difficulty: kept apart from ours. */
function importedDifficulty({ ids, base, metrics }: Pool): Float64Array {
  return Float64Array.from(ids, (id) => metrics.sourceDifficulty[id - base] ?? NaN);
}

/** Pool indices of keywords that hold a word of the project's which is not to be used, or another spelling of it, whole words only. */
async function bannedIndices(
  workspace: Workspace,
  named: NamedPool,
  level: Extract<Sieve, { kind: 'banned words' }>['level'],
): Promise<Set<number>> {
  const found = new Set<number>();
  for (const { word, phrase } of await bannedPhrases(workspace, named)) {
    if (level !== 'any' && word.level !== level) continue;
    for (const i of indicesOf(named.pool, await keywordIdsHolding(workspace.database, phrase, 'phrase')))
      found.add(i);
  }
  return found;
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
