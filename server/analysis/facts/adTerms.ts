import { periodDays, readPeriod } from '@opsimath/core/demand/period';
import { dayOf, isoDayOf } from '@opsimath/core/day';
import { conversionsTogether } from '@opsimath/core/ads/searchTerms';
import { findSegments } from '../../data/segments/segments';
import type { Revisions } from '../../data/grounds';
import { givingWay } from '../kept/giveWay';
import type { ColumnStore } from '../kept/columnStore';
import { byFile } from './ownFigures';
import type { Workspace } from '../kept/workspace';

/** One own ad search term over a period. */
export interface AdTerm {
  keyword: number;
  /** Keyword that was bid on most often for it, and its match type as an index into MATCH_CODES. */
  bidOn: number;
  match: number;
  /** Landing place that got most clicks. */
  place: number;
  impressions: number;
  clicks: number;
  cost: number;
  conversions: number;
  value: number;
}

export interface AdTerms {
  terms: Map<number, AdTerm>;
  /** What each keyword bid on, by match type, brought over all terms. */
  bids: AdTerm[];
  /** Days that are told of, ISO; `null` where nothing is held. */
  from: string | null;
  to: string | null;
  together: ReturnType<typeof conversionsTogether>;
}

/** A month of ads says what a month costs. */
const USUAL_DAYS = 30;
const FIGURES = ['impressions', 'clicks', 'cost', 'conversions', 'value'] as const;

/** One row, or all rows of one file that say the same of who, where, when and for what. */
export interface AdRow extends AdTerm {
  day: number;
}

/**
 * Own ad search terms of the last 30 days held on or before a date, or of some days. Rows of one file that share term,
 * landing page, day, keyword bid on and match type add up; a newer file replaces what an older one says of them.
 */
export function adTermsUntil(
  workspace: Workspace,
  revisions: Revisions,
  projectId: number,
  marketId: number,
  date: string,
  period: { from: string; to: string } | null = null,
): Promise<AdTerms> {
  return workspace.keep('ad terms', revisions, [projectId, marketId, date, period], () =>
    gatherTerms(workspace, revisions, projectId, marketId, date, period),
  );
}

/** Own ad terms of the month held on or before a date, and those of a period that ends with it; the same where none are. */
export async function adTermsOver(
  workspace: Workspace,
  revisions: Revisions,
  { project, market, date }: { project: { id: number }; market: { id: number }; date: string },
  own: string,
): Promise<{ month: AdTerms; period: AdTerms }> {
  const month = await adTermsUntil(workspace, revisions, project.id, market.id, date);
  if (month.to === null) return { month, period: month };
  const days = periodDays(readPeriod(own)!, month.to);
  return { month, period: await adTermsUntil(workspace, revisions, project.id, market.id, date, days) };
}

async function gatherTerms(
  workspace: Workspace,
  revisions: Revisions,
  projectId: number,
  marketId: number,
  date: string,
  period: { from: string; to: string } | null,
): Promise<AdTerms> {
  const held = await adRowsOf(workspace, revisions, projectId, marketId);
  const last = dayOf(period?.to ?? date);
  const rows = held.filter(({ day }) => day <= last);
  const newest = rows.reduce((most, { day }) => Math.max(most, day), 0);
  if (newest === 0) return { terms: new Map(), bids: [], from: null, to: null, together: null };
  const first = period ? dayOf(period.from) : newest - USUAL_DAYS + 1;
  const inside = rows.filter(({ day }) => day >= first);
  const terms = termsOf(inside);
  return {
    terms,
    bids: summed(inside, ({ bidOn, match }) => `${bidOn}:${match}`),
    from: isoDayOf(first),
    to: period?.to ?? isoDayOf(newest),
    together: conversionsTogether([...terms.values()]),
  };
}

/** Own ad terms of a market day by day, from memory where nothing has changed. */
export function adRowsOf(
  workspace: Workspace,
  revisions: Revisions,
  projectId: number,
  marketId: number,
): Promise<AdRow[]> {
  return workspace.keep('ad rows', revisions, [projectId, marketId], () =>
    adRows(workspace, projectId, marketId),
  );
}

/** Everything that is held of own ad terms, each row once. */
async function adRows({ database, store }: Workspace, projectId: number, marketId: number): Promise<AdRow[]> {
  const rows = new Map<string, AdRow>();
  const segments = await findSegments(database, { marketId, kind: 'ad terms', projectId });
  for (const file of byFile(segments)) {
    const ofFile = new Map<string, AdRow>();
    for (const segment of file) await addRows(store, segment.id, ofFile);
    for (const [name, row] of ofFile) rows.set(name, row);
  }
  return [...rows.values()];
}

async function addRows(store: ColumnStore, segment: number, rows: Map<string, AdRow>): Promise<void> {
  const whole = (name: string) => store.column<Int32Array>(segment, name);
  const exact = (name: string) => store.column<Float64Array>(segment, name);
  const [keyword, place, day, bidOn, clicks] = [
    await whole('keyword'),
    await whole('place'),
    await whole('day'),
    await whole('bidOn'),
    await whole('clicks'),
  ];
  const match = await store.column<Uint8Array>(segment, 'match');
  const [impressions, cost, conversions, value] = [
    await exact('impressions'),
    await exact('cost'),
    await exact('conversions'),
    await exact('value'),
  ];
  const giveWay = givingWay();
  for (let at = 0; at < day.length; at++) {
    if (at % 4096 === 0) await giveWay();
    const row: AdRow = {
      keyword: keyword[at]!,
      place: place[at]!,
      day: day[at]!,
      bidOn: bidOn[at]!,
      match: match[at]!,
      clicks: clicks[at]!,
      impressions: impressions[at]!,
      cost: cost[at]!,
      conversions: conversions[at]!,
      value: value[at]!,
    };
    const name = [row.keyword, row.place, row.day, row.bidOn, row.match].join(':');
    const known = rows.get(name);
    if (known) addFigures(known, row);
    else rows.set(name, row);
  }
}

function addFigures(sum: AdTerm, row: AdTerm): void {
  for (const figure of FIGURES) sum[figure] += row[figure];
}

/** Rows of one name together. */
function summed(rows: readonly AdRow[], nameOf: (row: AdRow) => string): AdTerm[] {
  const sums = new Map<string, AdTerm>();
  for (const row of rows) {
    const name = nameOf(row);
    const known = sums.get(name);
    if (known) addFigures(known, row);
    else {
      const { day: _, ...figures } = row;
      sums.set(name, figures);
    }
  }
  return [...sums.values()];
}

/** Each term once, with what was bid on for it and the landing place that got most of its clicks, all rows together. */
function termsOf(rows: readonly AdRow[]): Map<number, AdTerm> {
  const bids = mostClicked(rows, ({ bidOn, match }) => `${bidOn}:${match}`);
  const places = mostClicked(rows, ({ place }) => String(place));
  return new Map(
    summed(rows, ({ keyword }) => String(keyword)).map((term) => {
      const { bidOn, match } = bids.get(term.keyword)!;
      return [term.keyword, { ...term, bidOn, match, place: places.get(term.keyword)!.place }];
    }),
  );
}

/** Of each term the sum with most clicks; of equal ones that with most impressions, then the one named first. */
function mostClicked(rows: readonly AdRow[], nameOf: (row: AdRow) => string): Map<number, AdTerm> {
  const best = new Map<number, AdTerm>();
  for (const sum of summed(rows, (row) => `${row.keyword}:${nameOf(row)}`)) {
    const known = best.get(sum.keyword);
    const more =
      !known ||
      sum.clicks > known.clicks ||
      (sum.clicks === known.clicks && (sum.impressions || 0) > (known.impressions || 0));
    if (more) best.set(sum.keyword, sum);
  }
  return best;
}
