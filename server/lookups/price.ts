import type { LookUpPrice, LookUpRequest } from '@opsimath/contract/api/lookUps';
import { key } from '@opsimath/core/text/key';
import { likelySpellings } from '@opsimath/core/text/variants';
import { firstOrganic } from '../data/captures';
import type { Database } from '../data/storage/connection';
import { keywordIds } from '../data/keywords';
import { heldRankings } from '../data/lookUps';
import { type MarketRow, marketByCode } from '../data/markets';
import { uniqueIds } from '../data/pools';
import { findSegments, readColumn } from '../data/segments/segments';
import { volumesAt } from '../data/volumes';
import { KnownProblem } from '../problems/problem';
import { MOST_METRICS, type SearchSource } from '../sources/searchSource';
import { heldMetrics } from '../work/steps/fetchMetrics';
import { withoutCapture } from '../work/steps/takeCaptures';

interface PriceTask {
  database: Database;
  source: SearchSource;
  market: MarketRow;
  request: LookUpRequest;
}
type Part = LookUpPrice['parts'][number];

/** Rows that one of the first ten is thought to have before its result page has been seen. */
const ROWS_THOUGHT = 1500;
const FIRST = 10;

/** What a look-up would cost from what is held already, part by part. Exact where everything before it is held. */
export async function priceOf(
  database: Database,
  source: SearchSource,
  request: LookUpRequest,
): Promise<LookUpPrice> {
  const market = await marketByCode(database, request.market);
  const task = { database, source, market, request };
  const walks = await priceWalks(task);
  const finds = await priceFinds(task);
  const parts = [...walks.parts, ...finds.parts];
  const given = await keywordIds(database, market.id, request.keywords);
  const known =
    walks.heldKeywords === null || finds.keywords > 0
      ? null
      : uniqueIds([walks.heldKeywords, Int32Array.from(given.values())]);
  parts.push(...(await priceFigures(task, known, walks.most + finds.keywords + given.size)));
  return {
    units: parts.reduce((sum, part) => sum + part.units, 0),
    parts,
    unknown: walks.unknown,
    ...(await source.allowance()),
  };
}

/** The targets: what is held costs nothing. `heldKeywords` is `null` unless all are held. */
async function priceWalks({ database, source, market, request }: PriceTask): Promise<{
  parts: Part[];
  unknown: string[];
  most: number;
  heldKeywords: Int32Array | null;
}> {
  const parts: Part[] = [];
  const unknown: string[] = [];
  const columns: Int32Array[] = [];
  let allHeld = true;
  let most = 0;
  for (const target of request.targets) {
    const held = await heldRankings(database, market.id, request, target);
    if (held) {
      const filter = {
        marketId: market.id,
        kind: 'rankings' as const,
        lookUpId: held.lookUpId,
        subject: target,
      };
      for (const segment of await findSegments(database, filter))
        columns.push((await readColumn(database, segment.id, 'keyword')) as Int32Array);
      parts.push({
        what: `keywords of ${target}, ${held.rows} rows`,
        units: 0,
        held: true,
        estimated: false,
      });
      // Targets share keywords: the largest stands for all of them together.
      most = Math.max(most, held.rows);
      continue;
    }
    allHeld = false;
    const { date, want: kind, depth, leastVolume } = request;
    try {
      const rows = await source.rankingsCount({
        market: market.code,
        date,
        target,
        kind,
        depth,
        leastVolume,
      });
      most = Math.max(most, rows);
      const units = Math.ceil(rows / 100);
      parts.push({ what: `keywords of ${target}, ${rows} rows`, units, held: false, estimated: false });
    } catch (error) {
      if (!(error instanceof KnownProblem) || error.code !== 'no-such-target') throw error;
      unknown.push(target);
    }
  }
  return { parts, unknown, most, heldKeywords: allHeld ? uniqueIds(columns) : null };
}

/** The ways of finding keywords from seeds; `keywords` is how many they bring, as far as can be said. */
async function priceFinds(task: PriceTask): Promise<{ parts: Part[]; keywords: number }> {
  const { source, market, request } = task;
  const parts: Part[] = [];
  let keywords = 0;
  for (const seed of request.seeds) {
    for (const way of request.ways) {
      const about = { what: `${way} of “${seed}”`, held: false };
      switch (way) {
        case 'suggestions':
          keywords += 10;
          parts.push({ ...about, units: 0, estimated: false });
          break;
        case 'one letter more':
        case 'one letter before':
          keywords += 5 * market.alphabet.length;
          parts.push({ ...about, units: 0, estimated: false });
          break;
        case 'phrase':
        case 'all words':
        case 'any word': {
          const ask = { market: market.code, date: request.date, text: seed, mode: way };
          const count = await source.keywordsCount(ask);
          keywords += count;
          const what = `${about.what}, ${count} keywords`;
          parts.push({ ...about, what, units: Math.ceil(count / 100), estimated: false });
          break;
        }
        case 'spellings': {
          const tried = Math.min(MOST_METRICS, likelySpellings(key(seed), market.alphabet).length);
          parts.push({ ...about, units: Math.ceil(tried / 100), estimated: false });
          break;
        }
        case 'words of the front':
          keywords += 60;
          parts.push({
            ...about,
            units: (await capturedFirst(task, seed)) === null ? 1 : 0,
            estimated: false,
          });
          break;
        case 'also ranked': {
          const priced = await priceAlsoRanked(task, seed);
          keywords += priced.keywords;
          parts.push({ ...about, units: priced.units, estimated: priced.estimated });
          break;
        }
      }
    }
  }
  if (request.words.length > 0) {
    keywords += 20 * request.targets.length;
    parts.push({
      what: `${request.words.join(', ')} of ${request.targets.length} targets`,
      units: 0,
      held: false,
      estimated: false,
    });
  }
  return { parts, keywords };
}

/** The first ten of a seed keyword's capture of that day; `null` when it is not held. */
async function capturedFirst(
  { database, market, request }: PriceTask,
  seed: string,
): Promise<string[] | null> {
  const id = [...(await keywordIds(database, market.id, [seed])).values()][0];
  if (id === undefined) return null;
  const first = await firstOrganic(database, market.id, id, request.date, FIRST);
  return first.length > 0 ? first : null;
}

async function priceAlsoRanked(
  task: PriceTask,
  seed: string,
): Promise<{ units: number; keywords: number; estimated: boolean }> {
  const { database, source, market, request } = task;
  const first = await capturedFirst(task, seed);
  if (first === null)
    return { units: 1 + (FIRST * ROWS_THOUGHT) / 100, keywords: 2 * ROWS_THOUGHT, estimated: true };
  let units = 0;
  let most = 0;
  for (const target of first) {
    const asked = { ...request, want: 'organic' as const };
    const held = await heldRankings(database, market.id, asked, target);
    const { date, depth, leastVolume } = request;
    const rows =
      held?.rows ??
      (await source.rankingsCount({
        market: market.code,
        date,
        target,
        kind: 'organic',
        depth,
        leastVolume,
      }));
    if (!held) units += Math.ceil(rows / 100);
    most = Math.max(most, rows);
  }
  return { units, keywords: 2 * most, estimated: false };
}

/** Metrics and captures: exact when the keywords are known, else at most. */
async function priceFigures(task: PriceTask, keywords: Int32Array | null, most: number): Promise<Part[]> {
  const { database, source, market, request } = task;
  const parts: Part[] = [];
  if (request.extent === 'positions') return parts;
  const estimated = keywords === null;
  const atMost = estimated ? ', at most' : '';
  if (keywords === null) {
    parts.push({ what: `search volumes${atMost}`, units: Math.ceil(most / 100), held: false, estimated });
  } else {
    const held = await heldMetrics({ database, source }, market, request.date);
    const missing = keywords.filter((id) => !held.has(id)).length;
    parts.push({ what: 'search volumes', units: Math.ceil(missing / 100), held: missing === 0, estimated });
  }
  if (request.extent === 'metrics') return parts;
  const dates = request.compareDate === null ? [request.date] : [request.date, request.compareDate];
  for (const date of dates) {
    const what = `result pages of ${date}${atMost}`;
    if (keywords === null) {
      parts.push({ what, units: Math.min(request.captureMost, most), held: false, estimated });
      continue;
    }
    const volumes = await volumesAt(database, market.id, request.date);
    const wanted = Array.from(keywords)
      .sort((a, b) => (volumes.get(b) ?? -1) - (volumes.get(a) ?? -1) || a - b)
      .slice(0, request.captureMost);
    const { length } = await withoutCapture({ database }, market.id, date, wanted);
    parts.push({ what, units: length, held: length === 0, estimated });
  }
  return parts;
}
