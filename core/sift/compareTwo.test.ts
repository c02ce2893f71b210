import fc from 'fast-check';
import { type KeywordStanding, compareTwo, frontOverlap } from './compareTwo';

const standing = (more: Partial<KeywordStanding>): KeywordStanding => ({
  key: 'bike bag',
  volume: 1000,
  priority: 50,
  demand: 1000,
  gain: 100,
  value: 100,
  worth: 1,
  fit: 1,
  effort: 1,
  ...more,
});

describe('a choice between two keywords', () => {
  test('priority decides, and its factors say why', () => {
    const decision = compareTwo(
      standing({ priority: 40, demand: 2000, gain: 200, value: 200 / 3, worth: 1 / 3 }),
      standing({ priority: 60 }),
    );
    expect(decision).toMatchObject({ ahead: 1, by: 'priority', against: [{ factor: 'demand', times: 2 }] });
    expect(decision.for).toHaveLength(1);
    expect(decision.for[0]!.factor).toBe('worth of a click');
    expect(decision.for[0]!.times).toBeCloseTo(3);
  });

  test('what is left after the cost is a reason of its own', () => {
    // Twice the clicks, but half of their worth is paid away.
    const { for: better, against } = compareTwo(
      standing({ priority: 70, gain: 200, value: 100, effort: 0.5 }),
      standing({ priority: 60 }),
    );
    expect(better.map(({ factor }) => factor).sort()).toEqual(['clicks added of each search', 'less effort']);
    expect(against).toEqual([{ factor: 'left after cost', times: 2 }]);
  });

  test('of equal ones the more searched, then the first by key; unknown is behind', () => {
    expect(compareTwo(standing({ volume: 10 }), standing({ volume: 20 }))).toMatchObject({
      ahead: 1,
      by: 'volume',
    });
    expect(compareTwo(standing({ key: 'b' }), standing({ key: 'a' }))).toMatchObject({ ahead: 1, by: 'key' });
    expect(compareTwo(standing({ priority: null }), standing({ priority: 0 }))).toMatchObject({ ahead: 1 });
  });

  test('the other way round the same one is ahead', () => {
    const figure = fc.option(fc.integer({ min: 0, max: 5 }), { nil: null });
    const any = fc
      .record({ priority: figure, volume: figure, demand: figure, gain: figure, value: figure })
      .map((more) => standing(more));
    fc.assert(
      fc.property(any, any, (a, b) => {
        const [first, second] = [
          { ...a, key: 'a' },
          { ...b, key: 'b' },
        ];
        const [one, other] = [compareTwo(first, second), compareTwo(second, first)];
        expect(other.ahead).toBe(1 - one.ahead);
        expect(other.for).toEqual(one.for);
      }),
    );
  });

  test('fronts overlap in what stands in both, each once', () => {
    expect(frontOverlap(['a', 'b', 'b', 'c'], ['c', 'b', 'd'])).toEqual(['b', 'c']);
    expect(frontOverlap(['a', 'b'], ['x', 'a'], 1)).toEqual([]);
  });
});
