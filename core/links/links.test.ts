import { unitsAtRank } from '../ranking/sales';
import { titleFaults } from '../ranking/titles';
import { trendOf, peakMonth, seasonStrength } from '../demand/trend';
import { authoritySlope, domainsRatio, manyLinksLittleAuthority } from './authority';

const known = Array.from({ length: 20 }, (_, i) => ({
  authority: 20 + 2 * i,
  referringDomains: Math.exp((20 + 2 * i) / 9),
}));

test('an authority difference is read on a logarithmic scale', () => {
  expect(authoritySlope(known)).toBeCloseTo(1 / 9, 10);
  expect(domainsRatio(1 / 9, 9)).toBeCloseTo(Math.E, 10);
  expect(authoritySlope(known.slice(0, 2))).toBeNull();
  expect(authoritySlope(known.map((entry) => ({ ...entry, authority: 30 })))).toBeNull();
});

test('many links and little authority: the lowest tenth of the residuals, and nobody among few', () => {
  const bought = { authority: 12, referringDomains: 900 };
  const flags = manyLinksLittleAuthority([...known, bought]);
  expect(flags.at(-1)).toBe(true);
  expect(flags.filter(Boolean)).toHaveLength(3);
  expect(manyLinksLittleAuthority([bought, ...known.slice(0, 5)])).not.toContain(true);
});

test('units at a rank run straight on logarithmic scales and are unknown without a curve', () => {
  const curve = [
    { rank: 1, units: 1000 },
    { rank: 100, units: 10 },
  ];
  expect(unitsAtRank(curve, 10)).toBeCloseTo(100, 8);
  expect(unitsAtRank(curve, 1)).toBeCloseTo(1000, 8);
  expect(unitsAtRank(curve, 1000)).toBeCloseTo(1, 8);
  expect(unitsAtRank([], 10)).toBeNull();
  expect(unitsAtRank(curve, null)).toBeNull();
});

test('faults of a title', () => {
  expect(titleFaults('Waterproof Panniers | Tarnwick', ['waterproof panniers'], 60)).toEqual([]);
  expect(titleFaults('Carry more…', ['panniers'], 5)).toEqual([
    'none of its best keywords',
    'too long',
    'cut off',
  ]);
  expect(titleFaults('Carry more', [], 60)).toEqual([]);
});

describe('trend', () => {
  const shape = [0.6, 0.7, 1, 1.4, 1.6, 1.5, 1.2, 1, 0.9, 0.8, 0.7, 0.6];
  const series = (growth: number) =>
    Array.from({ length: 36 }, (_, i) => Math.round(1000 * shape[i % 12]! * Math.exp((growth * i) / 12)));

  test('is found under the season, and called only when certain', () => {
    expect(trendOf(series(0.4), 0)).toMatchObject({ word: 'rising' });
    expect(trendOf(series(0.4), 0)!.slope).toBeCloseTo(0.4, 1);
    expect(trendOf(series(-0.4), 0)).toMatchObject({ word: 'falling' });
    expect(trendOf(Array(36).fill(500), 0)).toEqual({ slope: 0, p: 1, word: 'level' });
    expect(trendOf([...Array(30).fill(null), 1, 2, 3, 4, 5, 6], 0)).toBeNull();
  });

  test('peak and strength of the season', () => {
    expect(peakMonth(shape)).toBe(4);
    expect(peakMonth(null)).toBeNull();
    expect(seasonStrength(series(0), 0)!).toBeGreaterThan(0.95);
    expect(seasonStrength(Array(12).fill(5), 0)).toBeNull();
  });
});
