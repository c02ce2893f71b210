import { People } from './people';

test('who waits is counted in every thread until there is an answer or a failure', async () => {
  const here = new People();
  const there = new People(here.shared);
  let answer: () => void = () => undefined;
  const waiting = here.waiting(() => new Promise<void>((resolve) => (answer = resolve)));
  expect(there.many).toBe(1);
  await expect(there.waiting(() => Promise.reject(new Error('no')))).rejects.toThrow('no');
  expect(here.many).toBe(1);
  answer();
  await waiting;
  expect([here.many, there.many]).toEqual([0, 0]);
});

test('long work goes on when nobody waits any more, and after a while though somebody does', async () => {
  const people = new People();
  await people.makeWay();
  let answer: () => void = () => undefined;
  const waiting = people.waiting(() => new Promise<void>((resolve) => (answer = resolve)));
  let passed = false;
  const work = people.makeWay().then(() => (passed = true));
  await Promise.resolve();
  expect(passed).toBe(false);
  // Nobody answers: it goes on all the same.
  await work;
  expect([passed, people.many]).toEqual([true, 1]);
  answer();
  await waiting;
});
