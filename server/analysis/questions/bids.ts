import { MATCH_CODES } from '../../data/segments/matchCodes';
import type { BidRow, Bids, bidsQuery } from '@opsimath/contract/api/bids';
import { whyUnseen } from '@opsimath/core/ads/bidGuide';
import { coverage } from '@opsimath/core/copy/coverage';
import { key } from '@opsimath/core/text/key';
import type { z } from 'zod';
import { keywordsById } from '../../data/keywords';
import { type OwnBid, ownBids } from '../../data/ownBids';
import { placeRecords } from '../../data/placeRecords';
import { type AdTerm, adTermsOver } from '../facts/adTerms';
import type { Comparison } from '../comparison/comparison';
import { observedGuides } from '../comparison/observedGuides';
import { openComparison } from '../comparison/openComparison';
import type { Workspace } from '../kept/workspace';

/** What we bid on, against what would suffice, with the first reason for each that was never shown (method §17). */
export async function bids(
  workspace: Workspace,
  projectId: number,
  { own, ...scope }: z.output<typeof bidsQuery>,
): Promise<Bids> {
  const { database } = workspace;
  const { comparison, revisions } = await openComparison(workspace, projectId, scope);
  const { market, project } = comparison;
  const held = await ownBids(database, projectId, market.id, scope.date);
  const { period: ads } = await adTermsOver(workspace, revisions, comparison, own);
  const told = { currency: project.settings.currency, from: ads.from, to: ads.to };
  if (held === null) return { ...told, date: null, rows: [] };
  const guides = await observedGuides(workspace, comparison);
  const shown = shownBy(ads.bids);
  const texts = await keywordsById(database, new Set(held.bids.map(({ keyword }) => keyword)));
  const holds = await landingWords(workspace, comparison, held.bids);
  const rows = held.bids.map(({ keyword, campaign, match, bid, landing }): BidRow => {
    const text = texts.get(keyword)!;
    const brought = shown(keyword, match);
    const volume = guides.volumeOf(keyword);
    const guide = guides.of(text.key, match);
    const covered = coveredBy(holds.get(landing), text.key, market.language);
    return {
      id: keyword,
      text: text.text,
      campaign,
      match,
      bid,
      landing,
      ...brought,
      volume,
      guide,
      covered,
      // Before any own ad terms nobody knows what was shown.
      unseen: ads.to === null || brought.impressions > 0 ? null : whyUnseen({ covered, bid, guide, volume }),
    };
  });
  rows.sort(
    (a, b) =>
      a.impressions - b.impressions || (b.volume ?? -1) - (a.volume ?? -1) || (a.text < b.text ? -1 : 1),
  );
  return { ...told, date: held.date, rows };
}

interface Brought {
  impressions: number;
  clicks: number;
  cost: number;
}

/** What own ad terms brought to a keyword bid on in a match type; rows that name no type count for each. */
function shownBy(bids: readonly AdTerm[]): (keyword: number, match: OwnBid['match']) => Brought {
  const byName = new Map(bids.map((sum) => [`${sum.bidOn}:${sum.match}`, sum] as const));
  return (keyword, match) => {
    const brought = { impressions: 0, clicks: 0, cost: 0 };
    for (const code of [MATCH_CODES.indexOf(match), MATCH_CODES.indexOf('')]) {
      const sum = byName.get(`${keyword}:${code}`);
      if (!sum) continue;
      brought.impressions += sum.impressions;
      brought.clicks += sum.clicks;
      brought.cost += sum.cost;
    }
    return brought;
  };
}

/** What is known of a landing target's words. */
interface LandingWords {
  /** Keys of its fields. */
  fields: string[];
  /** Whether these are all its fields. */
  whole: boolean;
}

/** Whether a landing target holds every word; `null` where its words are not known, or not all of them and some lack. */
function coveredBy(landing: LandingWords | undefined, keywordKey: string, language: string): boolean | null {
  if (landing === undefined) return null;
  const { held, of } = coverage(keywordKey, landing.fields, language);
  if (held === of) return true;
  return landing.whole ? false : null;
}

async function landingWords(
  { database }: Workspace,
  { sides, date }: Comparison,
  held: readonly OwnBid[],
): Promise<Map<string, LandingWords>> {
  const addresses = [...new Set(held.map(({ landing }) => landing))];
  const records = await placeRecords(database, addresses, date);
  const places = new Map(sides.ownPlaces.map((place) => [place.address, place]));
  const words = new Map<string, LandingWords>();
  for (const address of addresses) {
    const target = sides.own.find((own) => own.address === address);
    const record = records.get(address)?.record ?? target?.record;
    const seen = record ?? places.get(address);
    if (!seen || seen.title === '') continue;
    const further = [...Object.values(record?.fields ?? {}), ...Object.values(target?.privateFields ?? {})];
    words.set(address, {
      fields: [seen.title, seen.description, ...further].map(key),
      whole: record !== undefined && record !== null,
    });
  }
  return words;
}
