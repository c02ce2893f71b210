import { easierNeighbours } from './neighbours';

const given = {
  chances: [0.2, 0.31, 0.29, 0.9, NaN, 0.5],
  worths: [1, 5, 9, NaN, 8, 5],
  clusters: [1, 1, 1, 2, 1, 2],
  contains: (at: number) => at === 3 || at === 5 || at === 1,
  times: 1.5,
};

test('of its cluster or containing it, easier by the factor, the most worth first', () => {
  // 1 is of the cluster before it is one that contains it; 2 is not easy enough; 4 is unknown.
  expect(easierNeighbours(0, given)).toEqual([
    { at: 1, why: 'same cluster' },
    { at: 5, why: 'contains it' },
    { at: 3, why: 'contains it' },
  ]);
});

test('without clusters only what contains it; nobody is easier than an unknown one', () => {
  expect(easierNeighbours(0, { ...given, clusters: null }).map(({ at }) => at)).toEqual([1, 5, 3]);
  expect(easierNeighbours(0, { ...given, clusters: null, contains: () => false })).toEqual([]);
  expect(easierNeighbours(4, given)).toEqual([]);
});
