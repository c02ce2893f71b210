import fc from 'fast-check';
import { type TagCandidate, proposeTags } from './proposeTags';

const tag = (text: string, volume: number): TagCandidate => ({ key: text, text, volume });
const limit = (most: number) => ({ most, unit: 'characters' as const });

test('the lead always and first, the most specific next, general ones last', () => {
  const candidates = [
    tag('bike bag', 10),
    tag('waterproof bike bag', 50),
    tag('bag', 900),
    tag('roll top', 60),
  ];
  const { tags, volume, next } = proposeTags(candidates, 4, limit(100));
  expect(tags.map(({ candidate }) => candidates[candidate]!.text)).toEqual([
    'bike bag',
    'waterproof bike bag',
    'roll top',
    'bag',
  ]);
  expect(tags.map(({ isGeneral }) => isGeneral)).toEqual([true, false, false, true]);
  expect(volume).toBe(1020);
  expect(next).toBeNull();
});

test('what was left out says how much room it lacks', () => {
  const { tags, next } = proposeTags([tag('aa', 1), tag('bbbb', 9), tag('cccc', 8)], 9, limit(8));
  expect(tags.map(({ candidate }) => candidate)).toEqual([0, 1]);
  // “aa bbbb” are 7 of 8; “cccc” and what stands before it are 5.
  expect(next).toEqual({ candidate: 2, lacking: 4 });
});

test('a lead that does not fit gives nothing; of equal keys one counts', () => {
  expect(proposeTags([tag('too long', 1)], 3, limit(4)).tags).toEqual([]);
  expect(proposeTags([tag('a', 1), tag('a', 5)], 3, limit(40)).tags).toHaveLength(1);
});

test('no other choice within the limits is searched more', () => {
  const word = fc.stringMatching(/^[a-e]{1,6}$/);
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.tuple(word, fc.integer({ min: 1, max: 100 })), {
        minLength: 1,
        maxLength: 9,
        selector: ([text]) => text,
      }),
      fc.integer({ min: 1, max: 6 }),
      fc.integer({ min: 6, max: 30 }),
      (pairs, most, room) => {
        const candidates = pairs.map(([text, volume]) => tag(text, volume));
        let best = 0;
        for (let set = 1; set < 1 << candidates.length; set += 2) {
          const chosen = candidates.filter((_, n) => (set >> n) & 1);
          const length = chosen.map(({ text }) => text).join(' ').length;
          if (chosen.length > most || length > room) continue;
          best = Math.max(
            best,
            chosen.reduce((sum, { volume }) => sum + volume, 0),
          );
        }
        const { tags, volume } = proposeTags(candidates, most, limit(room));
        const written = tags.map(({ candidate }) => candidates[candidate]!.text).join(' ');
        expect(volume).toBe(best);
        expect(tags.length).toBeLessThanOrEqual(most);
        expect(written.length).toBeLessThanOrEqual(room);
      },
    ),
  );
});
