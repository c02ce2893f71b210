import { projectSettings } from '@opsimath/contract/api/projects';
import { readLimits, writeLimits } from '@opsimath/contract/api/gapLimits';
import { readScope } from '../../state/scope';
import { EVERYTHING, gapFilterOf, isNarrowed } from './narrowed';
import { notUsual } from './notUsual';

test('usual settings need no word; each that is not is told', () => {
  const usual = projectSettings.parse({});
  expect(notUsual(usual)).toEqual([]);
  expect(
    notUsual({
      ...usual,
      front: 5,
      efforts: { ...usual.efforts, retitle: 2 },
      curvePrior: { ...usual.curvePrior, video: { first: 0.2, decay: 1 } },
      chanceFitted: false,
      chanceWeights: usual.chanceWeights.with(0, 2),
      volumeBorrowed: true,
      handCounts: true,
      margin: 0.3,
    }),
  ).toEqual([
    'front 5',
    'effort to retitle 2',
    'curve of video 0.2, 1',
    'default weights of chance',
    'weights of chance that is not fitted',
    'margin 0.3',
    'volume borrowed where unknown',
    'positions typed in count',
  ]);
});

test.each([
  '',
  'kinds=absent',
  'limits=volume:5..',
  'cluster=4',
  'answering=a.example',
  'rivals=3',
  'find=x',
])('an address with “%s” is narrowed by just that, and letting go of everything undoes it', (address) => {
  const scope = readScope(new URLSearchParams(address));
  expect(isNarrowed(scope)).toBe(address !== '');
  expect(isNarrowed({ ...scope, ...EVERYTHING })).toBe(false);
});

test('a scope asks the API for what it holds', () => {
  const scope = readScope(
    new URLSearchParams(
      'kinds=absent&bands=4–10&limits=chance:0.2..0.6&sort=-volume,keyword&cluster=9&inList=2',
    ),
  );
  expect(gapFilterOf(scope)).toMatchObject({
    kinds: ['absent'],
    bands: ['4–10'],
    pageKinds: [],
    names: [],
    purposes: [],
    limits: 'chance:0.2..0.6',
    sort: '-volume,keyword',
    cluster: 9,
    inList: 2,
    target: undefined,
  });
});

test.each([
  ['volume:100..,chance:..0.5?', 'volume:100..,chance:..0.5?'],
  ['move:-5..-1', 'move:-5..-1'],
  ['demand:1e3..2e4', 'demand:1000..20000'],
  ['nonsense,volume,volume:x..y', ''],
])('limits %s are read as %s', (text, expected) => {
  expect(writeLimits(readLimits(text))).toBe(expected);
});
