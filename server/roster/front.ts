import { sells } from '@opsimath/core/text/surfaces';
import { viewsADay } from '@opsimath/core/ranking/front';
import { DAY_MS } from '@opsimath/core/day';
import type { Front, FrontCard, frontRequest } from '@opsimath/contract/api/front';
import type { Target } from '@opsimath/contract/api/targets';
import type { SourceFullRecord } from '@opsimath/contract/source/answers';
import { authoritySlope, domainsRatio } from '@opsimath/core/links/authority';
import { type SalesCurve, unitsAtRank } from '@opsimath/core/ranking/sales';
import { liesUnder } from '@opsimath/core/text/address';
import { countStems, likeness, stemVector } from '@opsimath/core/text/likeness';
import type { z } from 'zod';
import { type CapturedSlot, capturedSlots } from '../data/captures';
import type { Database } from '../data/storage/connection';
import { keywordIdsOf } from '../data/keywords';
import { type MarketRow, marketByCode } from '../data/markets';
import { placeRecords } from '../data/placeRecords';
import { projectById } from '../data/projects';
import { keepSalesCurves, salesCurves } from '../data/salesCurves';
import { coveringTarget, knownParents, listTargets } from '../data/targets';
import { newestVolume } from '../data/volumes';
import type { SearchSource } from '../sources/searchSource';
import { fetchRecords } from '../work/steps/fetchRecords';
import { captureNow } from '../work/steps/captureNow';
import { wordsOf } from '../data/records';

interface Ground {
  database: Database;
  source: SearchSource;
}

/** The front of a keyword's result page as cards, captured first if it is not held, with what we are compared to. */
export async function findFront(
  ground: Ground,
  projectId: number,
  request: z.output<typeof frontRequest>,
): Promise<Front> {
  const { database } = ground;
  const { date, keyword, show } = request;
  const market = await marketByCode(database, request.market);
  const { settings } = await projectById(database, projectId);
  const [keywordId] = await keywordIdsOf(database, market.id, [keyword]);
  let captured = await capturedSlots(database, market.id, keywordId!, date);
  const held = captured !== null;
  const units = held ? 0 : await captureNow(ground, market, date, [keyword]);
  captured ??= await capturedSlots(database, market.id, keywordId!, date);
  const slots = captured?.slots ?? [];
  const organic = slots.filter((slot) => slot.organic > 0).sort((a, b) => a.organic - b.organic);
  const shown = organic.slice(0, show);
  const paid = slots.filter((slot) => slot.paid > 0).sort((a, b) => a.paid - b.paid);
  const targets = await listTargets(database, projectId);
  const own = targets.filter((target) => target.side === 'own');
  const isOwn = (slot: CapturedSlot): boolean => coveringTarget(own, slot.address, slot.parent) !== undefined;
  const ownSlot = organic.find(isOwn);
  const wanted = new Set([...shown, ...paid, ...(ownSlot ? [ownSlot] : [])].map(({ address }) => address));
  const fetched = (await fetchRecords(ground, market, date, [...wanted])).records;
  const records = new Map(fetched.map((record) => [record.address, record]));
  const us = ourBest(own, ownSlot, records, market, date);
  const curves = await curvesOf(ground, market, date);
  const compare = await comparer(database, market, us, fetched, curves, date, own);
  const marks = new Map(targets.map((target) => [target.address, target]));
  const payers = new Map(paid.map((slot) => [slot.parent ?? slot.address, slot.paid]));
  const card = (slot: CapturedSlot): FrontCard[] => {
    const record = records.get(slot.address);
    if (!record) return [];
    const covering = coveringTarget(targets, slot.address, slot.parent);
    return [
      {
        ...compare(record),
        position: slot.organic || slot.paid,
        slot: slot.slot,
        paid: slot.paid > 0,
        mark: marks.get(slot.address)?.likeness ?? null,
        side: covering?.side ?? 'other',
        heldKeywords:
          (marks.get(slot.address) ?? marks.get(slot.parent ?? ''))?.held.find(
            (held) => held.market === market.code,
          )?.organic ?? null,
        paysAt: payers.get(slot.parent ?? slot.address) ?? null,
      },
    ];
  };
  return {
    keyword,
    keywordId: keywordId! || null,
    market: market.code,
    surface: market.surface,
    date,
    currency: market.currency,
    held,
    units,
    depth: captured?.depth ?? market.depth,
    results: captured?.results ?? null,
    volume: await newestVolume(database, market.id, keywordId!, date),
    ownPlaces: organic.filter((slot) => slot.organic <= settings.front && isOwn(slot)).length,
    own: us
      ? { name: us.owner, title: us.title, address: us.address, position: ownSlot?.organic ?? null }
      : null,
    cards: [...shown.flatMap(card), ...paid.flatMap(card)],
    parents: await parentsOf(ground, market, date, shown, targets),
  };
}

/** Ours that stands highest on this page; else the one of our targets that people take to most. */
function ourBest(
  own: readonly Target[],
  ownSlot: CapturedSlot | undefined,
  records: ReadonlyMap<string, SourceFullRecord>,
  market: MarketRow,
  date: string,
): SourceFullRecord | null {
  if (ownSlot) return records.get(ownSlot.address) ?? null;
  const single = own.flatMap(({ surface, kind, record }) =>
    surface === market.surface && record && ['page', 'video', 'listing'].includes(kind) ? [record] : [],
  );
  const pull = (record: SourceFullRecord): number =>
    viewsOfDay(record, date) ?? -(record.figures['sales rank'] ?? Infinity);
  return single.sort((a, b) => pull(b) - pull(a))[0] ?? null;
}

/** Sales curves of a marketplace as of a date, fetched where none are held. */
export async function curvesOf(
  { database, source }: Ground,
  market: MarketRow,
  date: string,
): Promise<ReadonlyMap<string, SalesCurve>> {
  if (!sells(market.surface)) return new Map();
  const held = await salesCurves(database, market.id, date);
  if (held) return held;
  const answer = await source.salesCurves({ market: market.code, date });
  await keepSalesCurves(database, market.id, date, answer);
  return new Map(answer.curves.map(({ category, points }) => [category, points]));
}

/** Makes a card's own figures: what it sells, how like us it is, and in what it does better. */
async function comparer(
  database: Database,
  market: MarketRow,
  us: SourceFullRecord | null,
  records: readonly SourceFullRecord[],
  curves: ReadonlyMap<string, SalesCurve>,
  date: string,
  own: readonly Target[],
) {
  const facts = own.find((target) => target.address === us?.address)?.facts ?? {};
  const counts = countStems(
    records.map((record) => wordsOf(record)),
    market.language,
  );
  const ours = us ? stemVector(wordsOf(us, facts), market.language, counts) : null;
  const slope = authoritySlope(await knownParents(database));
  return (record: SourceFullRecord) => {
    const units = unitsAtRank(curves.get(record.category ?? '') ?? [], record.figures['sales rank'] ?? null);
    const price = record.figures.price ?? null;
    return {
      address: record.address,
      kind: record.kind,
      parent: record.parent,
      owner: record.owner,
      title: record.title,
      description: record.description,
      category: record.category,
      picture: record.picture,
      published: record.published,
      updated: record.updated,
      figures: { ...record.figures, 'views a day': viewsOfDay(record, date) },
      units: units === null ? null : Math.round(units),
      revenue: units === null || price === null ? null : Math.round(units * price),
      likeness: ours ? likeness(ours, stemVector(wordsOf(record), market.language, counts)) : null,
      ahead: us && record.address !== us.address ? aheadOf(us, record, date, slope) : [],
    };
  };
}

/** In what a record does better than ours, and by how much. Sales ranks of different categories are not compared. */
function aheadOf(
  us: SourceFullRecord,
  other: SourceFullRecord,
  date: string,
  slope: number | null,
): string[] {
  const found: string[] = [];
  const times = (theirs: number, ours: number): string =>
    `${(theirs / ours).toFixed(theirs / ours < 10 ? 1 : 0)} times`;
  const [ourRank, theirRank] = [us.figures['sales rank'], other.figures['sales rank']];
  if (us.category === other.category && ourRank && theirRank && theirRank < ourRank)
    found.push(`outsells us: sales rank ${theirRank}, ours ${ourRank} (lower sells more)`);
  const [ourViews, theirViews] = [viewsOfDay(us, date), viewsOfDay(other, date)];
  if (ourViews && theirViews && theirViews > ourViews)
    found.push(`${times(theirViews, ourViews)} our views a day`);
  const [ourReviews, theirReviews] = [us.figures.reviews, other.figures.reviews];
  if (ourReviews && theirReviews && theirReviews > ourReviews)
    found.push(`${times(theirReviews, ourReviews)} our reviews`);
  const [ourRating, theirRating] = [us.figures.rating, other.figures.rating];
  if (ourRating && theirRating && theirRating > ourRating)
    found.push(`rated ${theirRating.toFixed(1)}, ours ${ourRating.toFixed(1)}`);
  const [ourAuthority, theirAuthority] = [us.figures.authority, other.figures.authority];
  if (us.kind === 'page' && ourAuthority && theirAuthority && theirAuthority > ourAuthority) {
    const difference = theirAuthority - ourAuthority;
    const ratio =
      slope === null ? '' : `, about ${domainsRatio(slope, difference).toFixed(1)} times the domains`;
    found.push(`authority ${difference} higher${ratio}`);
  }
  return found;
}

function viewsOfDay({ figures, published }: SourceFullRecord, date: string): number | null {
  const age = published === null ? null : (Date.parse(date) - Date.parse(published)) / DAY_MS;
  const views = viewsADay(figures.views, age);
  return views === null ? null : Math.round(views * 10) / 10;
}

/** Sites, channels and shops that hold the shown slots, those with most first. */
async function parentsOf(
  ground: Ground,
  market: MarketRow,
  date: string,
  shown: readonly CapturedSlot[],
  targets: readonly Target[],
): Promise<Front['parents']> {
  const groups = new Map<string, { owner: string; slots: number; best: number }>();
  for (const { parent, owner, organic } of shown) {
    if (parent === null) continue;
    const group = groups.get(parent) ?? { owner, slots: 0, best: organic };
    groups.set(parent, { owner, slots: group.slots + 1, best: Math.min(group.best, organic) });
  }
  const addresses = [...groups.keys()];
  await fetchRecords(ground, market, date, addresses);
  const records = await placeRecords(ground.database, addresses, date);
  return [...groups]
    .map(([address, group]) => ({
      address,
      ...group,
      kind: records.get(address)?.record.kind ?? ('site' as const),
      inRoster: targets.some((target) => target.address === address || liesUnder(address, target.address)),
      figures: records.get(address)?.record.figures ?? {},
    }))
    .sort((a, b) => b.slots - a.slots || a.best - b.best);
}
