import { priorCurve } from '../ranking/clickThrough';
import { ABSENT } from '../ranking/position';
import { VOLUME_SIGMA } from './spreadOfWorth';
import { type WorthMade, chanceSpread, worthParts } from './worthParts';

const curve = priorCurve('web');
const made: WorthMade = {
  expectedVolume: 6480,
  volumeRange: null,
  featureFactor: 0.95,
  curve,
  aim: 5,
  own: 14,
  chance: 0.41,
  chanceError: 0.2,
  meanChance: 0.5,
  chanceSpread: 0.9,
  worth: 0.62,
  worthSigma: 0.3,
  fit: 0.7,
  effort: 0.25,
};

test('each part with how sure it is', () => {
  const parts = worthParts(made);
  expect(parts).toMatchObject({ demand: 6480, demandSigma: VOLUME_SIGMA, worth: 0.62, worthSigma: 0.3 });
  expect(parts).toMatchObject({ fit: 0.7, effort: 0.25, logitError: 0.2 });
  expect(parts.clickShare).toBeCloseTo(0.95 * (curve[5]! - curve[14]!), 12);
  expect(parts.logit).toBeCloseTo(Math.log(0.41 / 0.59), 12);
});

test('an unknown chance is the market’s mean, as unsure as chances there differ', () => {
  expect(worthParts({ ...made, chance: NaN })).toMatchObject({ logit: 0, logitError: 0.9 });
  expect(worthParts({ ...made, chanceError: NaN }).logitError).toBe(0);
});

test('a range says how unsure the volume is; who stands above the aim gains nothing; absent gets all of it', () => {
  expect(worthParts({ ...made, volumeRange: { low: 100, high: 1000 } }).demandSigma).toBeCloseTo(
    Math.log(10) / Math.sqrt(12),
    12,
  );
  expect(worthParts({ ...made, own: 2 }).clickShare).toBe(0);
  expect(worthParts({ ...made, own: ABSENT }).clickShare).toBeCloseTo(0.95 * curve[5]!, 12);
});

test('spread of chances: on the logit, certain and unknown ones left out', () => {
  expect(chanceSpread([0.5, NaN, 0, 1])).toBe(0);
  const [a, b] = [Math.log(0.2 / 0.8), Math.log(0.6 / 0.4)];
  expect(chanceSpread([0.2, NaN, 0.6])).toBeCloseTo(Math.abs(a - b) / 2, 12);
});
