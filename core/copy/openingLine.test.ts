import { openingOf, openingTicks } from './openingLine';

test('only the first sentence is the opening, at most 160 characters of it', () => {
  expect(openingOf('  Dry at last. The rest follows.')).toBe('Dry at last.');
  expect(openingOf('First line\nsecond')).toBe('First line');
  expect([...openingOf('😀'.repeat(200))]).toHaveLength(160);
});

test.each([
  [
    'You want a dry ride, but bags leak: our rear pannier keeps it out.',
    [true, true, true, true, true, true],
  ],
  ['Tarnwick: rear panniers.', [false, false, false, false, false, false]],
  ['', [false, false, false, false, false, false]],
  ['A rear pannier of one size.', [false, false, false, false, true, true]],
])('ticks of “%s”', (text, ticks) => {
  expect(Object.values(openingTicks(text, 'rear pannier', ['tarnwick'], 'en'))).toEqual(ticks);
});

test('German and Spanish have lists of their own; a language without any is read as English', () => {
  expect(openingTicks('Du suchst eine Tasche ohne Naht.', '', [], 'de')).toMatchObject({
    'names the want': true,
    'names the hindrance': true,
    'speaks to the reader': true,
  });
  expect(openingTicks('Buscas una bolsa que protege tu ropa.', '', [], 'es')['names the help']).toBe(true);
  expect(openingTicks('You want it.', '', [], 'fr')['names the want']).toBe(true);
});

test('the lead counts within 160 characters, also beyond the first sentence', () => {
  const ticks = (text: string) => openingTicks(text, 'rear pannier', [], 'en');
  expect(ticks('Dry. A rear pannier.')['lead keyword within 160 characters']).toBe(true);
  expect(ticks(`${'dry '.repeat(50)} rear pannier`)['lead keyword within 160 characters']).toBe(false);
});
