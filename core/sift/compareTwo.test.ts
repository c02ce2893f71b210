import fc from 'fast-check';
import { type Standing, compareTwo, frontOverlap } from './compareTwo';

const standing = (more: Partial<Standing>): Standing => ({
  key: 'bike bag',
  volume: 1000,
  priority: 50,
  demand: 1000,
  gain: 100,
  chance: 0.5,
  worth: 1,
  fit: 1,
  effort: 1,
  ...more,
});

describe('a choice between two keywords', () => {
  test('priority decides, and its factors say why', () => {
    const decision = compareTwo(
      standing({ priority: 40, chance: 0.2, demand: 2000, gain: 200 }),
      standing({ priority: 60, chance: 0.6 }),
    );
    expect(decision).toMatchObject({ ahead: 1, by: 'priority', against: [{ factor: 'demand', times: 2 }] });
    expect(decision.for).toHaveLength(1);
    expect(decision.for[0]!.factor).toBe('chance');
    expect(decision.for[0]!.times).toBeCloseTo(3);
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
      .record({ priority: figure, volume: figure, demand: figure, gain: figure, chance: figure })
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
