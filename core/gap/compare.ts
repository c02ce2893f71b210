import type { Brought, Foretold, PlanFacts } from '../plan/facts';
import { best } from '../plan/weigh';
import type { Surface } from '../text/surfaces';
import { ACTIONS, type Efforts } from './action';
import { GAP_KINDS, gapKind, rivalStanding } from './kind';
import { type MovementLimits, moved, movementMark } from './movement';
import { SHARE_MOVED, isDoubling, paidState } from './paid';
import { targetPosition } from './target';

/** A forecast a keyword: P(within F) and the click-through to be expected; NaN where it is unknown or not to be had. */
export interface ForetoldColumns {
  chance: Float64Array;
  clickThrough: Float64Array;
}

/** What an action on the page of each keyword does to other keywords of that page, a month. */
export interface ElsewhereColumns {
  clicks: Float64Array;
  value: Float64Array;
}

/**
 * Everything a comparison rests on: one entry a keyword in every column, in the same order.
 * Positions are column values (ranking/position). NaN marks an unknown figure.
 */
export interface ComparisonColumns {
  ownOrganic: Uint8Array;
  ownPaid: Uint8Array;
  ownBefore: Uint8Array;
  /** One column a rival. */
  rivalOrganic: readonly Uint8Array[];
  rivalPaid: readonly Uint8Array[];
  /** 1 where the paid slots at the date are known. */
  paidLooked: Uint8Array;
  /** V: searches a month expected over the coming three months. */
  expectedVolume: Float64Array;
  /** From the features above the organic results; 1 where there is no capture. */
  featureFactor: Float64Array;
  /** Without any action, and after each. */
  asIs: ForetoldColumns;
  retitled: ForetoldColumns;
  strengthened: ForetoldColumns;
  written: ForetoldColumns;
  elsewhereRetitled: ElsewhereColumns;
  elsewhereStrengthened: ElsewhereColumns;
  /** Worth of a click. */
  worth: Float64Array;
  /** Expected cost of a click; NaN if unknown. */
  clickCost: Float64Array;
  /** 0–1 by verdict (FIT). */
  fit: Float64Array;
  /** 1 where some own target ranks or holds every word. */
  served: Uint8Array;
  /** What own ads bring and cost a month; NaN where no ad terms tell. */
  paidClicks: Float64Array;
  paidCost: Float64Array;
  /** What the best bid would bring and cost by the auctions observed; NaN where none was. */
  bidClicks: Float64Array;
  bidCost: Float64Array;
  /** How many own targets the capture holds. */
  ownTargets: Uint8Array;
  /** What somebody chose to do, as an index into ACTIONS and one more; 0 where nobody did. */
  chosen: Uint8Array;
}

export interface ComparisonSettings {
  surface: Surface;
  front: number;
  efforts: Efforts;
  /** What the project sets; the usual ones where nothing is. */
  movement?: MovementLimits;
  doubling?: number;
  /** Share of paid clicks that move to our organic result once a bid is gone. */
  shareMoved?: number;
}

/** The gaps, one entry a keyword, in the order of the input. */
export interface GapColumns {
  /** Index into GAP_KINDS. */
  kind: Uint8Array;
  /** Index into PAID_STATES. */
  paid: Uint8Array;
  doubling: Uint8Array;
  rivalBest: Uint8Array;
  spread: Uint8Array;
  /** Δ, positive is up; NaN unless both are positions. */
  moved: Float64Array;
  /** Index into MOVEMENT_MARKS. */
  movement: Uint8Array;
  /** p*, 0 for unknown. */
  aim: Uint8Array;
  /** Best alternative as an index into ACTIONS. */
  action: Uint8Array;
  /** P(within F) after it; NaN if unknown. */
  chance: Float64Array;
  /** Clicks a month that it adds on the keyword itself, and on others of the same page; NaN if unknown. */
  gain: Float64Array;
  elsewhere: Float64Array;
  /** What those other keywords bring, a month; 0 where none is touched. */
  elsewhereValue: Float64Array;
  /** Its value a month; 0 for *hold* and *merge*, NaN if unknown. */
  worthAMonth: Float64Array;
  /** Its value for a day of work; NaN if unknown, and where nothing is to be done. */
  priority: Float64Array;
}

/**
 * The comparison of method §5–§8 over columns. Linear in keywords × rivals, nothing allocated a keyword
 * but the rivals' row. Throws a RangeError when a column is shorter than `ownOrganic`.
 */
export function compare(columns: ComparisonColumns, settings: ComparisonSettings): GapColumns {
  const size = columns.ownOrganic.length;
  checkLengths(columns, size);
  const gaps = emptyGaps(size);
  const rivals = columns.rivalOrganic.length;
  const organicRow = new Uint8Array(rivals);
  const paidRow = new Uint8Array(rivals);
  for (let i = 0; i < size; i++) {
    for (let rival = 0; rival < rivals; rival++) {
      organicRow[rival] = columns.rivalOrganic[rival]![i]!;
      paidRow[rival] = columns.rivalPaid[rival]![i]!;
    }
    const own = columns.ownOrganic[i]!;
    const ownPaid = columns.ownPaid[i]!;
    const standing = rivalStanding(organicRow, settings.front);
    const kind = gapKind(own, standing.best, settings.front);
    gaps.kind[i] = kind;
    gaps.rivalBest[i] = standing.best;
    gaps.spread[i] = standing.spread;
    gaps.paid[i] = paidState(columns.paidLooked[i] === 1, ownPaid, paidRow);
    const doubling = isDoubling(own, ownPaid, settings.doubling);
    gaps.doubling[i] = doubling ? 1 : 0;
    gaps.moved[i] = moved(columns.ownBefore[i]!, own) ?? NaN;
    gaps.movement[i] = movementMark(columns.ownBefore[i]!, own, settings.front, settings.movement);
    gaps.aim[i] = targetPosition(kind, own, organicRow, standing.best, settings.front);

    noteBest(gaps, i, GAP_KINDS[kind] !== 'unknown', columns, settings);
  }
  return gaps;
}

const CAPTURE_FIRST = ACTIONS.indexOf('capture first');
const MERGE = ACTIONS.indexOf('merge');
const HOLD = ACTIONS.indexOf('hold');

/** Notes the best alternative of one keyword (method §8), or why there is none. */
function noteBest(
  gaps: GapColumns,
  i: number,
  known: boolean,
  columns: ComparisonColumns,
  settings: ComparisonSettings,
): void {
  if (!known) {
    gaps.action[i] = CAPTURE_FIRST;
    gaps.chance[i] = gaps.gain[i] = gaps.elsewhere[i] = gaps.worthAMonth[i] = gaps.priority[i] = NaN;
    return;
  }
  const own = columns.chosen[i]!;
  const chosen = best(
    planFacts(columns, i, gaps.doubling[i] === 1, settings),
    settings.efforts,
    own === 0 ? null : ACTIONS[own - 1]!,
  );
  if (chosen === null) {
    gaps.action[i] = columns.ownTargets[i]! >= 2 ? MERGE : HOLD;
    gaps.chance[i] = columns.asIs.chance[i]!;
    gaps.priority[i] = NaN;
    return;
  }
  gaps.action[i] = ACTIONS.indexOf(chosen.action);
  gaps.chance[i] = chosen.chance;
  gaps.gain[i] = chosen.clicks;
  gaps.elsewhere[i] = chosen.elsewhere.clicks;
  gaps.elsewhereValue[i] = chosen.elsewhere.value;
  gaps.worthAMonth[i] = chosen.value;
  gaps.priority[i] = chosen.priority;
}

/** What the alternatives of one keyword are chosen from. */
export function planFacts(
  columns: ComparisonColumns,
  i: number,
  doubling: boolean,
  { surface, shareMoved = SHARE_MOVED }: Pick<ComparisonSettings, 'surface' | 'shareMoved'>,
): PlanFacts {
  const brought = ({ clicks, value }: ElsewhereColumns): Brought => ({
    clicks: clicks[i]!,
    value: value[i]!,
  });
  const foretold = ({ chance, clickThrough }: ForetoldColumns): Foretold => ({
    chance: chance[i]!,
    clickThrough: clickThrough[i]!,
  });
  return {
    surface,
    shareMoved,
    own: columns.ownOrganic[i]!,
    ownPaid: columns.ownPaid[i]!,
    doubling,
    served: columns.served[i] === 1,
    demand: columns.expectedVolume[i]! * columns.featureFactor[i]!,
    searches: columns.expectedVolume[i]!,
    worth: columns.worth[i]!,
    clickCost: columns.clickCost[i]!,
    fit: columns.fit[i]!,
    paidClicks: columns.paidClicks[i]!,
    paidCost: columns.paidCost[i]!,
    bidClicks: columns.bidClicks[i]!,
    bidCost: columns.bidCost[i]!,
    asIs: foretold(columns.asIs),
    retitled: foretold(columns.retitled),
    strengthened: foretold(columns.strengthened),
    written: foretold(columns.written),
    elsewhere: {
      retitled: brought(columns.elsewhereRetitled),
      strengthened: brought(columns.elsewhereStrengthened),
    },
  };
}

function emptyGaps(size: number): GapColumns {
  return {
    kind: new Uint8Array(size),
    paid: new Uint8Array(size),
    doubling: new Uint8Array(size),
    rivalBest: new Uint8Array(size),
    spread: new Uint8Array(size),
    moved: new Float64Array(size),
    movement: new Uint8Array(size),
    aim: new Uint8Array(size),
    chance: new Float64Array(size),
    gain: new Float64Array(size),
    elsewhere: new Float64Array(size),
    elsewhereValue: new Float64Array(size),
    worthAMonth: new Float64Array(size),
    action: new Uint8Array(size),
    priority: new Float64Array(size),
  };
}

function checkLengths(columns: ComparisonColumns, size: number): void {
  for (const [name, column] of Object.entries(columns)) {
    const lists = listsOf(name, column);
    if (lists.some((list) => list.length < size)) {
      throw new RangeError(`Column ${name} holds fewer than the ${size} keywords compared.`);
    }
  }
}

function listsOf(name: string, column: unknown): ArrayLike<number>[] {
  if (name.startsWith('rival')) return column as ArrayLike<number>[];
  if (ArrayBuffer.isView(column)) return [column as Float64Array];
  return Object.values(column as ForetoldColumns);
}
