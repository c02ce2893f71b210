import type { TargetProfile } from '@opsimath/contract/api/targets';
import { authoritySlope, domainsRatio } from '@opsimath/core/links/authority';
import { priorCurve } from '@opsimath/core/ranking/clickThrough';
import { depthBand, isRanked } from '@opsimath/core/ranking/position';
import { titleFaults } from '@opsimath/core/ranking/titles';
import { keywordsById } from '../../data/keywords';
import { marketByCode } from '../../data/markets';
import { projectById } from '../../data/projects';
import { knownParents, listTargets, targetById } from '../../data/targets';
import { volumesAt } from '../../data/volumes';
import { type DayFacts, newestStanding, targetFacts } from '../facts/targetFacts';
import type { Workspace } from '../kept/workspace';

/** Organic keywords for each paid one that the project aims at. */
const GUIDE = 2;
/** Clicks a month below which a place in the front is called one of little demand. */
const CLICKS_FLOOR = 10;
const TITLE_LIMITS = { web: 60, video: 100, marketplace: 200 } as const;
const MOST_TITLES = 60;
const BEST_OF_TARGET = 3;

/** A rival, or ourselves, as a whole: what it holds, organic and paid, how that went, its links and its titles. */
export async function targetProfile(
  workspace: Workspace,
  projectId: number,
  targetId: number,
  scope: { market: string; date: string },
): Promise<TargetProfile> {
  const { database } = workspace;
  const market = await marketByCode(database, scope.market);
  const { settings } = await projectById(database, projectId);
  const target = await targetById(database, projectId, targetId);
  const volumes = await volumesAt(database, market.id, scope.date);
  const curve = priorCurve(market.surface);
  const { days, places } = await targetFacts(workspace, market, target.address, scope.date);
  const now = newestStanding(days);
  const ranked = [...now.organic].filter(([, position]) => isRanked(position));
  const clicksOf = (id: number, position: number): number => (volumes.get(id) ?? 0) * curve[position]!;
  const clicks = ranked.reduce((sum, [id, position]) => sum + clicksOf(id, position), 0);
  const paid = [...now.paid.values()].filter(isRanked).length;
  const ours = await ourCounts(workspace, projectId, market, scope.date);
  const known = await knownParents(database);
  const own = (await listTargets(database, projectId)).find(
    ({ side, surface, parent }) => side === 'own' && surface === market.surface && parent === null,
  );
  return {
    target,
    ours,
    organic: ranked.length,
    paid,
    guide: GUIDE,
    paidMissing: Math.max(0, Math.round(ranked.length / GUIDE) - paid),
    clicks,
    clicksPerKeyword: ranked.length > 0 ? clicks / ranked.length : null,
    littleDemand: ranked.filter(
      ([id, position]) =>
        position <= settings.front && volumes.has(id) && clicksOf(id, position) < CLICKS_FLOOR,
    ).length,
    overTime: days.filter((day) => day.organic.size > 0).map((day) => standing(day, volumes, curve)),
    authority: authorityAgainst(own?.record?.figures.authority, target.record?.figures.authority, known),
    ...(await weakTitles(workspace, now, places, clicksOf, TITLE_LIMITS[market.surface])),
    buys: await boughtKeywords(workspace, days),
  };
}

async function ourCounts(
  workspace: Workspace,
  projectId: number,
  market: Awaited<ReturnType<typeof marketByCode>>,
  date: string,
): Promise<TargetProfile['ours']> {
  const own = (await listTargets(workspace.database, projectId)).filter(
    ({ side, surface }) => side === 'own' && surface === market.surface,
  );
  if (own.length === 0) return null;
  const organic = new Set<number>();
  const paid = new Set<number>();
  for (const { address } of own) {
    const now = newestStanding((await targetFacts(workspace, market, address, date)).days);
    for (const [id, position] of now.organic) if (isRanked(position)) organic.add(id);
    for (const [id, slot] of now.paid) if (isRanked(slot)) paid.add(id);
  }
  return { name: own[0]!.name, organic: organic.size, paid: paid.size };
}

function standing(
  day: DayFacts,
  volumes: ReadonlyMap<number, number>,
  curve: Float64Array,
): TargetProfile['overTime'][number] {
  const depth = [0, 0, 0, 0, 0];
  let organic = 0;
  let got = 0;
  let possible = 0;
  for (const [id, position] of day.organic) {
    const volume = volumes.get(id);
    if (volume !== undefined) {
      got += volume * curve[position]!;
      possible += volume * curve[1]!;
    }
    if (!isRanked(position)) continue;
    organic++;
    depth[depthBand(position)]!++;
  }
  return {
    date: day.date,
    looked: day.organic.size,
    whole: day.lookedUp,
    depth,
    organic,
    paid: [...day.paid.values()].filter(isRanked).length,
    visibility: possible > 0 ? got / possible : null,
  };
}

function authorityAgainst(
  ours: number | null | undefined,
  theirs: number | null | undefined,
  known: readonly { authority: number; referringDomains: number }[],
): TargetProfile['authority'] {
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
): Promise<TargetProfile['buys']> {
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
  return shown.map(([id, entry]) => {
    const look = looked.get(id) ?? { days: entry.daysSeen, last: entry.lastSeen };
    return {
      id,
      keyword: texts.get(id)!.text,
      ...entry,
      daysLooked: Math.max(entry.daysSeen, look.days),
      lastLooked: look.last,
    };
  });
}
