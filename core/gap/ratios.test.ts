import { priorCurve } from '../ranking/clickThrough';
import { turnover, volumeToResults, volumeToRivals } from './ratios';

test('volume to results is for a thousand results, and unknown where nothing was counted', () => {
  expect(volumeToResults(500, 20_000)).toBe(25);
  expect(volumeToResults(0, 20_000)).toBe(0);
  for (const [volume, results] of [
    [500, 0],
    [500, NaN],
    [NaN, 20_000],
  ])
    expect(volumeToResults(volume!, results!)).toBeNaN();
});

test('volume to rivals counts one more, so that nobody is no division by nought', () => {
  expect(volumeToRivals(500, 0)).toBe(500);
  expect(volumeToRivals(500, 4)).toBe(100);
  expect(volumeToRivals(NaN, 4)).toBeNaN();
  expect(volumeToRivals(500, NaN)).toBeNaN();
});

test('turnover: demand × clicks of the front × conversion × price', () => {
  const curve = priorCurve('marketplace');
  const clicks = curve[1]! + curve[2]! + curve[3]!;
  expect(turnover(1000, curve, 3, 0.02, 50)).toBeCloseTo(1000 * clicks * 0.02 * 50, 9);
  expect(turnover(1000, curve, 4, 0.02, 50)).toBeGreaterThan(turnover(1000, curve, 3, 0.02, 50));
  expect(turnover(NaN, curve, 3, 0.02, 50)).toBeNaN();
});
