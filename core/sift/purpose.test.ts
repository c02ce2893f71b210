import { PURPOSE_WORDS, purposeReader } from './purpose';

const NOTHING = { paidSlots: null, dearClick: null, itemShare: null };

describe('what a search is for', () => {
  test.each([
    ['tarnwick panniers', NOTHING, 'seek', 'tarnwick'],
    ['bike shop near me', NOTHING, 'seek', 'near me'],
    ['best panniers', NOTHING, 'weigh', 'best'],
    ['panniers vs backpack', NOTHING, 'weigh', 'vs'],
    ['how to fit panniers', NOTHING, 'learn', 'how'],
    [
      'panniers',
      { paidSlots: 4, dearClick: true, itemShare: null },
      'buy',
      '4 paid slots, CPC in the top 40 %',
    ],
    [
      'waterproof panniers for women',
      { paidSlots: 0, dearClick: false, itemShare: 0.5 },
      'buy',
      'items, 4 words',
    ],
    ['waterproof panniers for women', NOTHING, 'unclear', 'only 4 words'],
    ['panniers', { paidSlots: 2, dearClick: null, itemShare: 0.4 }, 'unclear', 'no sign'],
  ] as const)('%s, %j: %s', (key, signs, purpose, evidence) => {
    const found = purposeReader(PURPOSE_WORDS.en, ['tarnwick'])(key, signs);
    expect(found.purpose).toBe(purpose);
    expect(found.evidence).toContain(evidence);
  });

  test('words count only whole, and the first rule holds', () => {
    expect(purposeReader(PURPOSE_WORDS.en, [])('topper bag', NOTHING).purpose).toBe('unclear');
    expect(purposeReader(PURPOSE_WORDS.en, ['tarnwick'])('how good is tarnwick', NOTHING).purpose).toBe(
      'seek',
    );
    expect(purposeReader(PURPOSE_WORDS.de, [])('wie beste tasche', NOTHING).purpose).toBe('weigh');
  });
});
