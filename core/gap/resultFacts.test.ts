import fc from 'fast-check';
import { type FrontResult, resultFacts } from './resultFacts';

const result = (more: Partial<FrontResult>): FrontResult => ({
  position: 1,
  title: '',
  owner: null,
  own: false,
  authority: null,
  age: null,
  price: null,
  rating: null,
  reviews: null,
  views: null,
  ...more,
});

const FRONT = [
  result({ position: 1, title: 'Bike Bag for Touring', owner: 'a.example', price: 40, authority: 60 }),
  result({
    position: 2,
    title: 'The best bike bag for touring',
    owner: 'b.example',
    price: 60,
    authority: 50,
  }),
  result({
    position: 3,
    title: 'Touring: a BAG for your bike',
    owner: 'a.example',
    price: 80,
    authority: 40,
  }),
  result({ position: 4, title: 'Bike bag', owner: 'us.example', own: true, price: 70, authority: 30 }),
];

test('a front in figures, ours beside', () => {
  const facts = resultFacts(FRONT, 'bike bag', 'en', null);
  expect(facts.quartiles.find(({ name }) => name === 'price')).toEqual({
    name: 'price',
    low: 55,
    middle: 65,
    high: 72.5,
    least: 40,
    most: 80,
    known: 4,
    ours: 70,
    quarter: 3,
  });
  expect(facts.quartiles.map(({ name }) => name)).toEqual(['title length', 'price', 'authority']);
  expect([facts.exactRivals, facts.allWords, facts.results]).toEqual([2, 3, 4]);
  expect(facts.several).toEqual([{ owner: 'a.example', positions: [1, 3] }]);
  expect(facts.phrasePlace).toEqual({ first: 2, later: 1 });
  expect(facts.capitals).toBe(1);
  expect(facts.patterns.slice(0, 2)).toEqual([
    { text: 'bike', titles: 4 },
    { text: 'bag', titles: 4 },
  ]);
});

test('where we are not on the front, what is known of our target stands beside it', () => {
  const facts = resultFacts(FRONT.slice(0, 3), 'bike bag', 'en', { price: 10, title: 'x' });
  expect(facts.quartiles.map(({ ours, quarter }) => [ours, quarter])).toEqual([
    [1, 1],
    [10, 1],
    [null, null],
  ]);
});

test('an empty front says nothing of anybody', () => {
  expect(resultFacts([], 'bike bag', 'en', null)).toMatchObject({
    quartiles: [],
    exactRivals: 0,
    results: 0,
  });
});

test('order of the results changes nothing, and quartiles lie within what there is', () => {
  const any = fc.record({
    position: fc.integer({ min: 1, max: 10 }),
    title: fc.constantFrom('Bike bag', 'Red bag', 'A bag for the bike', 'RAIN cover', ''),
    owner: fc.constantFrom('a.example', 'b.example', null),
    own: fc.boolean(),
    price: fc.option(fc.integer({ min: 1, max: 200 })),
  });
  const front = fc.uniqueArray(any, { selector: ({ position }) => position, maxLength: 10 });
  fc.assert(
    fc.property(front, fc.nat(), (drawn, turn) => {
      const results = drawn.map(result);
      const turned = results.map((_, n) => results[(n + turn) % results.length]!);
      const facts = resultFacts(results, 'bike bag', 'en', null);
      const sorted = ({ several, ...rest }: typeof facts) => ({
        ...rest,
        several: [...several].sort((a, b) => (a.owner < b.owner ? -1 : 1)),
      });
      expect(sorted(resultFacts(turned, 'bike bag', 'en', null))).toEqual(sorted(facts));
      for (const { least, low, middle, high, most } of facts.quartiles)
        expect([least, low, middle, high, most]).toEqual(
          [least, low, middle, high, most].sort((a, b) => a - b),
        );
      expect(facts.exactRivals).toBeLessThanOrEqual(facts.allWords);
    }),
  );
});
