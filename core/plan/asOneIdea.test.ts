import { asOneIdea } from './asOneIdea';
import type { Work } from './workList';

const work = (lead: number, value: number, others: [number, number][] = []): Work => ({
  action: 'new page',
  place: 0,
  lead,
  serves: [[lead, value] as [number, number], ...others].map(([entry, clicks]) => ({
    entry,
    clicks,
    value: clicks,
  })),
  cost: 0,
  effort: 3,
  value: value + others.reduce((sum, [, clicks]) => sum + clicks, 0),
  priority: 0,
});

test('several ideas that are one page: the best leads, a gain counts once, the page is written once', () => {
  const one = asOneIdea([work(1, 10, [[3, 4]]), work(2, 30, [[3, 6]])]);
  expect(one).toMatchObject({ lead: 2, value: 46, effort: 3, cost: 0 });
  expect(one.priority).toBeCloseTo(46 / 3);
  expect(one.serves.map(({ entry, clicks }) => [entry, clicks])).toEqual([
    [2, 30],
    [1, 10],
    [3, 6],
  ]);
});

test('one idea stays what it is', () => {
  const { serves, value } = work(1, 5, [[2, 2]]);
  expect(asOneIdea([work(1, 5, [[2, 2]])])).toMatchObject({ serves, value, lead: 1 });
});
