import type { Project } from '@opsimath/contract/api/projects';
import { ACTIONS } from '@opsimath/core/gap/action';
import {
  type ComparisonColumns,
  type ElsewhereColumns,
  type GapColumns,
  compare,
} from '@opsimath/core/gap/compare';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { type Auction, bestBid } from '@opsimath/core/ads/paidForecast';
import { expectedVolume } from '@opsimath/core/demand/season';
import type { ClickCurve } from '@opsimath/core/ranking/clickThrough';
import { UNKNOWN } from '@opsimath/core/ranking/position';
import type { MarketRow } from '../../data/markets';
import type { AdTerms } from '../facts/adTerms';
import type { Borrowed } from '../facts/borrowed';
import { type CaptureFacts, captureFacts } from './captureFacts';
import { nothingElsewhere, unforetold } from './foretell';
import { elsewhereColumns } from './pageEffects';
import { filled, picked } from '../facts/columnMaps';
import type { ColumnStore } from '../kept/columnStore';
import { monthOf } from '../facts/demand';
import { type Metrics, seasonOf } from '../facts/metrics';
import type { Models } from '../models/models';
import type { Presumed } from '../facts/presumed';
import type { Sides } from '../facts/sides';
import type { Standings } from '../facts/standings';
import { costOfClick, worthColumns } from '../models/worthColumns';

/** What a comparison is made of. */
export interface ComparisonParts {
  /** All keywords of the project in the market, not some of them. */
  isWhole: boolean;
  project: Project;
  market: MarketRow;
  date: string;
  compareDate: string | null;
  sides: Sides;
  now: Standings;
  before: Standings | null;
  metrics: Metrics;
  /** Keyword ids, ascending. */
  keywords: Int32Array;
  models: Models;
  ads: AdTerms;
  /** Auctions observed lately, by keyword. */
  auctions: ReadonlyMap<number, readonly Auction[]>;
  /** Keywords of which somebody typed a position in. */
  byHand: ReadonlySet<number>;
  /** Volumes lent by another surface, where the settings want them. */
  borrowed: Borrowed | null;
  /** Sides presumed absent, by entry of the standings. */
  presumed: Presumed;
}

/** A finished comparison: one entry a keyword in every column, in the order of `keywords`. */
export interface Comparison extends CaptureFacts, ComparisonParts {
  /** The comparison of all keywords of the project, where this is of some: what an action does elsewhere is read there. */
  whole: Comparison | null;
  curve: ClickCurve;
  /** The keywords as indices into the standings. */
  rows: Int32Array;
  columns: ComparisonColumns;
  gaps: GapColumns;
  volume: Float64Array;
  /** Index into WORTH_SOURCES. */
  worthSource: Uint8Array;
  /** How sure the worth is: σ of its logarithm. */
  worthSigma: Float64Array;
  /** Index into VERDICTS. */
  verdicts: Uint8Array;
  /** Index into WARY. */
  wary: Uint8Array;
  /** 1 where the keyword holds our name, plus 2 where it holds a rival's. */
  names: Uint8Array;
  effort: Float64Array;
}

/** Gathers the columns of method §5–§8 from what was read, and compares. */
export async function buildComparison(store: ColumnStore, parts: ComparisonParts): Promise<Comparison> {
  const { now, before, metrics, keywords, date } = parts;
  const rows = keywords.map((id) => id - now.base);
  const size = rows.length;
  const pick = (column: Uint8Array): Uint8Array => picked(column, rows);
  const month = monthOf(date);
  const { worth, worthSource, worthSigma } = worthColumns(parts, rows);
  const volume = filled(new Float64Array(size), (i) => {
    const known = metrics.volume[rows[i]!]!;
    const id = keywords[i]!;
    return Number.isNaN(known) ? (parts.borrowed?.volumes.get(id) ?? NaN) : known;
  });
  const paid = (of: (term: { clicks: number; cost: number }) => number): Float64Array =>
    filled(new Float64Array(size), (i) => {
      const id = keywords[i]!;
      const term = parts.ads.terms.get(id);
      return term === undefined ? NaN : of(term);
    });
  const columns: ComparisonColumns = {
    ownOrganic: pick(now.own.organic),
    ownPaid: pick(now.own.paid),
    ownBefore: before ? pick(before.own.organic) : new Uint8Array(size).fill(UNKNOWN),
    rivalOrganic: now.rivals.map((rival) => pick(rival.organic)),
    rivalPaid: now.rivals.map((rival) => pick(rival.paid)),
    paidLooked: pick(now.paidLooked),
    expectedVolume: filled(new Float64Array(size), (i) =>
      expectedVolume(volume[i]!, seasonOf(metrics, rows[i]!), month),
    ),
    featureFactor: new Float64Array(size).fill(1),
    ...unforetold(size),
    ...nothingElsewhere(size),
    worth,
    clickCost: filled(new Float64Array(size), (i) => costOfClick(parts, keywords[i]!, rows[i]!)),
    fit: new Float64Array(size).fill(parts.project.settings.fits.unjudged),
    served: new Uint8Array(size),
    paidClicks: paid(({ clicks }) => clicks),
    paidCost: paid(({ cost }) => cost),
    bidClicks: new Float64Array(size).fill(NaN),
    bidCost: new Float64Array(size).fill(NaN),
    ownTargets: pick(now.ownTargets),
    chosen: new Uint8Array(size),
  };
  keywords.forEach((keyword, i) => {
    const auctions = parts.auctions.get(keyword);
    const bid = auctions && bestBid(auctions, columns.expectedVolume[i]!, worth[i]!);
    if (!bid) return;
    columns.bidClicks[i] = bid.clicks;
    columns.bidCost[i] = bid.cost;
  });
  const facts = await captureFacts(store, parts, rows, columns);
  return compared({
    ...parts,
    ...facts,
    whole: null,
    curve: parts.models.curve,
    rows,
    columns,
    volume,
    worthSource,
    worthSigma,
    verdicts: new Uint8Array(size).fill(VERDICTS.indexOf('unjudged')),
    wary: new Uint8Array(size),
    names: new Uint8Array(size),
  });
}

/** Entry of a keyword by id, −1 where it is not compared. */
export function entryOf({ keywords }: Pick<Comparison, 'keywords'>, id: number): number {
  let [low, high] = [0, keywords.length - 1];
  while (low <= high) {
    const middle = (low + high) >> 1;
    if (keywords[middle] === id) return middle;
    if (keywords[middle]! < id) low = middle + 1;
    else high = middle - 1;
  }
  return -1;
}

/** Searches a month expected of a keyword by id (method §2); NaN where they are unknown, or it is not compared. */
export function demandOf(comparison: Pick<Comparison, 'keywords' | 'columns'>, id: number): number {
  const entry = entryOf(comparison, id);
  return entry < 0 ? NaN : comparison.columns.expectedVolume[entry]!;
}

/** What actions do elsewhere, for some of the keywords that it was worked out for. */
function pickedElsewhere(
  whole: Comparison,
  { clicks, value }: ElsewhereColumns,
  keywords: Int32Array,
): ElsewhereColumns {
  const entries = keywords.map((id) => entryOf(whole, id));
  const of = (column: Float64Array): Float64Array =>
    Float64Array.from(entries, (entry) => (entry < 0 ? 0 : column[entry]!));
  return { clicks: of(clicks), value: of(value) };
}

/** Gaps, priorities and actions of what was gathered. */
function compared(given: Omit<Comparison, 'gaps' | 'effort'>): Comparison {
  const { front, efforts, thresholds, shareMoved } = given.project.settings;
  const { worth, fit } = given.columns;
  const { whole, effects, keywords } = given;
  const columns = {
    ...given.columns,
    ...(whole === null
      ? {
          elsewhereRetitled: elsewhereColumns(effects.retitled, worth, fit),
          elsewhereStrengthened: elsewhereColumns(effects.strengthened, worth, fit),
        }
      : {
          elsewhereRetitled: pickedElsewhere(whole, whole.columns.elsewhereRetitled, keywords),
          elsewhereStrengthened: pickedElsewhere(whole, whole.columns.elsewhereStrengthened, keywords),
        }),
  };
  const gathered = { ...given, columns };
  const { surface } = gathered.market;
  const gaps = compare(columns, {
    surface,
    front,
    efforts,
    movement: thresholds,
    doubling: thresholds.doubling,
    shareMoved,
  });
  const days = ACTIONS.map((action) => efforts[action]);
  const effort = filled(new Float64Array(gaps.action.length), (i) => days[gaps.action[i]!]!);
  return { ...gathered, gaps, effort };
}

const UNJUDGED = VERDICTS.indexOf('unjudged');

/** The same comparison with what people have said of keywords: verdicts, and what to do; nothing is read again for it. */
export function withWords(
  comparison: Comparison,
  { ids, codes }: { ids: Int32Array; codes: Uint8Array },
  choices: ReadonlyMap<number, number>,
  waryOf: ReadonlyMap<number, number>,
  namesOf: ReadonlyMap<number, number>,
  whole: Comparison | null,
): Comparison {
  const nothingSaid = ids.length === 0 && choices.size === 0 && waryOf.size === 0;
  if (nothingSaid && namesOf.size === 0 && whole === null) return comparison;
  const codeOf = new Map<number, number>();
  ids.forEach((id, n) => codeOf.set(id, codes[n]!));
  const { keywords } = comparison;
  const byId = (of: (id: number) => number): Uint8Array =>
    filled(new Uint8Array(keywords.length), (i) => of(keywords[i]!));
  const verdicts = byId((id) => codeOf.get(id) ?? UNJUDGED);
  const { fits } = comparison.project.settings;
  const wary = byId((id) => waryOf.get(id) ?? 0);
  const names = byId((id) => namesOf.get(id) ?? 0);
  // Whoever judged a keyword has seen what it holds.
  const unjudged = [fits.unjudged, fits.adjacent, fits.off];
  const fit = filled(new Float64Array(keywords.length), (i) =>
    verdicts[i] === UNJUDGED ? unjudged[wary[i]!]! : fits[VERDICTS[verdicts[i]!]!],
  );
  const chosen = byId((id) => (choices.get(id) ?? -1) + 1);
  return compared({
    ...comparison,
    whole,
    verdicts,
    wary,
    names,
    columns: { ...comparison.columns, fit, chosen },
  });
}

/** A figure of a comparison's keywords by entry of the standings; NaN elsewhere. */
export function byStanding({ now, rows }: Comparison, figures: Float64Array): Float64Array {
  const spread = new Float64Array(now.size).fill(NaN);
  for (let i = 0; i < rows.length; i++) spread[rows[i]!] = figures[i]!;
  return spread;
}
