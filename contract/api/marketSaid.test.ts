import { marketApart } from './marketSaid';

const US = { place: 'US', placeName: 'United States', language: 'en', languageName: 'English' };

test.each([
  [[], [], null],
  [['US'], ['en'], null],
  [['DE', 'US'], ['de', 'en'], null],
  [['DE'], [], 'Its rows speak of country DE; the market is United States, English.'],
  [[], ['de'], 'Its rows speak of language de; the market is United States, English.'],
  [
    ['DE', 'AT', 'CH', 'LI'],
    ['de'],
    'Its rows speak of country DE, AT, CH and language de; the market is United States, English.',
  ],
])('rows of %j in %j', (countries, languages, expected) => {
  expect(marketApart(US, { countries, languages })).toBe(expected);
});

test('a place within a country is of that country', () => {
  const city = { ...US, place: 'US@city:Fernmoor' };
  expect(marketApart(city, { countries: ['US'], languages: [] })).toBeNull();
  expect(marketApart(city, { countries: ['GB'], languages: [] })).toContain('country GB');
});
