import type { ChangeEffect } from '@opsimath/contract/api/watch';
import { bestOf, stripPath, stripScale } from './stripLine';
import { effectWord, effectsTitle, meanPosition, planWords, readyWords } from './watchWords';

const DAYS = ['2026-03-01', '2026-03-02', '2026-03-03', '2026-05-01'];

test('a strip: 1 at the top, absent at the foot, below 100; days by their distance', () => {
  const { x, y } = stripScale(DAYS, 430, 44);
  const heights = [1, 10, 100, 255].map(y);
  expect([...heights].sort((a, b) => a - b)).toEqual(heights);
  expect(y(255)).toBeGreaterThan(y(100) + 2);
  expect(x('2026-03-02') - x('2026-03-01')).toBeCloseTo(x('2026-03-03') - x('2026-03-02'));
  expect(stripScale(['2026-03-01'], 430, 44).x('2026-03-01')).toBe(215);
});

test('unknown days are passed over; a long silence breaks the line', () => {
  const scale = stripScale(DAYS, 430, 44);
  expect(stripPath(DAYS, [5, 0, 7, 9], scale).replace(/[^ML]/g, '')).toBe('MLM');
  expect(stripPath(DAYS, [0, 0, 0, 0], scale)).toBe('');
});

test('the best rival of each day; unknown where nobody is known', () => {
  expect(
    bestOf([
      [5, 0, 255],
      [3, 0, 0],
    ]),
  ).toEqual([3, 0, 255]);
  expect(bestOf([])).toEqual([]);
});

const told = (low: number, middle: number, high: number, lasting = 'holds'): ChangeEffect['effect'] =>
  ({
    state: 'told',
    effect: middle,
    low,
    high,
    clicks: { low, middle, high },
    lasting,
  }) as ChangeEffect['effect'];
const change = (effect: ChangeEffect['effect'], mixedWith: number[] = []): ChangeEffect =>
  ({ effect, mixedWith }) as ChangeEffect;

test('all changes in a sentence: what holds counts, what is mixed counts once, intervals add up by their squares', () => {
  expect(effectsTitle([])).toBe('Nothing has been changed yet');
  expect(
    effectsTitle([change(told(10, 40, 70)), change(told(0, 10, 50)), change(told(-30, 10, 50, 'no gain'))]),
  ).toBe('3 changes, 2 of them hold: +50 clicks a month, +18 to +100');
  expect(effectsTitle([change(told(10, 40, 70, 'fades'))])).toBe('1 change, none of them holds');
  const [one, other] = [
    { ...change(told(10, 40, 70), [2]), id: 1 },
    { ...change(told(20, 50, 80), [1]), id: 2 },
  ];
  expect(effectsTitle([one, other])).toBe('2 changes, 2 of them hold: +50 clicks a month, +20 to +80');
  const lacking = change({ state: 'lacking', lacks: 'captures after', ready: null });
  expect(effectsTitle([lacking])).toBe('1 change, of none of them can it be told yet what it did');
});

test('what can be said of one, and when more can', () => {
  expect(effectWord(change(told(1, 2, 3)))).toBe('holds');
  expect(effectWord(change(told(1, 2, 3), [7]))).toBe('mixed: holds');
  const early = change({ state: 'lacking', lacks: 'captures after', ready: '2026-03-31' });
  expect(effectWord(early)).toBe('too early to tell');
  expect(readyWords(early)).toBe('can be told on 31 Mar 2026');
  expect(readyWords(change({ state: 'lacking', lacks: 'control keywords', ready: null }))).toContain('three');
});

test('plans and mean positions in words', () => {
  expect(planWords({ weekdays: [] })).toBe('captures not scheduled');
  expect(planWords({ weekdays: [1, 2, 3, 4, 5, 6, 7] })).toBe('captured every day');
  expect(planWords({ weekdays: [1, 4] })).toBe('captured every Mon, Thu');
  expect(meanPosition(101)).toBe('absent');
  expect(meanPosition(4.25)).toBe('4.3');
  expect(meanPosition(null)).toBe('unknown');
});
