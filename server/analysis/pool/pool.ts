import { FOUND_BY, type LookUpRequest, type PoolPage } from '@opsimath/contract/api/lookUps';
import { featureFactor } from '@opsimath/core/ranking/clickThrough';
import { type FrontSlot, difficulty } from '@opsimath/core/ranking/difficulty';
import { ABSENT } from '@opsimath/core/ranking/position';
import { keywordIdRange } from '../../data/keywords';
import { lookUpById, lookUpFinds, lookUpTargets } from '../../data/lookUps';
import { type MarketRow, marketById } from '../../data/markets';
import { placesUnder } from '../../data/places';
import { findsSegments } from '../../data/pools';
import { projectById } from '../../data/projects';
import { ABOVE } from '../../data/segments/captureColumns';
import { findSegments } from '../../data/segments/segments';
import { type Metrics, gatherMetrics } from '../facts/metrics';
import { captureColumnsOf } from '../facts/standings';
import type { Workspace } from '../thread/workspace';

/** A look-up's pool in columns, one entry a keyword, in the order of the keys: that decides ties. */
export interface Pool {
  projectId: number;
  market: MarketRow;
  date: string;
  request: LookUpRequest;
  ids: Int32Array;
  words: Uint8Array;
  /** Smallest keyword id of the market: `ids[i] − base` indexes the market's columns. */
  base: number;
  targets: string[];
  /** One column a target: best position that the look-up found, 0 where it found none. */
  organic: Uint8Array[];
  paid: Uint8Array[];
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
  featureFactor: Float32Array;
  metrics: Metrics;
  /** Of how many of the first ten an answer came; `null` where that was not asked. */
  lookedUpOfTen: number | null;
  /** Pool index of a keyword by `id − base`; −1 where it is not in the pool. */
  indexOf: Int32Array;
  /** 0, 1, 2…: the rows as they come. */
  rows: Int32Array;
  /** Keywords with a known volume above nought, and how many were found in which way: counted once. */
  withVolume: number;
  sources: PoolPage['sources'];
  figures: Map<string, Float32Array>;
}

const bit = (by: (typeof FOUND_BY)[number]): number => 1 << FOUND_BY.indexOf(by);

export async function buildPool(workspace: Workspace, lookUpId: number, state: string): Promise<Pool> {
  const { database, store } = workspace;
  const { marketId, date, projectId, request } = await lookUpById(database, lookUpId);
  const market = await marketById(database, marketId);
  const range = (await keywordIdRange(database, marketId)) ?? { least: 0, most: -1 };
  const size = range.most - range.least + 1;
  const targets = await lookUpTargets(database, lookUpId);
  const found = new Uint32Array(size);
  const organic = targets.map(() => new Uint8Array(size));
  const paid = targets.map(() => new Uint8Array(size));
  const isImport = targets.length > 0 && (await isImported(workspace, lookUpId));
  for (const [t, target] of targets.entries()) {
    const filter = { marketId, kind: 'rankings' as const, lookUpId: target.heldBy, subject: target.address };
    for (const segment of await findSegments(database, filter)) {
      const keyword = await store.column<Int32Array>(segment.id, 'keyword');
      const segmentOrganic = await store.column<Uint8Array>(segment.id, 'organic');
      const segmentPaid = await store.column<Uint8Array>(segment.id, 'paid');
      const [ours, theirs] = [organic[t]!, paid[t]!];
      for (let row = 0; row < keyword.length; row++) {
        const i = keyword[row]! - range.least;
        const position = request.want === 'paid' ? 0 : segmentOrganic[row]!;
        const slot = request.want === 'organic' ? 0 : segmentPaid[row]!;
        if (position > 0 && position <= request.depth) {
          if (ours[i] === 0 || position < ours[i]!) ours[i] = position;
          found[i]! |= bit('organic');
        }
        if (slot > 0) {
          if (theirs[i] === 0 || slot < theirs[i]!) theirs[i] = slot;
          found[i]! |= bit('paid');
        }
        if (isImport) found[i]! |= bit('import');
      }
    }
  }
  const appearances = new Uint8Array(size);
  const uses = new Uint16Array(size);
  const given = new Int32Array(size);
  const from = new Uint32Array(size);
  const origins: string[] = [];
  for (const segment of await findsSegments(database, lookUpId)) {
    const keyword = await store.column<Int32Array>(segment.id, 'keyword');
    const way = await store.column<Uint8Array>(segment.id, 'way');
    const count = await store.column<Int32Array>(segment.id, 'count');
    const order = await store.column<Int32Array>(segment.id, 'order');
    const origin = originBit(origins, segment.subject ?? '');
    for (let row = 0; row < keyword.length; row++) {
      const i = keyword[row]! - range.least;
      const by = FOUND_BY[way[row]!]!;
      found[i]! |= 1 << way[row]!;
      from[i]! |= origin;
      if (by === 'also ranked') appearances[i] = Math.max(appearances[i]!, count[row]!);
      if (by === 'words of the front') uses[i] = Math.max(uses[i]!, count[row]!);
      if (given[i] === 0) given[i] = order[row]! + 1;
    }
  }
  const metrics = await gatherMetrics(
    store,
    await findSegments(database, { marketId, kind: 'metrics' }),
    date,
    range,
  );
  const byKey = await workspace.alphabetical(market, state);
  const isMember = (i: number): boolean =>
    found[i] !== 0 && !(request.leastVolume > 0 && metrics.volume[i]! < request.leastVolume);
  const { rows, words } = membersInOrder(byKey, range.least, isMember);
  const addresses = targets.map(({ address }) => address);
  const capturedFacts = await gatherCaptured(workspace, projectId, marketId, date, range, addresses);
  const pick = <T extends Uint8Array | Uint16Array | Uint32Array | Int32Array | Int16Array | Float32Array>(
    column: T,
  ): T => {
    const picked = new (column.constructor as new (size: number) => T)(rows.length);
    for (let n = 0; n < rows.length; n++) picked[n] = column[rows[n]!]!;
    return picked;
  };
  const finds = (await lookUpFinds(database, lookUpId)).filter(({ way }) => way === 'also ranked');
  const looked = finds.map(({ message }) => Number(/^of (\d+) looked up/.exec(message ?? '')?.[1] ?? 0));
  const indexOf = new Int32Array(size).fill(-1);
  rows.forEach((i, n) => (indexOf[i] = n));
  const picked = pick(found);
  const ids = rows.map((i) => i + range.least);
  return {
    projectId,
    market,
    date,
    request,
    ids,
    words,
    base: range.least,
    targets: addresses,
    organic: organic.map(pick),
    paid: paid.map(pick),
    captured: capturedFacts.positions.map(pick),
    found: picked,
    appearances: pick(appearances),
    uses: pick(uses),
    given: pick(given),
    origins,
    from: pick(from),
    spellings: ids.filter((_, n) => (picked[n]! & bit('spellings')) !== 0),
    difficulty: pick(capturedFacts.difficulty),
    featureFactor: pick(capturedFacts.featureFactor),
    metrics,
    lookedUpOfTen: finds.length > 0 ? Math.max(0, ...looked) : null,
    indexOf,
    rows: Int32Array.from(rows.keys()),
    withVolume: rows.reduce((count, i) => count + (metrics.volume[i]! > 0 ? 1 : 0), 0),
    sources: sourcesOf(picked),
    figures: new Map(),
  };
}

const MOST_ORIGINS = 31;

/** Bit of the seed keyword in a find's subject, `way|seed`; 0 for a list, or when there are too many to tell. */
function originBit(origins: string[], subject: string): number {
  const seed = subject.slice(subject.indexOf('|') + 1);
  if (seed === '') return 0;
  let at = origins.indexOf(seed);
  if (at < 0) at = origins.push(seed) - 1;
  return at < MOST_ORIGINS ? 1 << at : 0;
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

async function isImported(workspace: Workspace, lookUpId: number): Promise<boolean> {
  const answer = await workspace.database.client.execute({
    sql: `SELECT json_extract(request, '$.importId') IS NOT NULL AS imported FROM look_up WHERE id = ?`,
    args: [lookUpId],
  });
  return Number(answer.rows[0]!.imported) === 1;
}

/** What captures on or before the date say of the targets, and of the page itself; the newest of each keyword counts. */
async function gatherCaptured(
  workspace: Workspace,
  projectId: number,
  marketId: number,
  date: string,
  range: { least: number; most: number },
  targets: readonly string[],
): Promise<{ positions: Uint8Array[]; difficulty: Int16Array; featureFactor: Float32Array }> {
  const { database, store } = workspace;
  const { front } = (await projectById(database, projectId)).settings;
  const size = range.most - range.least + 1;
  const positions = targets.map(() => new Uint8Array(size));
  const difficulties = new Int16Array(size).fill(-1);
  const factor = new Float32Array(size).fill(1);
  const holders = new Map<number, number[]>();
  for (const [t, target] of targets.entries()) {
    for (const { id } of await placesUnder(database, [target]))
      holders.set(id, [...(holders.get(id) ?? []), t]);
  }
  for (const segment of await findSegments(database, { marketId, kind: 'captures', until: date })) {
    const columns = await captureColumnsOf(store, segment);
    const authority = await store.column<Uint8Array>(segment.id, 'authority');
    const phrase = await store.column<Uint8Array>(segment.id, 'phrase');
    const above = await store.column<Uint8Array>(segment.id, 'above');
    const paidAbove = await store.column<Uint8Array>(segment.id, 'paidAbove');
    for (let row = 0; row < columns.keyword.length; row++) {
      const i = columns.keyword[row]! - range.least;
      for (const column of positions) column[i] = ABSENT;
      const slots: FrontSlot[] = [];
      const end = columns.slotStart[row]! + columns.slotCount[row]!;
      for (let slot = columns.slotStart[row]!; slot < end; slot++) {
        const position = columns.organic[slot]!;
        if (position === 0) continue;
        for (const t of holders.get(columns.place[slot]!) ?? [])
          if (position < positions[t]![i]!) positions[t]![i] = position;
        if (position <= front)
          slots.push({
            authority: authority[slot] === 255 ? null : authority[slot]!,
            phraseInTitle: phrase[slot] === 1,
          });
      }
      difficulties[i] = difficulty(slots) ?? -1;
      factor[i] = featureFactor({
        answerBox: (above[row]! & ABOVE.answerBox) !== 0,
        imageBlock: (above[row]! & ABOVE.imageBlock) !== 0,
        videoBlock: (above[row]! & ABOVE.videoBlock) !== 0,
        paidSlots: paidAbove[row]!,
      });
    }
  }
  return { positions, difficulty: difficulties, featureFactor: factor };
}
