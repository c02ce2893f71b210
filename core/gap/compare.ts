import type { ClickCurve, Surface } from '../ranking/clickThrough';
import { ACTIONS, type Efforts, LOW_CHANCE, suggestAction } from './action';
import { GAP_KINDS, gapKind, rivalStanding } from './kind';
import { type MovementLimits, moved, movementMark } from './movement';
import { isDoubling, paidState } from './paid';
import { expectedWorth, gainInClicks, priority } from './priority';
import { targetPosition } from './target';

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
  /** Chance after the action, 0–1; NaN without a capture. */
  chance: Float64Array;
  /** Worth of a click. */
  worth: Float64Array;
  /** Expected cost of a click; NaN if unknown. */
  clickCost: Float64Array;
  /** 0–1 by verdict (FIT). */
  fit: Float64Array;
  /** 1 where our best target has the phrase in its title. */
  phraseInTitle: Uint8Array;
  /** 1 where some own target holds every word. */
  covered: Uint8Array;
  /** How many own targets the capture holds. */
  ownTargets: Uint8Array;
}

export interface ComparisonSettings {
  surface: Surface;
  front: number;
  curve: ClickCurve;
  efforts: Efforts;
  /** Stands in for an unknown chance (method §6); marked wherever it is used. */
  meanChance: number;
  /** What the project sets; the usual ones where nothing is. */
  movement?: MovementLimits;
  doubling?: number;
  lowChance?: number;
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
  /** G in clicks a month; NaN if unknown. */
  gain: Float64Array;
  /** E a month; NaN if unknown. */
  worthAMonth: Float64Array;
  /** Index into ACTIONS. */
  action: Uint8Array;
  /** E for a day of work; NaN if unknown. */
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
  const effortDays = ACTIONS.map((action) => settings.efforts[action]);
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

    const known = GAP_KINDS[kind] !== 'unknown';
    const chance = columns.chance[i]!;
    const action = suggestAction({
      surface: settings.surface,
      known,
      ownOrganic: own,
      doubling,
      phraseInTitle: columns.phraseInTitle[i] === 1,
      chance,
      lowChance: settings.lowChance ?? LOW_CHANCE,
      worth: columns.worth[i]!,
      clickCost: columns.clickCost[i]!,
      covered: columns.covered[i] === 1,
      cannibalised: columns.ownTargets[i]! >= 2,
    });
    gaps.action[i] = action;
    gaps.gain[i] = !known
      ? NaN
      : gainInClicks(
          columns.expectedVolume[i]!,
          columns.featureFactor[i]!,
          gaps.aim[i]!,
          own,
          settings.curve,
        );
    gaps.worthAMonth[i] = expectedWorth(
      Number.isNaN(chance) ? settings.meanChance : chance,
      gaps.gain[i]!,
      columns.worth[i]!,
      columns.fit[i]!,
    );
    gaps.priority[i] = priority(gaps.worthAMonth[i]!, effortDays[action]!);
  }
  return gaps;
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
    gain: new Float64Array(size),
    worthAMonth: new Float64Array(size),
    action: new Uint8Array(size),
    priority: new Float64Array(size),
  };
}

function checkLengths(columns: ComparisonColumns, size: number): void {
  for (const [name, column] of Object.entries(columns)) {
    const lists = (name.startsWith('rival') ? column : [column]) as ArrayLike<number>[];
    if (lists.some((list) => list.length < size)) {
      throw new RangeError(`Column ${name} holds fewer than the ${size} keywords compared.`);
    }
  }
}
