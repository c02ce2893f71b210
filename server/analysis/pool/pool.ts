import { type LookUpRequest } from '@opsimath/contract/api/lookUps';
import { FOUND_BY } from '@opsimath/contract/api/foundBy';
import { type PoolPage } from '@opsimath/contract/api/pool';
import type { ProjectSettings } from '@opsimath/contract/api/projects';
import type { ClickCurve } from '@opsimath/core/ranking/clickThrough';
import type { Revisions } from '../../data/grounds';
import { keywordIdRange } from '../../data/keywords';
import { lookUpById, lookUpTargets } from '../../data/lookUps';
import { type MarketRow, marketById } from '../../data/markets';
import { projectById } from '../../data/projects';
import { findSegments } from '../../data/segments/segments';
import { type Borrowed, borrowedUntil, lendersName } from '../facts/borrowed';
import type { Captures } from '../facts/captures';
import { type Metrics, gatherMetrics } from '../facts/metrics';
import { gatherSides } from '../facts/sides';
import { curveUntil } from '../models/models';
import type { Workspace } from '../kept/workspace';
import { prepareFigures } from './poolFigures';
import { bit, gatherCaptured, gatherFinds, gatherRankings, lookedUpOfTen } from './poolMaterial';

/** A look-up's pool in columns, one entry a keyword, in the order of the keys: that decides ties. */
export interface Pool {
  projectId: number;
  market: MarketRow;
  date: string;
  request: LookUpRequest;
  settings: ProjectSettings;
  ids: Int32Array;
  words: Uint8Array;
  /** Smallest keyword id of the market: `ids[i] − base` indexes the market's columns. */
  base: number;
  targets: string[];
  /** One column a target: best position that the look-up found, 0 where it found none. */
  organic: Uint8Array[];
  paid: Uint8Array[];
  /** Place that holds the best position that was found; 0 for none. */
  page: Int32Array;
  /** One column a target: what the newest capture says; 0 where there is none. */
  captured: Uint8Array[];
  /** Bits in the order of FOUND_BY. */
  found: Uint32Array;
  /** Of the first ten that also rank; targets that use it; order in which it was given; 0 for nothing. */
  appearances: Uint8Array;
  uses: Uint16Array;
  given: Int32Array;
  /** Seed keywords and targets that finds came from, and their bits for each keyword; the 31 first. */
  origins: string[];
  from: Uint32Array;
  /** Keyword ids of those found as another spelling. */
  spellings: Int32Array;
  /** −1 without a capture. */
  difficulty: Int16Array;
  featureFactor: Float64Array;
  /** Newest captures on or before the date, and whose places are ours: bit 0. */
  captures: Captures;
  masks: Uint32Array;
  /** Click-through in use. */
  curve: ClickCurve;
  /** Volumes hold what another surface lends, where the settings want that. */
  metrics: Metrics;
  /** Keywords whose volume is lent. */
  borrowed: ReadonlySet<number>;
  /** Of how many of the first ten an answer came; `null` where that was not asked. */
  lookedUpOfTen: number | null;
  /** Pool index of a keyword by `id − base`; −1 where it is not in the pool. */
  indexOf: Int32Array;
  /** 0, 1, 2…: the rows as they come. */
  rows: Int32Array;
  /** Keywords with a known volume above nought, and how many were found in which way: counted once. */
  withVolume: number;
  sources: PoolPage['sources'];
  figures: Map<string, Float32Array | Float64Array>;
}

/** A pool, the name it goes by while nothing it rests on changes, and where all that stood. */
export interface NamedPool {
  pool: Pool;
  name: string;
  revisions: Revisions;
  lookUpId: number;
}

/** A look-up's pool as it is now, and the name that it goes by while nothing it rests on changes. */
export async function openPool(workspace: Workspace, lookUpId: number): Promise<NamedPool> {
  const { marketId: market, projectId: project } = await lookUpById(workspace.database, lookUpId);
  const revisions = await workspace.revisions({ project, market, lookUp: lookUpId });
  const { settings } = await projectById(workspace.database, project);
  const parts = [lookUpId, lendersName(settings, revisions)];
  const { value: pool, name } = await workspace.named('pool', revisions, parts, async () => {
    const built = await buildPool(workspace, lookUpId, revisions);
    void prepareFigures(built);
    return built;
  });
  return { pool, name, revisions, lookUpId };
}

async function buildPool(workspace: Workspace, lookUpId: number, revisions: Revisions): Promise<Pool> {
  const { database, store } = workspace;
  const { marketId, date, projectId, request } = await lookUpById(database, lookUpId);
  const market = await marketById(database, marketId);
  const { settings } = await projectById(database, projectId);
  const range = (await keywordIdRange(database, marketId)) ?? { least: 0, most: -1 };
  const size = range.most - range.least + 1;
  const targets = await lookUpTargets(database, lookUpId);
  const found = new Uint32Array(size);
  const rankings = await gatherRankings(workspace, { marketId, lookUpId, request, targets, found, range });
  const finds = await gatherFinds(workspace, lookUpId, found, range);
  const known = await findSegments(database, { marketId, kind: 'metrics' });
  const metrics = await gatherMetrics(store, known, date, range);
  const byKey = await workspace.alphabetical(market, revisions);
  const isMember = (i: number): boolean =>
    found[i] !== 0 && !(request.leastVolume > 0 && metrics.volume[i]! < request.leastVolume);
  const { rows, words } = membersInOrder(byKey, range.least, isMember);
  const lent = settings.volumeBorrowed ? await borrowedUntil(workspace, market, date, revisions) : null;
  const addresses = targets.map(({ address }) => address);
  const { curve } = await curveUntil(workspace, market, projectId, date, revisions, settings);
  const sides = await gatherSides(database, projectId, market.surface);
  const captured = await gatherCaptured(workspace, marketId, date, range, {
    addresses,
    masks: sides.masks,
    front: settings.front,
  });
  const pick = <T extends Uint8Array | Uint16Array | Uint32Array | Int32Array | Int16Array | Float64Array>(
    column: T,
  ): T => {
    const picked = new (column.constructor as new (size: number) => T)(rows.length);
    for (let n = 0; n < rows.length; n++) picked[n] = column[rows[n]!]!;
    return picked;
  };
  const indexOf = new Int32Array(size).fill(-1);
  rows.forEach((i, n) => (indexOf[i] = n));
  const picked = pick(found);
  const ids = rows.map((i) => i + range.least);
  const { volume, lentTo } = withBorrowed(metrics.volume, lent, range.least);
  return {
    projectId,
    market,
    date,
    request,
    settings,
    ids,
    words,
    base: range.least,
    targets: addresses,
    organic: rankings.organic.map(pick),
    paid: rankings.paid.map(pick),
    page: pick(rankings.page),
    captured: captured.positions.map(pick),
    captures: captured.captures,
    masks: sides.masks,
    found: picked,
    appearances: pick(finds.appearances),
    uses: pick(finds.uses),
    given: pick(finds.given),
    origins: finds.origins,
    from: pick(finds.from),
    spellings: ids.filter((_, n) => (picked[n]! & bit('spellings')) !== 0),
    difficulty: pick(captured.difficulty),
    featureFactor: pick(captured.featureFactor),
    curve,
    metrics: { ...metrics, volume },
    borrowed: lentTo,
    lookedUpOfTen: await lookedUpOfTen(database, lookUpId),
    indexOf,
    rows: Int32Array.from(rows.keys()),
    withVolume: rows.reduce((count, i) => count + (volume[i]! > 0 ? 1 : 0), 0),
    sources: sourcesOf(picked),
    figures: new Map(),
  };
}

/** Volumes with what another surface lends where none is known, and whose those are. */
function withBorrowed(
  volume: Float64Array,
  lent: Borrowed | null,
  base: number,
): { volume: Float64Array; lentTo: ReadonlySet<number> } {
  const lentTo = new Set<number>();
  if (lent === null) return { volume, lentTo };
  const filled = volume.slice();
  for (const [id, count] of lent.volumes)
    if (Number.isNaN(filled[id - base]!)) {
      filled[id - base] = count;
      lentTo.add(id);
    }
  return { volume: filled, lentTo };
}

/** Market indices of the members and their numbers of words, in the order of their keys. */
function membersInOrder(
  byKey: { ids: Int32Array; words: Uint8Array },
  base: number,
  isMember: (i: number) => boolean,
): { rows: Int32Array; words: Uint8Array } {
  const rows = new Int32Array(byKey.ids.length);
  const words = new Uint8Array(byKey.ids.length);
  let count = 0;
  for (let n = 0; n < byKey.ids.length; n++) {
    const i = byKey.ids[n]! - base;
    if (!isMember(i)) continue;
    rows[count] = i;
    words[count++] = byKey.words[n]!;
  }
  return { rows: rows.slice(0, count), words: words.slice(0, count) };
}

/** By way: keywords found so, and keywords found only so. Ways that found nothing are left out. */
function sourcesOf(found: Uint32Array): PoolPage['sources'] {
  const all = new Int32Array(FOUND_BY.length);
  const only = new Int32Array(FOUND_BY.length);
  for (let i = 0; i < found.length; i++) {
    const bits = found[i]!;
    const single = (bits & (bits - 1)) === 0;
    for (let rest = bits; rest !== 0; rest &= rest - 1) {
      const at = 31 - Math.clz32(rest & -rest);
      all[at]!++;
      if (single) only[at]!++;
    }
  }
  return FOUND_BY.flatMap((by, at) => (all[at]! > 0 ? [{ by, keywords: all[at]!, only: only[at]! }] : []));
}
