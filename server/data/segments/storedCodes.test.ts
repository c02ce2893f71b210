import { FOUND_BY, FOUND_BY_CODES } from '@opsimath/contract/api/foundBy';
import { ABSENT, UNKNOWN } from '@opsimath/core/ranking/position';
import { LANGUAGES } from '@opsimath/core/text/languages';
import { ABOVE, FEATURE_CODES } from './captureColumns';
import { MATCH_CODES } from './matchCodes';
import { TREND_WORDS } from './metricsColumns';

/*
 * What stands as a number in segments that were written long ago. A code that moves gives every old fact another meaning: add
 * at the end, never change one.
 */
test('stored codes stay what they are', () => {
  expect(FOUND_BY_CODES).toEqual({
    organic: 0,
    paid: 1,
    suggestions: 2,
    'one letter more': 3,
    'one letter before': 4,
    phrase: 5,
    'all words': 6,
    'also ranked': 7,
    spellings: 8,
    'words of the front': 9,
    tags: 10,
    'phrases of the target': 11,
    'channel keywords': 12,
    list: 13,
    import: 14,
    combined: 15,
    'any word': 16,
  });
  expect(FOUND_BY.map((way) => FOUND_BY_CODES[way])).toEqual(FOUND_BY.map((_, code) => code));
  expect(FEATURE_CODES).toEqual(['', 'answer box', 'image block', 'video block', 'related searches']);
  expect(ABOVE).toEqual({ answerBox: 1, imageBlock: 2, videoBlock: 4 });
  expect(MATCH_CODES).toEqual(['', 'exact', 'phrase', 'broad']);
  expect(TREND_WORDS).toEqual(['', 'falling', 'level', 'rising']);
  expect([UNKNOWN, ABSENT]).toEqual([0, 255]);
  expect(LANGUAGES).toEqual(['en', 'de', 'es']);
});
