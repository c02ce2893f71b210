import type { Target, TargetProfile } from '@opsimath/contract/api/targets';
import { paidMissing } from '@opsimath/core/ads/guideRatio';
import { authoritySlope, domainsRatio } from '@opsimath/core/links/authority';
import { type ClickCurve, estimatedClicks } from '@opsimath/core/ranking/clickThrough';
import { bringsLittle } from '@opsimath/core/ranking/littleDemand';
import { depthBand, isRanked } from '@opsimath/core/ranking/position';
import { titleFaults } from '@opsimath/core/ranking/titles';
import { visibility } from '@opsimath/core/ranking/visibility';
import { keywordIdRange, keywordsById } from '../../data/keywords';
import { type MarketRow, marketByCode } from '../../data/markets';
import { projectById } from '../../data/projects';
import { findSegments } from '../../data/segments/segments';
import { knownParents, listTargets, targetById } from '../../data/targets';
import { CaptureReader, newestCaptures } from '../facts/captures';
import { demandUntil } from '../facts/demand';
import { type DayFacts, newestStanding, targetFacts } from '../facts/targetFacts';
import { curveUntil } from '../models/models';
import type { Workspace } from '../kept/workspace';

const MOST_TITLES = 60;
const BEST_OF_TARGET = 3;

/** What positions by keyword come to. */
type SumOf = (
  positions: ReadonlyMap<number, number>,
) => Pick<TargetProfile, 'organic' | 'clicks' | 'clicksPerKeyword' | 'littleDemand'>;

/** A rival, or ourselves, as a whole: what it holds, organic and paid, how that went, its links and its titles. */
export async function targetProfile(
  workspace: Workspace,
  projectId: number,
  targetId: number,
  scope: { market: string; date: string },
): Promise<TargetProfile> {
  const { database } = workspace;
  const market = await marketByCode(database, scope.market);
  const revisions = await workspace.revisions({ project: projectId, market: market.id });
  const { settings } = await projectById(database, projectId);
  const target = await targetById(database, projectId, targetId);
  const { volumeOf, expectedOf } = await demandUntil(workspace, revisions, market, scope.date, settings);
  const { curve } = await curveUntil(workspace, market, projectId, scope.date, revisions, settings);
  const factorOf = await featureFactors(workspace, market.id, scope.date);
  const { days, places } = await targetFacts(workspace, market, target.address, scope.date);
  const now = newestStanding(days);
  const clicksOf = (id: number, position: number): number =>
    estimatedClicks(volumeOf(id) || 0, position, factorOf(id), curve);
  /** What positions come to: keywords, clicks, and those on the front that bring little. */
  const sum: SumOf = (positions) => {
    const ranked = [...positions].filter(([, position]) => isRanked(position));
    const clicks = ranked.reduce((all, [id, position]) => all + clicksOf(id, position), 0);
    return {
      organic: ranked.length,
      clicks,
      clicksPerKeyword: ranked.length > 0 ? clicks / ranked.length : null,
      littleDemand: ranked.filter(([id, position]) => bringsLittle(expectedOf(id), position, curve, settings))
        .length,
    };
  };
  const held = sum(now.organic);
  const paid = [...now.paid.values()].filter(isRanked).length;
  const known = await knownParents(database);
  const bought = await boughtKeywords(workspace, days);
  return {
    target,
    ours: target.side === 'own' ? null : await ourCounts(workspace, projectId, market, scope.date, sum),
    ...held,
    paid,
    guide: settings.guideRatio,
    paidMissing: paidMissing(held.organic, paid, settings.guideRatio),
    littleDemandBelow: settings.littleDemand,
    overTime: standingsOverTime(days, expectedOf, curve),
    authority: await authorityAgainst(workspace, projectId, market, target, known),
    ...(await weakTitles(workspace, now, places, clicksOf, settings.titleLimits[market.surface])),
    ...bought,
  };
}

/** Feature factor (method §3) of a keyword's newest capture on or before a date; 1 without one. */
async function featureFactors(
  { database, store }: Workspace,
  marketId: number,
  date: string,
): Promise<(keyword: number) => number> {
  const range = await keywordIdRange(database, marketId);
  if (range === null) return () => 1;
  const segments = await findSegments(database, { marketId, kind: 'captures', until: date });
  const reader = await CaptureReader.over(store, await newestCaptures(store, segments, range));
  return (keyword) => {
    const page = reader.page(keyword);
    return page === null ? 1 : reader.featureFactor(page);
  };
}

/**
 * How a target stood day by day. Days on which the whole of it was looked up stand for themselves. The others are drawn over
 * one panel, the keywords captured by the first of them, each as it was last known: else more captures would look like a rise.
 */
function standingsOverTime(
  days: readonly DayFacts[],
  expectedOf: (keyword: number) => number,
  curve: ClickCurve,
): TargetProfile['overTime'] {
  const panel = days.find(({ captured, lookedUp }) => captured.size > 0 && !lookedUp)?.captured;
  const [organic, paid] = [new Map<number, number>(), new Map<number, number>()];
  const found: TargetProfile['overTime'] = [];
  for (const day of days) {
    for (const [id, position] of day.organic) organic.set(id, position);
    for (const [id, slot] of day.paid) paid.set(id, slot);
    if (day.organic.size === 0) continue;
    const inPanel = (facts: Map<number, number>): Map<number, number> =>
      new Map([...facts].filter(([id]) => panel?.has(id)));
    if (day.lookedUp) found.push(standing(day, day.organic, day.paid, expectedOf, curve));
    else if (panel) found.push(standing(day, inPanel(organic), inPanel(paid), expectedOf, curve));
  }
  return found;
}

async function ourCounts(
  workspace: Workspace,
  projectId: number,
  market: Awaited<ReturnType<typeof marketByCode>>,
  date: string,
  sum: SumOf,
): Promise<TargetProfile['ours']> {
  const own = (await listTargets(workspace.database, projectId)).filter(
    ({ side, surface }) => side === 'own' && surface === market.surface,
  );
  if (own.length === 0) return null;
  // Of several of ours that rank for one keyword the best counts.
  const organic = new Map<number, number>();
  const paid = new Set<number>();
  for (const { address } of own) {
    const now = newestStanding((await targetFacts(workspace, market, address, date)).days);
    for (const [id, position] of now.organic)
      if (isRanked(position)) organic.set(id, Math.min(position, organic.get(id) ?? position));
    for (const [id, slot] of now.paid) if (isRanked(slot)) paid.add(id);
  }
  return { name: own[0]!.name, paid: paid.size, ...sum(organic) };
}

function standing(
  { date, lookedUp }: DayFacts,
  organicFacts: ReadonlyMap<number, number>,
  paidFacts: ReadonlyMap<number, number>,
  expectedOf: (keyword: number) => number,
  curve: ClickCurve,
): TargetProfile['overTime'][number] {
  const depth = [0, 0, 0, 0, 0];
  const ids = [...organicFacts.keys()];
  const positions = Uint8Array.from(ids, (id) => organicFacts.get(id)!);
  for (const position of positions) if (isRanked(position)) depth[depthBand(position)]!++;
  return {
    date,
    looked: ids.length,
    whole: lookedUp,
    depth,
    organic: positions.filter(isRanked).length,
    paid: [...paidFacts.values()].filter(isRanked).length,
    visibility: visibility(positions, Float64Array.from(ids, expectedOf), curve, [...ids.keys()]),
  };
}

/** Parents are compared with parents: a page's own figure says nothing of its site. */
async function authorityAgainst(
  { database }: Workspace,
  projectId: number,
  market: MarketRow,
  target: Target,
  known: Awaited<ReturnType<typeof knownParents>>,
): Promise<TargetProfile['authority']> {
  const targets = await listTargets(database, projectId);
  const authorityOf = (address: string): number | null =>
    targets.find((each) => each.address === address)?.record?.figures.authority ??
    known.find((each) => each.address === address)?.authority ??
    null;
  const own = targets.find(({ side, surface }) => side === 'own' && surface === market.surface);
  const [ours, theirs] = [own, target].map((each) => each && authorityOf(each.parent ?? each.address));
  if (typeof ours !== 'number' || typeof theirs !== 'number') return null;
  const slope = authoritySlope(known);
  const difference = theirs - ours;
  return {
    difference,
    domainsRatio: slope === null ? null : domainsRatio(slope, difference),
    parentsKnown: known.length,
  };
}

/** Titles with a fault among the targets that bring the most clicks; only what has been captured has a title. */
async function weakTitles(
  { database }: Workspace,
  { organic, holder }: Pick<DayFacts, 'organic' | 'holder'>,
  places: Awaited<ReturnType<typeof targetFacts>>['places'],
  clicksOf: (id: number, position: number) => number,
  limit: number,
): Promise<Pick<TargetProfile, 'weakTitles' | 'titlesLooked'>> {
  const byPlace = new Map<number, { id: number; clicks: number }[]>();
  for (const [id, position] of organic) {
    const place = holder.get(id);
    if (!isRanked(position) || place === undefined) continue;
    byPlace.set(place, [...(byPlace.get(place) ?? []), { id, clicks: clicksOf(id, position) }]);
  }
  const worth = (entries: readonly { clicks: number }[]): number =>
    entries.reduce((sum, { clicks }) => sum + clicks, 0);
  const looked = [...byPlace]
    .filter(([place]) => (places.get(place)?.title ?? '') !== '')
    .sort(([, a], [, b]) => worth(b) - worth(a))
    .slice(0, MOST_TITLES)
    .map(([place, entries]) => ({
      place: places.get(place)!,
      best: entries.sort((a, b) => b.clicks - a.clicks || a.id - b.id).slice(0, BEST_OF_TARGET),
    }));
  const texts = await keywordsById(
    database,
    looked.flatMap(({ best }) => best.map(({ id }) => id)),
  );
  const weak = looked.flatMap(({ place, best }) => {
    const keywords = best.map(({ id }) => texts.get(id)!.text);
    const faults = titleFaults(place.title, keywords, limit);
    return faults.length > 0
      ? [{ address: place.address, title: place.title, faults, bestKeyword: keywords[0] ?? null }]
      : [];
  });
  return { weakTitles: weak, titlesLooked: looked.length };
}

const MOST_BUYS = 500;

/** What is paid for: slot as last seen, first and last day seen, on how many of the days looked. */
async function boughtKeywords(
  { database }: Workspace,
  days: readonly DayFacts[],
): Promise<Pick<TargetProfile, 'buys' | 'buysInAll'>> {
  const bought = new Map<number, { slot: number; firstSeen: string; lastSeen: string; daysSeen: number }>();
  const looked = new Map<number, { days: number; last: string }>();
  for (const day of days) {
    for (const id of day.paidLooked)
      looked.set(id, { days: (looked.get(id)?.days ?? 0) + 1, last: day.date });
    for (const [id, slot] of day.paid) {
      if (!isRanked(slot)) continue;
      const known = bought.get(id);
      bought.set(id, {
        slot,
        firstSeen: known?.firstSeen ?? day.date,
        lastSeen: day.date,
        daysSeen: (known?.daysSeen ?? 0) + 1,
      });
    }
  }
  const shown = [...bought]
    .sort(([a, m], [b, n]) => n.daysSeen - m.daysSeen || m.slot - n.slot || a - b)
    .slice(0, MOST_BUYS);
  const texts = await keywordsById(
    database,
    shown.map(([id]) => id),
  );
  const buys = shown.map(([id, entry]) => {
    const look = looked.get(id) ?? { days: entry.daysSeen, last: entry.lastSeen };
    return {
      id,
      keyword: texts.get(id)!.text,
      ...entry,
      daysLooked: Math.max(entry.daysSeen, look.days),
      lastLooked: look.last,
    };
  });
  return { buys, buysInAll: bought.size };
}
