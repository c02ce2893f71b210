import type { Round, Task } from '@opsimath/contract/api/rounds';
import { draftOfRound } from './draftOfRound';
import { placeBefore } from './placeBefore';
import { BEHIND, LATE, daysWord, spanWord, warningsOf, whereOfTask } from './roundWords';

const at = (id: number, place: number) => ({ id, place });
const task = (over: Partial<Task>): Task =>
  ({ due: null, startBy: null, year: null, step: 'picked', ...over }) as Task;
const round = { starts: '2026-03-16', ends: '2026-03-27' } as Round;

test.each([
  ['before the first', [at(1, 4), at(2, 6)], 1, 3.5],
  ['between two', [at(1, 4), at(2, 6)], 2, 5],
  ['behind all', [at(1, 4), at(2, 6)], undefined, 7],
  ['into an empty round', [], undefined, 1],
  ['before one that is gone', [at(1, 4)], 9, 5],
])('%s', (_, tasks, before, place) => expect(placeBefore(tasks, before)).toBe(place));

test('a task that is dragged about for long keeps a place of its own', () => {
  let tasks = [at(1, 1), at(2, 2)];
  for (let n = 0; n < 40; n++) tasks = [tasks[0]!, at(n + 3, placeBefore(tasks, tasks[1]!.id)), tasks[1]!];
  expect(new Set(tasks.map(({ place }) => place)).size).toBe(3);
});

test.each([
  [0.25, '¼ day'],
  [1, '1 day'],
  [1.25, '1.25 days'],
  [0, '0 days'],
  [3, '3 days'],
])('%d days', (days, words) => expect(daysWord(days)).toBe(words));

test('a span names its month once', () => {
  expect(spanWord(round)).toBe('16–27 Mar');
  expect(spanWord({ starts: '2026-03-30', ends: '2026-04-10' })).toBe('30 Mar – 10 Apr');
});

test.each([
  ['nothing stands against it', {}, []],
  ['its season starts before the round ends', { startBy: '2026-03-20' }, [LATE]],
  ['its season starts after it is due', { startBy: '2026-03-20', due: '2026-03-18' }, []],
  ['written already', { startBy: '2026-03-20', step: 'drafted' as const }, []],
  ['due after the round', { due: '2026-04-02' }, [BEHIND]],
  ['dated', { year: 2026 }, ['dated 2026: offered again for 2027']],
])('%s', (_, over, warnings) => expect(warningsOf(task(over), round)).toEqual(warnings));

test('where work is done: a page of ours, one that is planned, or an ad', () => {
  expect(whereOfTask({ address: 'a.example/x/y', action: 'retitle' })).toBe('/x/y');
  expect(whereOfTask({ address: '', action: 'new page' })).toBe('planned');
  expect(whereOfTask({ address: '', action: 'advertise' })).toBe('');
});

test('a first round begins on the Monday after and lasts two working weeks; another follows the one before', () => {
  for (const day of ['2026-03-13', '2026-03-14', '2026-03-15'])
    expect(draftOfRound(undefined, day, '')).toMatchObject({
      name: 'Round 1',
      starts: '2026-03-16',
      ends: '2026-03-27',
      people: [{ name: 'Me', days: 10 }],
    });
  expect(draftOfRound(undefined, '2026-03-16', 'Ada')).toMatchObject({
    starts: '2026-03-23',
    people: [{ name: 'Ada', days: 10 }],
  });
  const next = draftOfRound(
    { ...round, name: 'Round 3', most: 9, people: [{ name: 'Bo', days: 4, used: 2 }] } as Round,
    '',
    '',
  );
  expect(next).toMatchObject({ name: 'Round 4', most: 9, people: [{ name: 'Bo', days: 4 }] });
  expect(next.starts > round.ends).toBe(true);
});
