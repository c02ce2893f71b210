import type { StandingBid } from '@opsimath/contract/api/adGroups';
import { slotWon } from '@opsimath/core/ads/allocation';
import { nextBid } from '@opsimath/core/ads/nextBid';
import { dayOf } from '@opsimath/core/day';
import { bidHistory } from '../../data/ownBids';
import type { Revisions } from '../../data/grounds';
import { MATCH_CODES } from '../../data/segments/matchCodes';
import type { Comparison } from '../comparison/comparison';
import { adTermsUntil } from '../facts/adTerms';
import type { Workspace } from '../kept/workspace';

type Guides = { of: (key: string, match: StandingBid['match']) => { low: number; high: number } | null };

/** What stands in the account for some keywords: since when, what it brought since, and what to do with it next (method §17). */
export async function standingBids(
  workspace: Workspace,
  { comparison, revisions }: { comparison: Comparison; revisions: Revisions },
  keywords: readonly { id: number; key: string }[],
  guides: Guides,
  wanted: number,
): Promise<Map<number, StandingBid[]>> {
  const { market, project, date, auctions } = comparison;
  const told = new Map<string, { date: string; bid: number }[]>();
  for (const { keyword, match, ...one } of await bidHistory(
    workspace.database,
    project.id,
    keywords.map(({ id }) => id),
    date,
  )) {
    const name = `${keyword} ${match}`;
    const known = told.get(name) ?? [];
    // Only what is another bid is a step.
    if (known.at(-1)?.bid !== one.bid) known.push(one);
    told.set(name, known);
  }
  const brought = async (id: number, match: string, from: string) => {
    const { bids } = await adTermsUntil(workspace, revisions, project.id, market.id, date, {
      from,
      to: date,
    });
    const sum = { impressions: 0, clicks: 0, cost: 0 };
    for (const one of bids) {
      if (one.bidOn !== id || MATCH_CODES[one.match] !== match) continue;
      sum.impressions += one.impressions;
      sum.clicks += one.clicks;
      sum.cost += one.cost;
    }
    return sum;
  };
  const standing = new Map<number, StandingBid[]>();
  for (const { id, key } of keywords)
    for (const match of ['exact', 'phrase', 'broad'] as const) {
      const steps = told.get(`${id} ${match}`);
      const last = steps?.at(-1);
      if (!steps || !last) continue;
      const guide = guides.of(key, match);
      const slot = slotWon(auctions.get(id) ?? [], last.bid);
      const days = dayOf(date) - dayOf(last.date);
      standing.set(id, [
        ...(standing.get(id) ?? []),
        {
          match,
          bid: last.bid,
          since: last.date,
          before: steps.slice(0, -1).reverse(),
          ...(await brought(id, match, last.date)),
          slot,
          next: guide === null ? { step: 'unknown' } : nextBid({ bid: last.bid, days, slot, guide }, wanted),
        },
      ]);
    }
  return standing;
}
