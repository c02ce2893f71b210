import { DAY_MS } from '@opsimath/core/day';
import { readLimits, writeLimits } from '@opsimath/contract/api/gapLimits';
import { type GapMark, action, gapKind, gapMark, gapSort, paidState } from '@opsimath/contract/api/gaps';
import { FOUND_BY, type FoundBy, matchMode } from '@opsimath/contract/api/lookUps';
import { readPeriod } from '@opsimath/core/demand/period';
import type { Action } from '@opsimath/core/gap/action';
import type { GapKind } from '@opsimath/core/gap/kind';
import type { PaidState } from '@opsimath/core/gap/paid';
import { DEPTH_BANDS, type DepthBand } from '@opsimath/core/ranking/position';
import { VERDICTS, type Verdict } from '@opsimath/core/sift/sieve';
import type { MatchMode } from '@opsimath/core/text/match';
import { LANGUAGES, type Language } from '@opsimath/core/text/stems';

/** Everything that a view shows, as it stands in the address, so that a link reopens it. */
export interface Scope {
  market: string;
  date: string;
  compare: string;
  /** Period of own search performance. */
  own: string;
  pool: number | null;
  kinds: GapKind[];
  paid: PaidState[];
  marks: GapMark[];
  find: string;
  /** List that is compared instead of a pool, or those keywords that are followed. */
  list: number | null;
  only: 'tracked' | '';
  /** Rivals of which one at least is within the front, by id. */
  rivals: number[];
  bands: DepthBand[];
  verdicts: Verdict[];
  actions: Action[];
  /** Limits of figures, as the API writes them. */
  limits: string;
  inList: number | null;
  cluster: number | null;
  /** Address of the own target that ranks. */
  answering: string;
  /** Gaps in groups. */
  by: 'cluster' | 'target' | 'action' | '';
  /** Orders of gaps: `-priority,keyword`. */
  sort: string;
  /** Columns of the gap table beside the usual ones. */
  gapColumns: string[];
  /** Keyword whose dossier is open. */
  open: number | null;
  /** Look-up whose pool is open, and how it is shown. */
  lookUp: number | null;
  /** Empty for the usual order of the pool (poolOrder). */
  poolSort: string;
  poolFind: string;
  poolWords: string;
  poolMode: MatchMode;
  poolFound: FoundBy[];
  /** Words none of whose stems a keyword may hold. */
  poolWithout: string;
  /** Recipe that the pool is run through; none hides nothing. */
  recipe: number | null;
  /** Columns of Sift beside the usual ones, and the language in which its keywords are said a second time. */
  siftColumns: string[];
  into: Language | '';
  /** Columns that are shown; empty for the usual ones. */
  columns: string[];
  /** The open part of a stage that has several. */
  view: string;
  /** Target whose panel is open. */
  target: number | null;
  /** Seed keyword whose front is shown. */
  seed: string;
}

/** Values that are not written into the address. */
const USUAL: Partial<Record<keyof Scope, string>> = {
  sort: '-priority',
  poolMode: 'any word',
  own: '28 days',
};
const ISO_DAY = /^\d{4}-\d{2}-\d{2}$/;
const NO_COMPARE = 'none';

/** Reads a scope from an address. What makes no sense is as if it were not there. */
export function readScope(params: URLSearchParams): Scope {
  const text = (name: string): string => params.get(name) ?? '';
  const day = (name: string): string => (ISO_DAY.test(text(name)) ? text(name) : '');
  const id = (name: string): number | null =>
    /^[1-9]\d{0,14}$/.test(text(name)) ? Number(text(name)) : null;
  const several = <T extends string>(name: string, allowed: readonly T[]): T[] =>
    text(name)
      .split(',')
      .filter((part): part is T => (allowed as readonly string[]).includes(part));
  return {
    market: text('market'),
    date: day('date'),
    compare: text('compare') === NO_COMPARE ? NO_COMPARE : day('compare'),
    own: readPeriod(text('own')) === null ? '28 days' : text('own'),
    pool: id('pool'),
    kinds: several('kinds', gapKind.options),
    paid: several('paid', paidState.options),
    marks: several('marks', gapMark.options),
    find: text('find'),
    list: id('list'),
    only: several('only', ['tracked' as const])[0] ?? '',
    rivals: text('rivals')
      .split(',')
      .filter((part) => /^[1-9]\d{0,14}$/.test(part))
      .map(Number),
    bands: several('bands', DEPTH_BANDS),
    verdicts: several('verdicts', VERDICTS),
    actions: several('actions', action.options),
    limits: writeLimits(readLimits(text('limits'))),
    inList: id('inList'),
    cluster: id('cluster'),
    answering: text('answering'),
    by: several('by', ['cluster', 'target', 'action'] as const)[0] ?? '',
    sort: readSort(text('sort')),
    gapColumns: text('gapColumns').split(',').filter(Boolean),
    open: id('open'),
    lookUp: id('lookUp'),
    poolSort: text('poolSort'),
    poolFind: text('poolFind'),
    poolWords: text('poolWords'),
    poolMode: several('poolMode', matchMode.options)[0] ?? 'any word',
    poolFound: several('poolFound', FOUND_BY),
    poolWithout: text('poolWithout'),
    recipe: id('recipe'),
    siftColumns: text('siftColumns').split(',').filter(Boolean),
    into: several('into', LANGUAGES)[0] ?? '',
    columns: text('columns').split(',').filter(Boolean),
    view: text('view'),
    target: id('target'),
    seed: text('seed'),
  };
}

/** Orders of gaps that are known; the usual one without any. */
function readSort(text: string): string {
  const known = text
    .split(',')
    .filter((part) => (gapSort.options as readonly string[]).includes(part.replace(/^-/, '')));
  return known.length > 0 ? known.join(',') : '-priority';
}

/** Writes changes into an address, leaving the rest of it as it is. Empty values are taken out. */
export function writeScope(params: URLSearchParams, change: Partial<Scope>): URLSearchParams {
  const next = new URLSearchParams(params);
  const current = readScope(params);
  const merged = { ...current, ...change };
  const set = (name: string, value: string): void =>
    value === '' ? next.delete(name) : next.set(name, value);
  for (const name of Object.keys(change) as (keyof Scope)[]) {
    const value = merged[name];
    const usual = USUAL[name];
    const written = Array.isArray(value) ? value.join(',') : value === null ? '' : String(value);
    set(name, written === usual ? '' : written);
  }
  return next;
}

/** The same address with another part of a stage open. */
export function searchWithView(search: string, view: string): string {
  return `?${writeScope(new URLSearchParams(search), { view }).toString()}`;
}

/** The compare-with date for questions to the API: nothing when comparing is switched off. */
export function comparedWith(scope: Pick<Scope, 'compare'>): string | undefined {
  return scope.compare === '' || scope.compare === NO_COMPARE ? undefined : scope.compare;
}
export { NO_COMPARE };

interface Known {
  markets: readonly { code: string }[];
  today: string;
  dates: readonly { date: string; captures: number; rankings: number }[];
}
const QUARTER_DAYS = 90;

/**
 * What an address leaves open: the first market; the newest date with facts, else the services' today; compared
 * with the broadest captures some three months before.
 */
export function scopeDefaults(scope: Scope, known: Known): Partial<Scope> {
  const change: Partial<Scope> = {};
  if (!known.markets.some((market) => market.code === scope.market) && known.markets[0]) {
    change.market = known.markets[0].code;
  }
  const date = scope.date || known.dates.find((entry) => entry.date <= known.today)?.date || known.today;
  if (scope.date === '') change.date = date;
  if (scope.compare === '') {
    const earlier = known.dates.filter((entry) => entry.date < date && entry.captures > 0);
    const wanted = Date.parse(date) - QUARTER_DAYS * DAY_MS;
    const distance = (entry: { date: string }): number => Math.abs(Date.parse(entry.date) - wanted);
    const most = Math.max(0, ...earlier.map((entry) => entry.captures));
    const broad = earlier
      .filter((entry) => entry.captures >= most / 2)
      .sort((a, b) => distance(a) - distance(b));
    if (broad[0]) change.compare = broad[0].date;
  }
  return change;
}
