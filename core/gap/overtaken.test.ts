import fc from 'fast-check';
import { ABSENT, UNKNOWN } from '../ranking/position';
import { overtakenBy } from './overtaken';

test.each([
  [
    'who came past us, the best placed first',
    { now: 9, before: 4 },
    [
      [6, 5],
      [12, 3],
      [2, 7],
    ],
    [1, 0],
  ],
  [
    'nobody where everybody keeps his side',
    { now: 9, before: 4 },
    [
      [12, 13],
      [2, 1],
    ],
    [],
  ],
  ['who came from nowhere', { now: 9, before: 4 }, [[ABSENT, 3]], [0]],
  [
    'who stayed while we left',
    { now: ABSENT, before: 4 },
    [
      [8, 30],
      [2, 1],
    ],
    [0],
  ],
  [
    'nothing of what is unknown',
    { now: 9, before: 4 },
    [
      [UNKNOWN, 3],
      [3, UNKNOWN],
    ],
    [],
  ],
  ['nothing where ours is unknown', { now: UNKNOWN, before: 4 }, [[8, 3]], []],
])('%s', (_, own, pairs, found) =>
  expect(
    overtakenBy(
      own,
      pairs.map(([before, now]) => ({ before: before!, now: now! })),
    ),
  ).toEqual(found),
);

test('turned round in time nobody overtakes us who overtook us', () => {
  const place = fc.constantFrom(1, 2, 5, 9, 30, ABSENT, UNKNOWN);
  const pair = fc.record({ now: place, before: place });
  fc.assert(
    fc.property(pair, fc.array(pair, { maxLength: 6 }), (own, rivals) => {
      const turned = ({ now, before }: { now: number; before: number }) => ({ now: before, before: now });
      const back = new Set(overtakenBy(turned(own), rivals.map(turned)));
      for (const rival of overtakenBy(own, rivals)) expect(back.has(rival)).toBe(false);
    }),
  );
});
