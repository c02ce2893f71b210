import fc from 'fast-check';
import { CHANCE_ENDS, CHANCE_TICKS, chanceAtPlace, placeOfChance } from './chanceScale';

test('a half stands in the middle, near chances are spread, the ends hold the rest', () => {
  expect(placeOfChance(0.5)).toBe(0);
  expect(placeOfChance(0.99) - placeOfChance(0.95)).toBeGreaterThan(placeOfChance(0.55) - placeOfChance(0.5));
  expect([placeOfChance(0), placeOfChance(1)]).toEqual([...CHANCE_ENDS]);
  expect(CHANCE_ENDS.map(chanceAtPlace)).toEqual([0, 1]);
});

test('a place leads back to its chance, in order', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.003, max: 0.997, noNaN: true }), (chance) => {
      expect(chanceAtPlace(placeOfChance(chance))).toBeCloseTo(chance, 9);
    }),
  );
  const places = CHANCE_TICKS.map(placeOfChance);
  expect([...places].sort((a, b) => a - b)).toEqual(places);
});
