import fc from 'fast-check';
import { ABSENT, UNKNOWN } from '../ranking/position';
import { ACTIONS, DEFAULT_EFFORTS } from './action';
import { type ComparisonColumns, type ElsewhereColumns, compare } from './compare';
import { GAP_KINDS, gapKind, isNear, rivalStanding } from './kind';
import { MOVEMENT_MARKS, moved, movementMark } from './movement';
import { PAID_STATES, isDoubling, paidState } from './paid';

const A = ABSENT;
const Q = UNKNOWN;
const settings = {
  surface: 'web' as const,
  front: 10,
  efforts: DEFAULT_EFFORTS,
};
const position = fc.oneof(fc.integer({ min: 1, max: 100 }), fc.constant(A), fc.constant(Q));

interface Row {
  own: number;
  ownPaid: number;
  before: number;
  rivals: number[];
  rivalsPaid: number[];
  volume: number;
  /** Click-through foretold without and with a new title. */
  asIs: number;
  /** What a new title brings on other keywords of the page. */
  elsewhere: number;
  retitled: number;
  worth: number;
  factor: number;
}
const row = (over: Partial<Row> = {}): Row => ({
  own: 14,
  ownPaid: A,
  before: 14,
  rivals: [3, 5, 9],
  rivalsPaid: [A, A, A],
  volume: 6480,
  asIs: 0.01,
  elsewhere: 0,
  retitled: 0.05,
  worth: 0.62,
  factor: 0.95,
  ...over,
});
const anyRow = fc.record({
  own: position,
  ownPaid: position,
  before: position,
  rivals: fc.array(position, { minLength: 3, maxLength: 3 }),
  rivalsPaid: fc.array(position, { minLength: 3, maxLength: 3 }),
  volume: fc.integer({ min: 0, max: 100_000 }),
  asIs: fc.double({ min: 0, max: 0.3, noNaN: true }),
  elsewhere: fc.constant(0),
  retitled: fc.double({ min: 0, max: 0.3, noNaN: true }),
  worth: fc.double({ min: 0, max: 20, noNaN: true }),
  factor: fc.double({ min: 0.5, max: 1, noNaN: true }),
});

/** A chance beside it, so that the two cannot be mixed up. */
function foretold(rows: Row[], of: (row: Row) => number) {
  return {
    clickThrough: Float64Array.from(rows, of),
    chance: Float64Array.from(rows, (one) => Math.min(1, 3 * of(one))),
  };
}

/** Clicks, each worth 1. */
function elsewhere(rows: Row[], of: (one: Row) => number): ElsewhereColumns {
  return { clicks: Float64Array.from(rows, of), value: Float64Array.from(rows, of) };
}

function columnsOf(rows: Row[]): ComparisonColumns {
  const rivals = rows[0]?.rivals.length ?? 0;
  return {
    ownOrganic: Uint8Array.from(rows, (r) => r.own),
    ownPaid: Uint8Array.from(rows, (r) => r.ownPaid),
    ownBefore: Uint8Array.from(rows, (r) => r.before),
    rivalOrganic: Array.from({ length: rivals }, (_, k) => Uint8Array.from(rows, (r) => r.rivals[k]!)),
    rivalPaid: Array.from({ length: rivals }, (_, k) => Uint8Array.from(rows, (r) => r.rivalsPaid[k]!)),
    paidLooked: Uint8Array.from(rows, () => 1),
    expectedVolume: Float64Array.from(rows, (r) => r.volume),
    featureFactor: Float64Array.from(rows, (r) => r.factor),
    asIs: foretold(rows, (r) => r.asIs),
    retitled: foretold(rows, (r) => r.retitled),
    strengthened: foretold(rows, () => NaN),
    written: foretold(rows, () => NaN),
    elsewhereRetitled: elsewhere(rows, (r) => r.elsewhere),
    elsewhereStrengthened: elsewhere(rows, () => 0),
    paidClicks: Float64Array.from(rows, () => NaN),
    paidCost: Float64Array.from(rows, () => NaN),
    bidClicks: Float64Array.from(rows, () => NaN),
    bidCost: Float64Array.from(rows, () => NaN),
    worth: Float64Array.from(rows, (r) => r.worth),
    clickCost: Float64Array.from(rows, (r) => r.worth / 0.7),
    fit: Float64Array.from(rows, () => 1),
    served: Uint8Array.from(rows, () => 1),
    ownTargets: Uint8Array.from(rows, () => 1),
    chosen: new Uint8Array(rows.length),
  };
}
const compareOne = (over: Partial<Row> = {}) => compare(columnsOf([row(over)]), settings);

/** The plain version of the first rule that holds, written from the method's text. */
function kindByRules(own: number, rivals: number[], front: number): string {
  const known = rivals.filter((p) => p !== Q).map((p) => (p === A ? Infinity : p));
  const mine = own === A ? Infinity : own;
  if (own === Q || known.length === 0) return 'unknown';
  if (mine > front && known.every((p) => p > front)) return 'open';
  if (mine === Infinity) return 'absent';
  if (mine > front) return 'buried';
  if (Math.min(...known) < mine) return 'trailing';
  return known.some((p) => p < Infinity) ? 'leading' : 'alone';
}

describe('gap kind', () => {
  test.each([
    [Q, [3], 'unknown'],
    [4, [Q, Q], 'unknown'],
    [4, [], 'unknown'],
    [A, [11], 'open'],
    [30, [A], 'open'],
    [A, [3], 'absent'],
    [11, [10], 'buried'],
    [5, [4, Q], 'trailing'],
    [5, [6], 'leading'],
    [5, [A], 'alone'],
    [10, [100], 'leading'],
    [A, [A], 'open'],
  ])('own %i against %j is %s', (own, rivals, expected) => {
    expect(GAP_KINDS[gapKind(own, rivalStanding(rivals, 10).best, 10)]).toBe(expected);
  });

  test('agrees with the rules read one by one, for any positions and any front', () => {
    fc.assert(
      fc.property(
        position,
        fc.array(position, { maxLength: 6 }),
        fc.integer({ min: 1, max: 50 }),
        (own, rivals, front) => {
          expect(GAP_KINDS[gapKind(own, rivalStanding(rivals, front).best, front)]).toBe(
            kindByRules(own, rivals, front),
          );
        },
      ),
    );
  });

  test('near is buried at 11–20', () => {
    expect([10, 11, 20, 21].map((own) => isNear(gapKind(own, 1, 10), own))).toEqual([
      false,
      true,
      true,
      false,
    ]);
  });
});

describe('paid state', () => {
  test.each([
    [false, A, [A], 'unknown'],
    [true, A, [A, A], 'quiet'],
    [true, A, [2, A], 'unbid'],
    [true, 1, [A], 'only us'],
    [true, 3, [2, 4], 'outbid'],
    [true, 1, [2], 'top'],
    [true, Q, [Q], 'quiet'],
  ])('looked %s, own %i, rivals %j is %s', (looked, own, rivals, expected) => {
    expect(PAID_STATES[paidState(looked, own, rivals)]).toBe(expected);
  });
  test('doubling is paying while at 3 or better', () => {
    expect([isDoubling(3, 1), isDoubling(4, 1), isDoubling(1, A), isDoubling(A, 1)]).toEqual([
      true,
      false,
      false,
      false,
    ]);
  });
});

describe('movement', () => {
  test.each([
    [A, 8, 'gained'],
    [8, A, 'lost'],
    [A, A, 'none'],
    [10, 7, 'climbing'],
    [10, 8, 'none'],
    [9, 12, 'slipping'],
    [12, 15, 'none'],
    [12, 17, 'slipping'],
    [2, 7, 'slipping'],
    [2, 6, 'none'],
    [Q, 3, 'none'],
    [3, Q, 'none'],
  ])('from %i to %i is %s', (before, now, expected) => {
    expect(MOVEMENT_MARKS[movementMark(before, now, 10)]).toBe(expected);
  });
  test('Δ is positive when up and missing unless both are positions', () => {
    expect(moved(10, 7)).toBe(3);
    expect([moved(A, 7), moved(7, Q)]).toEqual([null, null]);
  });
});

describe('comparison', () => {
  test('the worked example of the method', () => {
    const gaps = compareOne();
    expect(GAP_KINDS[gaps.kind[0]!]).toBe('buried');
    expect([gaps.spread[0], gaps.aim[0], ACTIONS[gaps.action[0]!]]).toEqual([3, 5, 'retitle']);
    // Clicks added: demand × factor × difference of what is foretold.
    const gain = 6480 * 0.95 * (0.05 - 0.01);
    expect(gaps.gain[0]).toBeCloseTo(gain, 9);
    expect(gaps.chance[0]).toBeCloseTo(0.15, 12);
    expect(gaps.worthAMonth[0]).toBeCloseTo(gain * 0.62, 9);
    expect(gaps.priority[0]).toBeCloseTo((gain * 0.62) / 0.25, 9);
  });
  test.each([
    [{ own: A, rivals: [2, 5, A] }, 4],
    [{ own: 7, rivals: [2, 5, A] }, 2],
    [{ own: A, rivals: [A, 30, 40] }, 5],
    [{ own: 4, rivals: [9, A, A] }, 4],
    [{ own: Q }, 0],
    [{ own: 20, rivals: [1, A, A] }, 1],
  ])('%j aims at %i', (over, aim) => expect(compareOne(over).aim[0]).toBe(aim));

  test('an unknown own position or volume gives an unknown worth, not zero', () => {
    expect(compareOne({ own: Q }).priority[0]).toBeNaN();
    expect(compareOne({ volume: NaN }).worthAMonth[0]).toBeNaN();
  });

  test('where nothing would add to it there is nothing to do: no priority, and no chance but that it has', () => {
    const gaps = compareOne({ retitled: 0.009 });
    expect([ACTIONS[gaps.action[0]!], gaps.worthAMonth[0], gaps.priority[0]]).toEqual(['hold', 0, NaN]);
    expect(gaps.chance[0]).toBeCloseTo(0.03, 12);
  });

  test('one kind each; order of rivals changes nothing; unknown never counts as absent', () => {
    fc.assert(
      fc.property(anyRow, (any) => {
        const base = compare(columnsOf([any]), settings);
        expect(base.kind[0]).toBeLessThan(GAP_KINDS.length);
        const turned = {
          ...any,
          rivals: [...any.rivals].reverse(),
          rivalsPaid: [...any.rivalsPaid].reverse(),
        };
        expect(compare(columnsOf([turned]), settings)).toEqual(base);
        if (any.own === Q) expect(GAP_KINDS[base.kind[0]!]).toBe('unknown');
        if (any.before === Q) expect(MOVEMENT_MARKS[base.movement[0]!]).toBe('none');
      }),
    );
  });

  test('more volume never lowers priority; scaling worth scales the value', () => {
    fc.assert(
      fc.property(anyRow, fc.integer({ min: 1, max: 1000 }), (any, more) => {
        const base = compare(columnsOf([any]), settings);
        const larger = compare(columnsOf([{ ...any, volume: any.volume + more }]), settings);
        if (!Number.isNaN(base.priority[0]!))
          expect(larger.priority[0]).toBeGreaterThanOrEqual(base.priority[0]!);
        const doubled = compare(columnsOf([{ ...any, worth: any.worth * 2 }]), settings);
        if (!Number.isNaN(base.worthAMonth[0]!))
          expect(doubled.worthAMonth[0]).toBeCloseTo(base.worthAMonth[0]! * 2, 6);
      }),
    );
  });

  test('a column that is too short is refused', () => {
    expect(() => compare({ ...columnsOf([row()]), worth: new Float64Array(0) }, settings)).toThrow(/worth/);
  });
});
