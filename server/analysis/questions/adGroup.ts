import type { AdGroup, adGroupQuery } from '@opsimath/contract/api/adGroups';
import { paidQuery } from '@opsimath/contract/api/paid';
import { allocate, bidCurve, slotWon } from '@opsimath/core/ads/allocation';
import { type Auction, paidForecast } from '@opsimath/core/ads/paidForecast';
import type { z } from 'zod';
import { organicOnly } from '../../data/tasks';
import { wilson } from '@opsimath/core/rates/wilson';
import { keywordsById } from '../../data/keywords';
import { type Comparison, demandOf, entryOf } from '../comparison/comparison';
import { observedGuides } from '../comparison/observedGuides';
import { openComparison } from '../comparison/openComparison';
import type { Workspace } from '../kept/workspace';
import { adListings } from './adListings';
import { standingBids } from './standingBids';
import { paidView } from './paidView';

const DAYS_A_MONTH = 30;
const MOST_NEGATIVES = 60;

/** What an ad group’s keywords would bring at three bids, and how a budget a day is split between them (method §17). */
export async function adGroup(
  workspace: Workspace,
  projectId: number,
  { budget, wanted, ...scope }: z.output<typeof adGroupQuery>,
  ids: readonly number[],
): Promise<AdGroup> {
  const opened = await openComparison(workspace, projectId, scope);
  const { comparison } = opened;
  const { columns, auctions, project } = comparison;
  const guides = await observedGuides(workspace, comparison);
  const texts = await keywordsById(workspace.database, ids);
  const known = ids.filter((id) => texts.has(id));
  const unpaid = await organicOnly(workspace.database, projectId);
  const named = known.map((id) => texts.get(id)!);
  const standing = await standingBids(workspace, opened, named, guides, wanted);
  const facts = known.map((id) => {
    const entry = entryOf(comparison, id);
    return {
      id,
      key: texts.get(id)!.key,
      days: auctions.get(id) ?? [],
      searches: (demandOf(comparison, id) || 0) / DAYS_A_MONTH,
      worth: entry < 0 ? 0 : columns.worth[entry]!,
    };
  });
  const allotted = allocate(
    // What is kept to organic work takes nothing of the budget.
    facts.map(({ id, days, searches, worth }) => bidCurve(unpaid.has(id) ? [] : days, searches, worth)),
    budget,
  );
  const costly = await paidView(
    workspace,
    projectId,
    paidQuery.parse({ ...scope, state: 'costly', limit: MOST_NEGATIVES }),
  );
  return {
    currency: project.settings.currency,
    keywords: facts.map(({ id, key, days, searches, worth }, n) => {
      const exact = guides.of(key, 'exact');
      const { point, setApart } = allotted[n]!;
      const at = (bid: number) => levelAt(days, searches, bid);
      return {
        id,
        guides: { exact, phrase: guides.of(key, 'phrase'), broad: guides.of(key, 'broad') },
        levels: exact === null ? null : [at(exact.low), at(exact.middle), at(exact.high)],
        worth,
        allotted: point,
        setApart: budget > 0 && setApart,
        organicOnly: unpaid.has(id),
        standing: standing.get(id) ?? [],
      };
    }),
    listings: await adListings(workspace, comparison, named),
    conversion: conversionOf(comparison),
    negatives: costly.rows.map(({ text, cost }) => ({ text, cost })),
  };
}

/** Conversions a click of all our ad terms. */
function conversionOf({ ads }: Comparison): AdGroup['conversion'] {
  const terms = [...ads.terms.values()];
  const clicks = terms.reduce((sum, term) => sum + term.clicks, 0);
  const conversions = terms.reduce((sum, term) => sum + term.conversions, 0);
  return clicks === 0
    ? null
    : { clicks, conversions, rate: Math.min(1, conversions / clicks), ...wilson(conversions, clicks) };
}

function levelAt(days: readonly Auction[], searches: number, bid: number) {
  const { clicks, cost } = paidForecast(days, searches, bid);
  return { bid, clicks, cost, cpc: clicks > 0 ? cost / clicks : null, slot: slotWon(days, bid) };
}
