import { draws } from '../rates/draws';
import { ABSENT, UNKNOWN } from '../ranking/position';
import { DEFAULT_WINDOWS, type ScoreSeries, effectOf, studentBeyond, studentQuantile } from './effectOf';
import { effectClicks } from './effectClicks';
import { lastingOf } from './lasting';
import { readyOn } from './readyOn';
import { positionOfScore, score } from './score';

const DAY = 100;
/** A keyword captured daily from 20 days before to 60 days after, drifting slowly; the change lifts it by `lift`. */
function drifting(
  keyword: number,
  level: number,
  lift: number,
  random: ReturnType<typeof draws>,
): ScoreSeries {
  const days = Array.from({ length: 81 }, (_, n) => DAY - 20 + n);
  // The higher up, the less it moves.
  const size = 0.1 + 0.08 * (4.6 - level);
  let drift = size * random.normal();
  const scores = days.map((day) => {
    drift = 0.95 * drift + Math.sqrt(1 - 0.95 ** 2) * size * random.normal();
    return level + drift + 0.05 * random.normal() + (day >= DAY + 1 ? lift : 0);
  });
  return { keyword, days, scores };
}

function simulated(seed: number, lift: number, treatedCount: number, controlCount: number) {
  const random = draws(seed);
  const level = (): number => 0.5 + 4 * random.even();
  const treated = Array.from({ length: treatedCount }, (_, n) => drifting(n, level(), lift, random));
  const control = Array.from({ length: controlCount }, (_, n) => drifting(100 + n, level(), 0, random));
  return effectOf(treated, control, DAY, DEFAULT_WINDOWS);
}

test('Student’s distribution, as tables have it', () => {
  for (const [freedom, quantile] of [
    [4, 2.776],
    [7, 2.365],
    [20, 2.086],
    [59, 2.001],
  ] as const) {
    expect(studentQuantile(freedom)).toBeCloseTo(quantile, 1);
    expect(studentBeyond(quantile, freedom)).toBeCloseTo(0.05, 2);
    expect(studentBeyond(-quantile, freedom)).toBeCloseTo(0.05, 2);
  }
  // Far out it goes on falling.
  expect(studentBeyond(6, 50)).toBeLessThan(studentBeyond(5, 50));
  expect(studentBeyond(0, 50)).toBeCloseTo(1, 6);
});

test('scores: the higher the better, absent is 0, unknown is none; and back', () => {
  expect(score(1, 100)).toBeCloseTo(Math.log(101));
  expect(score(100, 100)).toBeCloseTo(Math.log(101 / 100));
  expect(score(ABSENT, 100)).toBe(0);
  expect(score(120, 100)).toBe(0);
  expect(score(UNKNOWN, 100)).toBeNaN();
  for (const position of [1, 2, 10, 57, 100])
    expect(positionOfScore(score(position, 100), 100)).toBeCloseTo(position);
  expect(positionOfScore(0, 100)).toBe(101);
});

test.each([
  ['one keyword, few controls', 1, 8],
  ['several keywords', 4, 40],
  ['many keywords', 12, 60],
])('of 300 runs the interval holds the truth in 92 to 98 %%: %s', (_, treated, control) => {
  let held = 0;
  for (let seed = 1; seed <= 300; seed++) {
    // Half of them did nothing: no effect is called one as seldom as an effect is missed.
    const truth = seed % 2 === 0 ? 0.6 : 0;
    const found = simulated(seed, truth, treated, control);
    if (found.state !== 'told') throw new Error('lacking');
    if (found.low <= truth && truth <= found.high) held++;
  }
  expect(held / 300).toBeGreaterThanOrEqual(0.92);
  expect(held / 300).toBeLessThanOrEqual(0.98);
});

test('a small p and an interval beyond 0 go together; each keyword says its own', () => {
  const found = simulated(3, 1.2, 5, 40);
  if (found.state !== 'told') throw new Error('lacking');
  expect(found.low).toBeGreaterThan(0);
  expect(found.p).toBeLessThan(0.05);
  expect(found.keywords).toHaveLength(5);
  const mean = found.keywords.reduce((sum, { effect }) => sum + effect, 0) / 5;
  expect(found.effect).toBeCloseTo(mean);
});

const flat = (keyword: number, days: number[], value = 2): ScoreSeries => ({
  keyword,
  days,
  scores: days.map(() => value),
});
const BEFORE = [90, 93, 97];
const AFTER = [104, 108, 112];
const controls = [1, 2, 3].map((keyword) => flat(keyword, [...BEFORE, ...AFTER]));

test.each([
  ['captures before', [flat(9, [93, 97, ...AFTER])], controls],
  ['captures after', [flat(9, [...BEFORE, 104])], controls],
  ['control keywords', [flat(9, [...BEFORE, ...AFTER])], controls.slice(1)],
])('what is still lacking: %s', (lacks, treated, control) => {
  expect(effectOf(treated, control, DAY, DEFAULT_WINDOWS)).toEqual({ state: 'lacking', lacks });
});

test('days on which it settles count on neither side', () => {
  const odd = { keyword: 9, days: [...BEFORE, 100, 101, 102, ...AFTER], scores: [2, 2, 2, 9, 9, 9, 2, 2, 2] };
  expect(effectOf([odd], controls, DAY, DEFAULT_WINDOWS)).toMatchObject({ state: 'told', effect: 0 });
});

test('clicks that an effect brought: what comes at the place now less what would come without it', () => {
  const curve = Float64Array.from({ length: 256 }, (_, p) => (p > 0 && p <= 100 ? 1 / p : 0));
  const keyword = {
    keyword: 1,
    before: score(10, 100),
    after: score(2, 100),
    effect: score(2, 100) - score(10, 100),
  };
  expect(effectClicks([{ ...keyword, volume: 1000 }], curve, 100, 0)).toBeCloseTo(1000 * (1 / 2 - 1 / 10));
  expect(effectClicks([{ ...keyword, volume: 1000 }], curve, 100, -keyword.effect)).toBeCloseTo(0);
  // Between two positions the share lies between theirs; nothing comes to what is absent.
  const half = { keyword: 1, before: 0, after: score(1.5, 100), effect: score(1.5, 100) };
  expect(effectClicks([{ ...half, volume: 100 }], curve, 100, 0)).toBeCloseTo(75);
});

test('a gain holds while the last window lies above 0, else it fades', () => {
  const told = (low: number, high: number) => ({ low, high });
  expect(lastingOf(told(0.2, 0.6), [])).toBe('not enough data yet');
  expect(lastingOf(told(0.2, 0.6), [told(0.1, 0.5)])).toBe('holds');
  expect(lastingOf(told(0.2, 0.6), [told(0.1, 0.5), told(-0.1, 0.3)])).toBe('fades');
  expect(lastingOf(told(-0.2, 0.6), [told(0.1, 0.5)])).toBe('no gain');
  expect(lastingOf(told(-0.6, -0.2), [])).toBe('loss');
});

test('when there will be enough: as many captures as lack, as far apart as they are taken', () => {
  const at = (over: object) =>
    readyOn({ day: 100, today: 101, windows: DEFAULT_WINDOWS, every: 1, have: 0, ...over });
  expect(at({})).toBe(105);
  expect(at({ every: 6 })).toBe(115);
  // Once a week three captures do not fit into the window.
  expect(at({ every: 7 })).toBeNull();
  expect(at({ today: 110, have: 2 })).toBe(111);
  expect(at({ every: null })).toBeNull();
  expect(at({ today: 200 })).toBeNull();
});
