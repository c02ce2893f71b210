import { counted, shown, spelledDay } from './shown';

test.each([
  [0, 'slot', undefined, '0 slots'],
  [1, 'slot', undefined, '1 slot'],
  [1200, 'keyword', undefined, '1,200 keywords'],
  [1, 'query', 'queries', '1 query'],
  [2, 'query', 'queries', '2 queries'],
  [null, 'result', undefined, '– results'],
])('%s of %s', (many, noun, nouns, words) => expect(counted(many, noun, nouns)).toBe(words));

test.each([
  ['share', 0.0512, undefined, '5.1 %'],
  ['money', 9.4, undefined, '9.4'],
  ['money', 12_345.6, undefined, '12,346'],
  ['money', 0.256, undefined, '0.26'],
  ['count', -0.2, undefined, '0'],
  ['decimal', 2.345, 2, '2.35'],
  ['position', null, undefined, '–'],
  ['day', '2026-03-14', undefined, '14 Mar 2026'],
] as const)('a %s of %s', (kind, value, digits, words) => expect(shown(kind, value, digits)).toBe(words));

test('what is no day stays as it is', () => expect(spelledDay('soon')).toBe('soon'));
