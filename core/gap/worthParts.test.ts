import { VOLUME_SIGMA } from './spreadOfWorth';
import { ASSUMED_ERROR, type WorthMade, worthParts } from './worthParts';

const made: WorthMade = {
  volumeRange: null,
  clicks: 240,
  value: 240 * 0.62 * 0.7 - 30,
  clicksError: 12,
  worth: 0.62,
  worthSigma: 0.3,
  fit: 0.7,
  effort: 0.25,
};

test('each part with how sure it is; what it costs beside work is what its value lacks', () => {
  const parts = worthParts(made);
  expect(parts).toMatchObject({ clicks: 240, clicksError: 12, demandSigma: VOLUME_SIGMA });
  expect(parts).toMatchObject({ worth: 0.62, worthSigma: 0.3, fit: 0.7, effort: 0.25 });
  expect(parts.cost).toBeCloseTo(30, 9);
});

test('clicks that rest on a position alone are half unsure; a range says how unsure the volume is', () => {
  expect(worthParts({ ...made, clicksError: NaN }).clicksError).toBe(240 * ASSUMED_ERROR);
  expect(worthParts({ ...made, clicks: -10, clicksError: NaN }).clicksError).toBe(10 * ASSUMED_ERROR);
  expect(worthParts({ ...made, volumeRange: { low: 100, high: 1000 } }).demandSigma).toBeCloseTo(
    Math.log(10) / Math.sqrt(12),
    12,
  );
});
