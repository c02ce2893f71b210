import { Revisions } from '../../data/grounds';
import { Kept, nameOf } from './kept';

const at = (counts: Record<string, number>, of = { project: 1, market: 2 }): Revisions =>
  new Revisions(of, new Map(Object.entries(counts)));

test('who asks while it is made waits for the same; what fails is not kept', async () => {
  const kept = new Kept();
  let made = 0;
  const make = async (): Promise<number> => {
    await Promise.resolve();
    return ++made;
  };
  expect(await Promise.all([kept.get('pool', 'a', make), kept.get('pool', 'a', make)])).toEqual([1, 1]);
  expect(await kept.get('order', 'a', make)).toBe(2);
  await expect(kept.get('pool', 'b', () => Promise.reject(new Error('no')))).rejects.toThrow('no');
  expect(await kept.get('pool', 'b', make)).toBe(3);
  kept.forget('pool', 'b');
  expect(await kept.get('pool', 'b', make)).toBe(4);
});

test('a name changes with what its kind rests on, with what was asked, and with nothing else', () => {
  const name = nameOf('comparison', at({ facts: 3, verdicts: 1 }), ['2026-06-01']);
  expect(nameOf('comparison', at({ facts: 3, verdicts: 9 }), ['2026-06-01'])).toBe(name);
  expect(nameOf('comparison', at({ facts: 4, verdicts: 1 }), ['2026-06-01'])).not.toBe(name);
  expect(nameOf('comparison', at({ facts: 3, verdicts: 1 }), ['2026-06-02'])).not.toBe(name);
  expect(nameOf('comparison', at({ facts: 3 }, { project: 1, market: 5 }), ['2026-06-01'])).not.toBe(name);
  expect(nameOf('comparison', at({ facts: 3, lists: 1 }), ['2026-06-01'], ['lists'])).not.toBe(
    nameOf('comparison', at({ facts: 3, lists: 2 }), ['2026-06-01'], ['lists']),
  );
});
