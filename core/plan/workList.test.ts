import fc from 'fast-check';
import { type WorkCandidate, workList } from './workList';

const work = (over: Partial<WorkCandidate>): WorkCandidate => ({
  action: 'retitle',
  place: 1,
  lead: 0,
  serves: [{ entry: 0, clicks: 10, value: 10 }],
  cost: 0,
  effort: 0.25,
  ...over,
});
const serving = (...values: [entry: number, value: number][]) =>
  values.map(([entry, value]) => ({ entry, clicks: value, value }));

test('the most for a day of work stands first', () => {
  const list = workList([
    work({ place: 1, lead: 0, serves: serving([0, 10]), effort: 1 }),
    work({ place: 2, lead: 1, serves: serving([1, 8]), effort: 0.25 }),
    work({ place: 0, lead: 2, action: 'advertise', serves: serving([2, 9]), cost: 8, effort: 0.1 }),
  ]);
  expect(list.map(({ lead, value, priority }) => [lead, value, priority])).toEqual(
    [
      [1, 8, 32],
      [0, 10, 10],
      [2, 1, 10],
    ].sort((a, b) => b[2]! - a[2]! || b[1]! - a[1]!),
  );
});

test('a gain counts once, for what stands first; a loss always', () => {
  const list = workList([
    work({ place: 1, lead: 0, serves: serving([0, 20], [5, 10], [6, -4]) }),
    work({ place: 2, lead: 1, serves: serving([1, 15], [5, 12], [6, -4]) }),
  ]);
  expect(list.map(({ lead, value }) => [lead, value])).toEqual([
    [0, 26],
    [1, 11],
  ]);
  expect(list[1]!.serves.map(({ entry }) => entry)).toEqual([1, 6]);
});

test('a target gets one new title, and may be strengthened beside it; a keyword leads once', () => {
  const list = workList([
    work({ lead: 0, serves: serving([0, 10]) }),
    work({ lead: 1, serves: serving([1, 9]) }),
    work({ lead: 2, action: 'strengthen', serves: serving([2, 8]), effort: 1 }),
    work({ lead: 0, place: 0, action: 'advertise', serves: serving([0, 50]), effort: 30 }),
  ]);
  expect(list.map(({ lead, action }) => [lead, action])).toEqual([
    [0, 'retitle'],
    [2, 'strengthen'],
  ]);
});

test('what brings nothing beside what stands before it is left out', () => {
  const list = workList([
    work({ place: 1, lead: 0, serves: serving([0, 20], [1, 20]) }),
    work({ place: 2, lead: 1, serves: serving([1, 30], [2, -5]) }),
    work({ place: 3, lead: 3, serves: serving([3, -1]) }),
  ]);
  expect(list.map(({ lead }) => lead)).toEqual([0]);
});

describe('of any candidates', () => {
  const served = fc.record({
    entry: fc.nat({ max: 12 }),
    clicks: fc.integer({ min: -20, max: 40 }),
  });
  const candidate = fc
    .record({
      action: fc.constantFrom('retitle' as const, 'strengthen' as const, 'advertise' as const),
      place: fc.nat({ max: 4 }),
      lead: fc.nat({ max: 12 }),
      others: fc.uniqueArray(served, { maxLength: 6, selector: ({ entry }) => entry }),
      cost: fc.nat({ max: 10 }),
      effort: fc.constantFrom(0.1, 0.25, 1, 3),
    })
    .map(({ others, ...rest }) => ({
      ...rest,
      serves: others.map(({ entry, clicks }) => ({ entry, clicks, value: 2 * clicks })),
    }));
  test('no gain is counted twice, none is missing that is the first’s, and the order is that of priority', () => {
    fc.assert(
      fc.property(fc.array(candidate, { maxLength: 12 }), (candidates) => {
        const list = workList(candidates);
        const gains = list.flatMap(({ serves }) => serves.filter(({ clicks }) => clicks > 0));
        expect(new Set(gains.map(({ entry }) => entry)).size).toBe(gains.length);
        for (const { value, serves, cost, priority, effort } of list) {
          expect(value).toBeCloseTo(serves.reduce((sum, one) => sum + one.value, 0) - cost, 9);
          expect(value).toBeGreaterThan(0);
          expect(priority).toBeCloseTo(value / effort, 9);
        }
        list.forEach((one, n) => {
          if (n > 0) expect(one.priority).toBeLessThanOrEqual(list[n - 1]!.priority + 1e-9);
        });
        const targets = list
          .filter(({ place }) => place !== 0)
          .map(({ place, action }) => `${place} ${action}`);
        expect(new Set(targets).size).toBe(targets.length);
        expect(new Set(list.map(({ lead }) => lead)).size).toBe(list.length);
      }),
    );
  });
});
