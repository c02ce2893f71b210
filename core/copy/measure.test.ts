import fc from 'fast-check';
import { UNITS, type Unit, cutAt, measure } from './measure';

const family = '👨‍👩‍👧‍👦';
const widthOf = (text: string): number => 7 * [...text].length;
const bytes = (text: string): number => new TextEncoder().encode(text).length;

test('a text is as long as its code points, its bytes, its width', () => {
  expect(measure('panniers', 'characters')).toBe(8);
  expect(measure('é', 'characters')).toBe(1);
  expect(measure('e\u0301', 'characters')).toBe(2);
  expect(measure('é', 'bytes')).toBe(2);
  expect(measure('自転車', 'bytes')).toBe(9);
  expect(measure(family, 'bytes')).toBe(25);
  expect(measure('حقائب', 'characters')).toBe(5);
  expect(measure('abc', 'pixels', widthOf)).toBe(21);
});

test.each<[string, number, Unit, string]>([
  ['panniers', 5, 'characters', 'panni'],
  ['panniers', 8, 'characters', 'panniers'],
  // A letter keeps its marks, an emoji its parts, a flag both its letters.
  ['cafe\u0301', 4, 'characters', 'caf'],
  [`a${family}b`, 5, 'characters', 'a'],
  [`a${family}b`, 8, 'characters', `a${family}`],
  ['🇩🇪🇫🇷', 3, 'characters', '🇩🇪'],
  ['自転車', 7, 'bytes', '自転'],
  ['é', 1, 'bytes', ''],
  ['حقائب', 6, 'bytes', 'حقا'],
])('%j cut at %d %s is %j', (text, limit, unit, kept) => {
  expect(text.slice(0, cutAt(text, limit, unit))).toBe(kept);
});

test('what stands before the cut fits, the next letter would not, and nothing is torn', () => {
  const texts = fc.string({ unit: 'grapheme', maxLength: 60 });
  const segmenter = new Intl.Segmenter(undefined, { granularity: 'grapheme' });
  fc.assert(
    fc.property(texts, fc.integer({ min: 0, max: 80 }), fc.constantFrom(...UNITS), (text, limit, unit) => {
      const cut = cutAt(text, limit, unit, widthOf);
      expect(measure(text.slice(0, cut), unit, widthOf)).toBeLessThanOrEqual(limit);
      const starts = [...segmenter.segment(text)].map(({ index }) => index);
      expect([...starts, text.length]).toContain(cut);
      const next = starts.find((at) => at > cut) ?? text.length;
      if (cut < text.length) expect(measure(text.slice(0, next), unit, widthOf)).toBeGreaterThan(limit);
      if (unit === 'bytes') expect(measure(text, unit)).toBe(bytes(text));
    }),
  );
});
