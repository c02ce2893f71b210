import fc from 'fast-check';
import { featureFactor } from '../ranking/clickThrough';
import { ABSENT, UNKNOWN } from '../ranking/position';
import { ACTIONS, type Action, DEFAULT_EFFORTS, type Efforts } from './action';
import { type ComparisonColumns, type ElsewhereColumns, compare } from './compare';
import { GAP_KINDS } from './kind';
import { MOVEMENT_MARKS } from './movement';
import { PAID_STATES } from './paid';
import { FIT } from './priority';

// A second working of method §5–§8, a row at a time and in words, against which the columns are held.

type Place = number | 'absent' | 'unknown';
interface Row {
  own: Place;
  before: Place;
  ownPaid: Place;
  rivals: Place[];
  rivalsPaid: Place[];
  volume: number | null;
  above: { answerBox: boolean; imageBlock: boolean; videoBlock: boolean; paidSlots: number };
  /** Click-through foretold; `null` for what cannot be done. */
  asIs: number;
  /** Clicks that a new title brings on other keywords of the page. */
  elsewhere: number;
  retitled: number | null;
  strengthened: number | null;
  written: number;
  paid: { clicks: number; cost: number } | null;
  /** What the best bid brings, where auctions were observed. */
  bid: { clicks: number; cost: number } | null;
  worth: number;
  clickCost: number | null;
  verdict: keyof typeof FIT;
  served: boolean;
  ownTargets: number;
}
interface Settings {
  front: number;
  efforts: Efforts;
}

const at = (place: Place): number => (typeof place === 'number' ? place : Infinity);

function kindBy({ own, rivals }: Row, front: number): string {
  const seen = rivals.filter((place) => place !== 'unknown');
  if (own === 'unknown' || seen.length === 0) return 'unknown';
  const best = Math.min(...seen.map(at));
  if (at(own) > front && best > front) return 'open';
  if (own === 'absent') return 'absent';
  if (at(own) > front) return 'buried';
  if (best < at(own)) return 'trailing';
  return best < Infinity ? 'leading' : 'alone';
}

function paidBy({ ownPaid, rivalsPaid }: Row): string {
  const theirs = rivalsPaid.map(at).filter((slot) => slot < Infinity);
  if (at(ownPaid) === Infinity) return theirs.length > 0 ? 'unbid' : 'quiet';
  if (theirs.length === 0) return 'only us';
  return theirs.some((slot) => slot < at(ownPaid)) ? 'outbid' : 'top';
}

function markBy({ own, before }: Row, front: number): string {
  if (own === 'unknown' || before === 'unknown') return 'none';
  if (before === 'absent') return own === 'absent' ? 'none' : 'gained';
  if (own === 'absent') return 'lost';
  const up = before - own;
  if (up >= 3) return 'climbing';
  const leavesFront = before <= front && own > front;
  return up <= -5 || (up <= -3 && leavesFront) ? 'slipping' : 'none';
}

function aimBy(row: Row, kind: string, front: number): number | null {
  const ranked = row.rivals.map(at).filter((position) => position < Infinity);
  if (kind === 'unknown') return null;
  if (kind === 'open') return 5;
  if (kind === 'trailing') return Math.min(...ranked);
  if (kind === 'leading' || kind === 'alone') return at(row.own);
  const inside = ranked.filter((position) => position <= front).sort((a, b) => a - b);
  const [left, right] = [inside[(inside.length - 1) >> 1]!, inside[inside.length >> 1]!];
  return Math.max(1, Math.floor((left + right) / 2 + 0.5));
}

function factorBy({ above }: Row): number {
  const blocks = (above.answerBox ? 0.85 : 1) * (above.imageBlock ? 0.95 : 1) * (above.videoBlock ? 0.95 : 1);
  return blocks * Math.max(0.8, 0.95 ** above.paidSlots);
}

/** Everything that can be done, each with the clicks it adds and what it costs, a month. */
function choicesBy(row: Row): { action: string; clicks: number; cost: number; elsewhere?: number }[] {
  const searches = row.volume ?? NaN;
  const left = searches * factorBy(row);
  const paying = at(row.ownPaid) < Infinity;
  const choices: { action: string; clicks: number; cost: number; elsewhere?: number }[] = [];
  const organic = (action: string, after: number | null): void => {
    const elsewhere = action === 'retitle' ? row.elsewhere : 0;
    if (after !== null) choices.push({ action, clicks: left * (after - row.asIs), cost: 0, elsewhere });
  };
  if (paying && at(row.own) <= 3) {
    const clicks = row.paid?.clicks ?? searches * 0.08 * at(row.ownPaid) ** -0.7;
    const cost = row.paid?.cost ?? clicks * (row.clickCost ?? NaN);
    // Eight of ten paid clicks come anyway.
    choices.push({ action: 'trim bid', clicks: -0.2 * clicks, cost: -cost });
  }
  if (row.served) {
    organic('retitle', row.retitled);
    organic('strengthen', row.strengthened);
  } else organic('new page', row.written);
  const pays = row.clickCost !== null && row.worth * FIT[row.verdict] > row.clickCost;
  if (!paying && (pays || (row.bid?.clicks ?? 0) > 0))
    choices.push({ action: 'advertise', clicks: row.bid?.clicks ?? NaN, cost: row.bid?.cost ?? NaN });
  return choices;
}

interface Best {
  action: string;
  clicks: number;
  value: number;
  days: number;
}

/** The one that brings most a day, if it brings anything; one of unknown value where none is known to. */
function bestBy(row: Row, efforts: Efforts): Best | null {
  const weighed = choicesBy(row).map((choice) => ({
    ...choice,
    value:
      choice.clicks * row.worth * FIT[row.verdict] +
      (FIT[row.verdict] === 0 ? 0 : 3 * (choice.elsewhere ?? 0)) -
      choice.cost,
    days: efforts[choice.action as Action],
  }));
  let best: Best | null = null;
  for (const one of weighed)
    if (one.value > 0 && (best === null || one.value / one.days > best.value / best.days)) best = one;
  return best ?? weighed.find(({ value }) => Number.isNaN(value)) ?? null;
}

const place = fc.oneof(
  { weight: 4, arbitrary: fc.integer({ min: 1, max: 14 }) },
  { weight: 3, arbitrary: fc.integer({ min: 15, max: 100 }) },
  { weight: 2, arbitrary: fc.constant<Place>('absent') },
  { weight: 1, arbitrary: fc.constant<Place>('unknown') },
);
const paidPlace = fc.oneof(fc.integer({ min: 1, max: 6 }), fc.constant<Place>('absent'));
const RIVALS = 4;
const brought = fc.record({
  clicks: fc.integer({ min: 0, max: 900 }),
  cost: fc.double({ min: 0, max: 900, noNaN: true }),
});
const share = fc.double({ min: 0, max: 0.3, noNaN: true });
const row: fc.Arbitrary<Row> = fc.record({
  own: place,
  before: place,
  ownPaid: paidPlace,
  rivals: fc.array(place, { minLength: RIVALS, maxLength: RIVALS }),
  rivalsPaid: fc.array(paidPlace, { minLength: RIVALS, maxLength: RIVALS }),
  volume: fc.option(fc.integer({ min: 0, max: 200_000 }), { nil: null, freq: 8 }),
  above: fc.record({
    answerBox: fc.boolean(),
    imageBlock: fc.boolean(),
    videoBlock: fc.boolean(),
    paidSlots: fc.integer({ min: 0, max: 6 }),
  }),
  asIs: share,
  elsewhere: fc.integer({ min: -300, max: 300 }),
  retitled: fc.option(share, { nil: null, freq: 3 }),
  strengthened: fc.option(share, { nil: null, freq: 3 }),
  written: share,
  paid: fc.option(brought, { nil: null, freq: 2 }),
  bid: fc.option(brought, { nil: null, freq: 2 }),
  worth: fc.double({ min: 0, max: 20, noNaN: true }),
  clickCost: fc.option(fc.double({ min: 0, max: 20, noNaN: true }), { nil: null, freq: 6 }),
  verdict: fc.constantFrom('fit', 'unjudged', 'adjacent', 'off'),
  served: fc.boolean(),
  ownTargets: fc.integer({ min: 0, max: 3 }),
});
const settings: fc.Arbitrary<Settings> = fc.record({
  front: fc.integer({ min: 1, max: 30 }),
  efforts: fc.constantFrom<Efforts>(DEFAULT_EFFORTS, { ...DEFAULT_EFFORTS, retitle: 2, strengthen: 0.5 }),
});

const code = (of: Place): number => (of === 'absent' ? ABSENT : of === 'unknown' ? UNKNOWN : of);
const bytes = (rows: Row[], of: (one: Row) => number): Uint8Array => Uint8Array.from(rows, of);
const exact = (rows: Row[], of: (one: Row) => number | null): Float64Array =>
  Float64Array.from(rows, (one) => of(one) ?? NaN);

const foretold = (rows: Row[], of: (one: Row) => number | null) => ({
  clickThrough: exact(rows, of),
  chance: exact(rows, (one) => (of(one) === null ? null : of(one)! / 0.3)),
});

/** Clicks on other keywords, each worth 3. */
const elsewhere = (rows: Row[], of: (one: Row) => number): ElsewhereColumns => ({
  clicks: Float64Array.from(rows, of),
  value: Float64Array.from(rows, (one) => 3 * of(one)),
});

function columnsOf(rows: Row[]): ComparisonColumns {
  const rivals = Array.from({ length: RIVALS }, (_, r) => r);
  return {
    ownOrganic: bytes(rows, ({ own }) => code(own)),
    ownBefore: bytes(rows, ({ before }) => code(before)),
    ownPaid: bytes(rows, ({ ownPaid }) => code(ownPaid)),
    rivalOrganic: rivals.map((r) => bytes(rows, (one) => code(one.rivals[r]!))),
    rivalPaid: rivals.map((r) => bytes(rows, (one) => code(one.rivalsPaid[r]!))),
    paidLooked: bytes(rows, () => 1),
    expectedVolume: exact(rows, ({ volume }) => volume),
    featureFactor: exact(rows, ({ above }) => featureFactor(above)),
    asIs: foretold(rows, ({ asIs }) => asIs),
    retitled: foretold(rows, ({ retitled }) => retitled),
    strengthened: foretold(rows, ({ strengthened }) => strengthened),
    written: foretold(rows, ({ written }) => written),
    elsewhereRetitled: elsewhere(rows, ({ elsewhere: won }) => won),
    elsewhereStrengthened: elsewhere(rows, () => 0),
    paidClicks: exact(rows, ({ paid }) => paid?.clicks ?? null),
    paidCost: exact(rows, ({ paid }) => paid?.cost ?? null),
    bidClicks: exact(rows, ({ bid }) => bid?.clicks ?? null),
    bidCost: exact(rows, ({ bid }) => bid?.cost ?? null),
    worth: exact(rows, ({ worth }) => worth),
    clickCost: exact(rows, ({ clickCost }) => clickCost),
    fit: exact(rows, ({ verdict }) => FIT[verdict]),
    served: bytes(rows, ({ served }) => Number(served)),
    ownTargets: bytes(rows, ({ ownTargets }) => ownTargets),
    chosen: bytes(rows, () => 0),
  };
}

test('kinds, paid states, marks, aims, actions and every figure are as the method words them', () => {
  fc.assert(
    fc.property(fc.array(row, { minLength: 1, maxLength: 30 }), settings, (rows, set) => {
      const gaps = compare(columnsOf(rows), { ...set, surface: 'web' });
      rows.forEach((one, i) => {
        const kind = kindBy(one, set.front);
        const aim = aimBy(one, kind, set.front);
        const best = kind === 'unknown' ? null : bestBy(one, set.efforts);
        expect([
          GAP_KINDS[gaps.kind[i]!],
          PAID_STATES[gaps.paid[i]!],
          MOVEMENT_MARKS[gaps.movement[i]!],
          gaps.spread[i],
          gaps.aim[i],
          ACTIONS[gaps.action[i]!],
        ]).toEqual([
          kind,
          paidBy(one),
          markBy(one, set.front),
          one.rivals.filter((rival) => at(rival) <= set.front).length,
          aim ?? 0,
          kind === 'unknown' ? 'capture first' : (best?.action ?? (one.ownTargets >= 2 ? 'merge' : 'hold')),
        ]);
        const both = typeof one.own === 'number' && typeof one.before === 'number';
        expect(gaps.moved[i]).toBe(both ? (one.before as number) - (one.own as number) : NaN);
        const found = [gaps.gain[i]!, gaps.worthAMonth[i]!, gaps.priority[i]!];
        if (kind === 'unknown') return expect(found).toEqual([NaN, NaN, NaN]);
        if (best === null) return expect(found).toEqual([0, 0, NaN]);
        // The same products in another order differ in the last bits only.
        [best.clicks, best.value, best.value / best.days].forEach((wanted, n) => {
          if (Number.isNaN(wanted)) return expect(found[n]).toBeNaN();
          const size = Math.max(Math.abs(wanted), Math.abs(best.clicks * one.worth));
          expect(Math.abs(found[n]! - wanted)).toBeLessThanOrEqual(1e-11 * size);
        });
      });
    }),
    { numRuns: 400 },
  );
});

test('every kind and every action is met by some row', () => {
  const rows = fc.sample(row, { numRuns: 4000, seed: 5 });
  const gaps = compare(columnsOf(rows), {
    front: 10,
    efforts: DEFAULT_EFFORTS,
    surface: 'web',
  });
  const actions = new Set(Array.from(gaps.action, (index) => ACTIONS[index]));
  expect(new Set(gaps.kind).size).toBe(GAP_KINDS.length);
  for (const action of [
    'capture first',
    'trim bid',
    'retitle',
    'strengthen',
    'advertise',
    'new page',
    'merge',
    'hold',
  ])
    expect(actions).toContain(action);
});
