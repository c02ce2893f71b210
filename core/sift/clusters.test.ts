import fc from 'fast-check';
import { FIRST, LEAST_SHARED, clusterKeywords } from './clusters';

const front = (...places: number[]): number[] => [
  ...places,
  ...new Array<number>(FIRST - places.length).fill(0),
];
const cluster = (fronts: number[][], keys = fronts.map((_, i) => `keyword ${i}`)): number[] => [
  ...clusterKeywords(Int32Array.from(fronts.flat()), keys, 'en'),
];

test('two topics with fronts of their own are two clusters, numbered as they are met', () => {
  const bags = [1, 2, 3, 4, 5, 6];
  const racks = [11, 12, 13, 14, 15, 16];
  expect(cluster([front(...bags), front(...racks), front(...bags.slice(1), 7), front(...racks, 17)])).toEqual(
    [0, 1, 0, 1],
  );
});

test('three shared targets are too few, four are enough', () => {
  expect(cluster([front(1, 2, 3, 8), front(1, 2, 3, 9)])).toEqual([0, 1]);
  expect(cluster([front(1, 2, 3, 4, 8), front(9, 4, 3, 2, 1)])).toEqual([0, 0]);
});

test('one target that everybody has links nobody', () => {
  const fronts = Array.from({ length: 30 }, (_, i) => front(1, 100 + i, 200 + i));
  expect(new Set(cluster(fronts)).size).toBe(30);
});

test('without captures those of equal stems are together, whatever the order of the words', () => {
  const none = front();
  expect(cluster([none, none, none, none], ['bike bags', 'bag for bike', 'rain cover', 'bike bag'])).toEqual([
    0, 0, 1, 0,
  ]);
});

test('a capture is no match for stems: a keyword with one goes by its front', () => {
  expect(cluster([front(1, 2, 3, 4), front()], ['bike bag', 'bike bags'])).toEqual([0, 1]);
});

test('every keyword has one cluster, numbers have no holes, the same fronts give the same answer', () => {
  const fronts = fc.array(fc.uniqueArray(fc.integer({ min: 1, max: 25 }), { maxLength: FIRST }), {
    maxLength: 25,
  });
  fc.assert(
    fc.property(fronts, (given) => {
      const padded = given.map((places) => front(...places));
      const clusters = cluster(padded);
      expect(clusters).toHaveLength(given.length);
      const numbers = [...new Set(clusters)];
      expect(numbers).toEqual(numbers.map((_, n) => n));
      expect(cluster(padded)).toEqual(clusters);
      // Nobody is with others without a link to anybody at all.
      given.forEach((places, i) => {
        const linked = given.some(
          (others, j) => i !== j && others.filter((place) => places.includes(place)).length >= LEAST_SHARED,
        );
        if (places.length > 0 && !linked)
          expect(clusters.filter((number) => number === clusters[i])).toHaveLength(1);
      });
    }),
  );
});
