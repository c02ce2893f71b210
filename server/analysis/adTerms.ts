import { conversionsTogether } from '@opsimath/core/ads/searchTerms';
import { findSegments } from '../data/segments/segments';
import type { Workspace } from './workspace';

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
  /** Days that are told of, ISO; `null` where nothing is held. */
  from: string | null;
  to: string | null;
  together: ReturnType<typeof conversionsTogether>;
}

/** A month of ads says what a month costs. */
const USUAL_DAYS = 30;
const DAY_MS = 86_400_000;
const isoDay = (day: number): string => new Date(day * DAY_MS).toISOString().slice(0, 10);

/**
 * Own ad search terms of the last 30 days held on or before a date, or of some days. The same term, landing page and day
 * in two imports counts once, as the newer says.
 */
export async function adTermsUntil(
  { database, store }: Workspace,
  projectId: number,
  marketId: number,
  date: string,
  period: { from: string; to: string } | null = null,
): Promise<AdTerms> {
  const segments = await findSegments(database, { marketId, kind: 'ad terms', projectId });
  const last = Math.floor(Date.parse(period?.to ?? date) / DAY_MS);
  const rows = new Map<string, AdTerm & { day: number }>();
  let newest = 0;
  for (const segment of segments.sort((a, b) => a.id - b.id)) {
    const whole = async (name: string) => store.column<Int32Array>(segment.id, name);
    const exact = async (name: string) => store.column<Float64Array>(segment.id, name);
    const [keyword, place, day, bidOn, clicks] = [
      await whole('keyword'),
      await whole('place'),
      await whole('day'),
      await whole('bidOn'),
      await whole('clicks'),
    ];
    const match = await store.column<Uint8Array>(segment.id, 'match');
    const [impressions, cost, conversions, value] = [
      await exact('impressions'),
      await exact('cost'),
      await exact('conversions'),
      await exact('value'),
    ];
    for (let row = 0; row < day.length; row++) {
      if (day[row]! > last) continue;
      newest = Math.max(newest, day[row]!);
      rows.set(`${keyword[row]!}:${place[row]!}:${day[row]!}:${bidOn[row]!}`, {
        day: day[row]!,
        keyword: keyword[row]!,
        bidOn: bidOn[row]!,
        match: match[row]!,
        place: place[row]!,
        impressions: impressions[row]!,
        clicks: clicks[row]!,
        cost: cost[row]!,
        conversions: conversions[row]!,
        value: value[row]!,
      });
    }
  }
  if (newest === 0) return { terms: new Map(), from: null, to: null, together: null };
  const first = period ? Math.floor(Date.parse(period.from) / DAY_MS) : newest - USUAL_DAYS + 1;
  const terms = new Map<number, AdTerm>();
  for (const { day, ...row } of rows.values()) {
    if (day < first) continue;
    const known = terms.get(row.keyword);
    if (!known) {
      terms.set(row.keyword, row);
      continue;
    }
    const clicksBefore = known.clicks;
    for (const name of ['impressions', 'clicks', 'cost', 'conversions', 'value'] as const)
      known[name] += row[name];
    if (row.clicks > clicksBefore)
      [known.place, known.bidOn, known.match] = [row.place, row.bidOn, row.match];
  }
  return {
    terms,
    from: isoDay(first),
    to: period?.to ?? isoDay(newest),
    together: conversionsTogether([...terms.values()]),
  };
}
