import type { AdTermRow, PaidView, paidQuery } from '@opsimath/contract/api/paid';
import { BALANCES, balanceEdges, balances } from '@opsimath/core/ads/balance';
import { paidMissing } from '@opsimath/core/ads/guideRatio';
import { whyUnseen } from '@opsimath/core/ads/bidGuide';
import { TERM_STATES, isCostly, shrunkCtrs, termState } from '@opsimath/core/ads/searchTerms';
import { PAID_STATES, isDoubling } from '@opsimath/core/gap/paid';
import { shrunkRate } from '@opsimath/core/rates/betaPrior';
import { rateOf } from '@opsimath/core/rates/wilson';
import { UNKNOWN, isRanked } from '@opsimath/core/ranking/position';
import { key, words } from '@opsimath/core/text/key';
import type { z } from 'zod';
import { keywordsById } from '../../data/keywords';
import { listedKeywords } from '../../data/lists';
import { placesById } from '../../data/places';
import { MATCH_CODES } from '../../data/segments/matchCodes';
import { type AdTerm, type AdTerms, adTermsOver } from '../facts/adTerms';
import type { Comparison } from '../comparison/comparison';
import { gapFigures } from '../comparison/gapFigures';
import { positionOf } from '../facts/positionOf';
import { openComparison } from '../comparison/openComparison';
import type { Workspace } from '../kept/workspace';

type Query = z.output<typeof paidQuery>;
type Row = AdTermRow & { key: string };

/** Paid against organic, and own ad search terms against the keyword list (method §15, §17). */
export async function paidView(workspace: Workspace, projectId: number, query: Query): Promise<PaidView> {
  const { own, state, balance, find, sort, offset, limit, ...scope } = query;
  const { comparison, revisions } = await openComparison(workspace, projectId, scope);
  const { project } = comparison;
  const { month: held, period: ads } = await adTermsOver(workspace, revisions, comparison, own);
  const targetCost = project.settings.targetCost ?? held.together?.costOfConversion ?? null;
  const { all, sold, volumes } = await termRows(workspace, comparison, ads, targetCost);
  const terms = [...ads.terms.values()];
  const groups = [...TERM_STATES, 'costly', 'no impressions'] as const;
  const belongs = (row: Row, group: (typeof groups)[number]): boolean =>
    group === 'costly' ? row.costly : group === 'no impressions' ? row.unseen !== null : row.state === group;
  const sought = key(find);
  const found = all.filter((row) => row.key.includes(sought));
  const shown = found.filter(
    (row) =>
      (state === undefined || belongs(row, state)) && (balance === undefined || row.balance === balance),
  );
  const figure = (row: Row): number => (sort === 'ctr' ? (row.shrunkCtr ?? -1) : row[sort]);
  shown.sort((a, b) => figure(b) - figure(a) || b.impressions - a.impressions || (a.key < b.key ? -1 : 1));
  const sum = (of: (term: AdTerm) => number): number => terms.reduce((total, term) => total + of(term), 0);
  const stakes = Array.from(gapFigures(comparison, 'at stake')).filter((cost) => !Number.isNaN(cost));
  return {
    from: ads.from,
    to: ads.to,
    currency: project.settings.currency,
    sides: sidesOf(comparison),
    keywords: comparison.keywords.length,
    looked: comparison.columns.paidLooked.reduce((sum, looked) => sum + looked, 0),
    unbid: unbidTogether(comparison),
    guide: project.settings.guideRatio,
    targetCost,
    targetCostSet: project.settings.targetCost !== null,
    sum: {
      impressions: sum((term) => term.impressions),
      clicks: sum((term) => term.clicks),
      cost: sum((term) => term.cost),
      conversions: sum((term) => term.conversions),
      value: sum((term) => term.value),
    },
    atStake: stakes.reduce((total, cost) => total + cost, 0),
    doubling: comparison.gaps.doubling.reduce((total, one) => total + one, 0),
    costKnown: stakes.length,
    counts: Object.fromEntries(
      groups.map((group) => [group, found.filter((row) => belongs(row, group)).length]),
    ) as PaidView['counts'],
    balances: Object.fromEntries(
      BALANCES.map((name) => [name, found.filter((row) => row.balance === name).length]),
    ) as PaidView['balances'],
    edges: balanceEdges(sold, volumes),
    total: shown.length,
    rows: shown.slice(offset, offset + limit).map(({ key: _, ...row }) => row),
  };
}

const UNBID = PAID_STATES.indexOf('unbid');

/** What rivals buy and we do not, all of it together. */
function unbidTogether(comparison: Comparison): PaidView['unbid'] {
  const { gaps, volume } = comparison;
  const together = { keywords: 0, searches: 0, adds: 0 };
  for (let i = 0; i < gaps.paid.length; i++) {
    if (gaps.paid[i] !== UNBID) continue;
    together.keywords++;
    together.searches += Number.isNaN(volume[i]!) ? 0 : volume[i]!;
    together.adds += Math.max(0, gaps.worthAMonth[i]! || 0);
  }
  return together;
}

/** Every own ad search term with what it brought, against the keyword list and what is known of it. */
async function termRows(
  { database }: Workspace,
  comparison: Comparison,
  ads: AdTerms,
  targetCost: number | null,
): Promise<{ all: Row[]; sold: Float64Array; volumes: Float64Array }> {
  const { market, project } = comparison;
  const terms = [...ads.terms.values()];
  const texts = await keywordsById(
    database,
    new Set(terms.flatMap(({ keyword, bidOn }) => [keyword, bidOn])),
  );
  const landings = await placesById(database, new Set(terms.map(({ place }) => place)));
  const listed = await listedKeywords(database, project.id, market.id);
  for (const { bidOn } of terms) listed.add(bidOn);
  const ctrs = shrunkCtrs(terms);
  const prior = ads.together?.prior ?? null;
  const sold = Float64Array.from(terms, ({ conversions, clicks }) =>
    prior === null || clicks === 0 ? NaN : shrunkRate(Math.min(conversions, clicks), clicks, prior),
  );
  const rowOf = new Map<number, number>();
  comparison.keywords.forEach((id, i) => rowOf.set(id, i));
  const volumes = Float64Array.from(
    terms,
    ({ keyword }) => comparison.volume[rowOf.get(keyword) ?? -1] ?? NaN,
  );
  const groupOf = balances(sold, volumes);
  const all = terms.map((term, n): Row => {
    const text = texts.get(term.keyword)!;
    const landing = landings.get(term.place) ?? null;
    const i = rowOf.get(term.keyword);
    const organic = i === undefined ? UNKNOWN : comparison.columns.ownOrganic[i]!;
    const title = landing === null || landing.title === '' ? null : new Set(words(key(landing.title)));
    const carried = title === null ? null : words(text.key).every((word) => title.has(word));
    const { bidOn: _, match: _m, place: _p, keyword: _k, ...figures } = term;
    return {
      ...figures,
      id: term.keyword,
      key: text.key,
      text: text.text,
      bidOn: texts.get(term.bidOn)?.text ?? '',
      match: MATCH_CODES[term.match]!,
      landing: landing?.address ?? null,
      ctr: rateOf(term.clicks, term.impressions),
      shrunkCtr: Number.isNaN(ctrs[n]!) ? null : ctrs[n]!,
      conversionRate: rateOf(term.conversions, term.clicks),
      shrunkConversion: Number.isNaN(sold[n]!) ? null : sold[n]!,
      volume: Number.isNaN(volumes[n]!) ? null : volumes[n]!,
      balance: groupOf[n]!,
      state: termState(listed.has(term.keyword), term.clicks),
      costly: isCostly(term, targetCost, project.settings.thresholds.costly),
      organic: positionOf(organic),
      doubling: isDoubling(organic, term.impressions > 0 ? 1 : UNKNOWN, project.settings.thresholds.doubling),
      carried,
      unseen:
        term.impressions > 0
          ? null
          : whyUnseen({
              covered: carried,
              bid: null,
              guide: null,
              volume: i === undefined ? null : comparison.volume[i]!,
            }),
    };
  });
  return { all, sold, volumes };
}

/** How many keywords each side ranks for and pays for (method §15); nothing is said of a side that nobody looked at. */
function sidesOf({ columns, sides, project }: Comparison): PaidView['sides'] {
  const counted = (column: Uint8Array): number | null => {
    let [known, ranked] = [0, 0];
    for (const place of column) {
      if (place !== UNKNOWN) known++;
      if (isRanked(place)) ranked++;
    }
    return known === 0 ? null : ranked;
  };
  const side = (name: string, letter: string | null, organic: Uint8Array, paid: Uint8Array) => {
    const [o, p] = [counted(organic), counted(paid)];
    const missing = o === null || p === null ? null : paidMissing(o, p, project.settings.guideRatio);
    return { name, letter, organic: o, paid: p, missing };
  };
  return [
    side(sides.ownName, null, columns.ownOrganic, columns.ownPaid),
    ...sides.rivals.map(({ name, letter }, r) =>
      side(name, letter, columns.rivalOrganic[r]!, columns.rivalPaid[r]!),
    ),
  ];
}
