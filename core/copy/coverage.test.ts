import fc from 'fast-check';
import { coverage } from './coverage';
import { COVERAGES } from './coverageWords';

const FIELDS = ['waterproof panniers for touring', 'a bag for every bike', ''];

test.each([
  ['waterproof panniers', 'whole', 2, 2],
  ['touring panniers', 'one field', 2, 2],
  ['touring bike', 'spread', 2, 2],
  ['red touring bike', 'part', 2, 3],
  ['red rack', 'none', 0, 2],
  ['panniers for the panniers', 'part', 2, 3],
])('%s is covered as %s', (keyword, word, held, of) => {
  expect(coverage(keyword, FIELDS, null)).toEqual({ word, held, of });
});

test('by stems other forms count', () => {
  expect(coverage('pannier tour', FIELDS, null).word).toBe('none');
  expect(coverage('pannier tour', FIELDS, 'en').word).toBe('one field');
  expect(coverage('waterproof pannier', FIELDS, 'en').word).toBe('whole');
});

test('no order of the fields changes it, and more fields never make it worse', () => {
  const word = fc.constantFrom('bike', 'bag', 'red', 'rain', 'cover');
  const text = fc.array(word, { minLength: 1, maxLength: 5 }).map((parts) => parts.join(' '));
  fc.assert(
    fc.property(text, fc.array(text, { maxLength: 4 }), text, (keyword, fields, more) => {
      const found = coverage(keyword, fields, null);
      expect(coverage(keyword, [...fields].reverse(), null)).toEqual(found);
      const wider = coverage(keyword, [...fields, more], null);
      expect(COVERAGES.indexOf(wider.word)).toBeLessThanOrEqual(COVERAGES.indexOf(found.word));
      expect(found.held).toBeLessThanOrEqual(found.of);
    }),
  );
});
