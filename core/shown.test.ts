import { shown, speller, spelledDay } from './shown';

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

test('another language spells them its own way', () => {
  const german = speller({ numbers: 'de-DE', days: 'de-DE' });
  expect(german.shown('money', 12_345.6)).toBe('12.346');
  expect(german.shown('share', 0.0512)).toBe('5,1 %');
  expect(german.spelledDay('2026-03-14')).toBe('14. März 2026');
});
