import fc from 'fast-check';
import { featureFactor, priorCurve } from '../ranking/clickThrough';
import { ABSENT, UNKNOWN } from '../ranking/position';
import { ACTIONS, DEFAULT_EFFORTS, type Efforts } from './action';
import { type ComparisonColumns, compare } from './compare';
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
  chance: number | null;
  worth: number;
  clickCost: number | null;
  verdict: keyof typeof FIT;
  phrase: boolean;
  covered: boolean;
  ownTargets: number;
}
interface Settings {
  front: number;
  efforts: Efforts;
  meanChance: number;
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

/** c(p) of the web prior, written out. */
function clicksAt(place: Place): number {
  return typeof place === 'number' ? (0.3 / place) * 0.5 ** Math.floor((place - 1) / 10) : 0;
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

function actionBy(row: Row, kind: string): string {
  if (kind === 'unknown') return 'capture first';
  const own = at(row.own);
  if (at(row.ownPaid) < Infinity && own <= 3) return 'trim bid';
  if (own >= 4 && own <= 20 && !row.phrase) return 'retitle';
  if (own >= 4 && own <= 50) return 'strengthen';
  const dear = row.chance !== null && row.clickCost !== null && row.worth > row.clickCost;
  if (own > 50 && dear && row.chance! < 0.15) return 'advertise';
  if (row.own === 'absent' && !row.covered) return 'new page';
  if (row.ownTargets >= 2) return 'merge';
  return own <= 3 ? 'hold' : 'strengthen';
}

const place = fc.oneof(
  { weight: 4, arbitrary: fc.integer({ min: 1, max: 14 }) },
  { weight: 3, arbitrary: fc.integer({ min: 15, max: 100 }) },
  { weight: 2, arbitrary: fc.constant<Place>('absent') },
  { weight: 1, arbitrary: fc.constant<Place>('unknown') },
);
const paidPlace = fc.oneof(fc.integer({ min: 1, max: 6 }), fc.constant<Place>('absent'));
const RIVALS = 4;
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
  chance: fc.option(fc.double({ min: 0.01, max: 0.99, noNaN: true }), { nil: null, freq: 6 }),
  worth: fc.double({ min: 0, max: 20, noNaN: true }),
  clickCost: fc.option(fc.double({ min: 0, max: 20, noNaN: true }), { nil: null, freq: 6 }),
  verdict: fc.constantFrom('fit', 'unjudged', 'adjacent', 'off'),
  phrase: fc.boolean(),
  covered: fc.boolean(),
  ownTargets: fc.integer({ min: 0, max: 3 }),
});
const settings: fc.Arbitrary<Settings> = fc.record({
  front: fc.integer({ min: 1, max: 30 }),
  efforts: fc.constantFrom<Efforts>(DEFAULT_EFFORTS, { ...DEFAULT_EFFORTS, retitle: 2, strengthen: 0.5 }),
  meanChance: fc.double({ min: 0.01, max: 0.9, noNaN: true }),
});

const code = (of: Place): number => (of === 'absent' ? ABSENT : of === 'unknown' ? UNKNOWN : of);
const bytes = (rows: Row[], of: (one: Row) => number): Uint8Array => Uint8Array.from(rows, of);
const exact = (rows: Row[], of: (one: Row) => number | null): Float64Array =>
  Float64Array.from(rows, (one) => of(one) ?? NaN);

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
    chance: exact(rows, ({ chance }) => chance),
    worth: exact(rows, ({ worth }) => worth),
    clickCost: exact(rows, ({ clickCost }) => clickCost),
    fit: exact(rows, ({ verdict }) => FIT[verdict]),
    phraseInTitle: bytes(rows, ({ phrase }) => Number(phrase)),
    covered: bytes(rows, ({ covered }) => Number(covered)),
    ownTargets: bytes(rows, ({ ownTargets }) => ownTargets),
  };
}

test('kinds, paid states, marks, aims, actions and every figure are as the method words them', () => {
  fc.assert(
    fc.property(fc.array(row, { minLength: 1, maxLength: 30 }), settings, (rows, set) => {
      const gaps = compare(columnsOf(rows), { ...set, surface: 'web', curve: priorCurve('web') });
      rows.forEach((one, i) => {
        const kind = kindBy(one, set.front);
        const aim = aimBy(one, kind, set.front);
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
          actionBy(one, kind),
        ]);
        const both = typeof one.own === 'number' && typeof one.before === 'number';
        expect(gaps.moved[i]).toBe(both ? (one.before as number) - (one.own as number) : NaN);
        if (aim === null || one.volume === null) {
          expect([gaps.gain[i], gaps.worthAMonth[i], gaps.priority[i]]).toEqual([NaN, NaN, NaN]);
          return;
        }
        const gain = one.volume * factorBy(one) * Math.max(0, clicksAt(aim) - clicksAt(one.own));
        const worth = (one.chance ?? set.meanChance) * gain * one.worth * FIT[one.verdict];
        const days = set.efforts[ACTIONS[gaps.action[i]!]!];
        // The same products in another order differ in the last bits only.
        const close = (figure: number, wanted: number): void =>
          expect(Math.abs(figure - wanted)).toBeLessThanOrEqual(1e-12 * Math.abs(wanted));
        close(gaps.gain[i]!, gain);
        close(gaps.worthAMonth[i]!, worth);
        close(gaps.priority[i]!, worth / days);
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
    meanChance: 0.2,
    surface: 'web',
    curve: priorCurve('web'),
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
