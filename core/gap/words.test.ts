import fc from 'fast-check';
import { ABSENT, UNKNOWN } from '../ranking/position';
import { ACTIONS } from './action';
import { rivalLetters } from './letters';
import { ENGLISH_REASONS, reason, type ReasonFacts, type ReasonWords } from './reason';
import { hasAsTyped, prepareKeyword, prepareText, textStanding } from './textStanding';

describe('how the words of a target stand to a keyword', () => {
  const text = prepareText(
    'Waterproof Panniers for Touring | Tarnwick',
    ['Bike bags that stay dry.', 'Roll top'],
    'en',
  );
  test.each([
    ['waterproof panniers', { phraseInTitle: 1, wordsInTitle: 1, wordsInFields: 0 }],
    ['panniers waterproof', { phraseInTitle: 0, wordsInTitle: 1, wordsInFields: 0 }],
    ['bike panniers', { phraseInTitle: 0, wordsInTitle: 0.5, wordsInFields: 0.5 }],
    ['panniers panniers', { phraseInTitle: 0, wordsInTitle: 1, wordsInFields: 0 }],
    ['pannier', { phraseInTitle: 1, wordsInTitle: 1, wordsInFields: 0 }],
    ['pannier tour', { phraseInTitle: 0, wordsInTitle: 1, wordsInFields: 0 }],
    ['panniers of touring', { phraseInTitle: 0, wordsInTitle: 1, wordsInFields: 0 }],
    ['roll top bags', { phraseInTitle: 0, wordsInTitle: 0, wordsInFields: 1 }],
  ] as const)('%s', (keyword, expected) =>
    expect(textStanding(prepareKeyword(keyword, 'en'), text)).toEqual(expected),
  );

  test('what stands there letter by letter is told apart from another form', () => {
    expect(hasAsTyped(prepareKeyword('waterproof panniers', 'en'), text)).toBe(true);
    expect(hasAsTyped(prepareKeyword('waterproof pannier', 'en'), text)).toBe(false);
    // Of a language without stems only the word itself counts.
    const plain = prepareText('Waterproof Panniers', [], 'xx');
    expect(textStanding(prepareKeyword('pannier', 'xx'), plain).wordsInTitle).toBe(0);
  });

  test('a phrase in the title means all words in the title; a title has its own words whole', () => {
    const word = fc.constantFrom('bag', 'bike', 'rain', 'cover', 'dry');
    const phrase = fc.array(word, { minLength: 1, maxLength: 5 }).map((words) => words.join(' '));
    fc.assert(
      fc.property(phrase, phrase, (keyword, title) => {
        const of = (text: string, title: string) =>
          textStanding(prepareKeyword(text, 'en'), prepareText(title, [], 'en'));
        const standing = of(keyword, title);
        if (standing.phraseInTitle === 1) expect(standing.wordsInTitle).toBe(1);
        expect(of(title, title).phraseInTitle).toBe(1);
      }),
    );
  });
});

describe('letters of rivals', () => {
  test.each([
    [
      ['Cobblemoor', 'Pikewater', 'Dunmarrow', 'Saltfen'],
      ['C', 'P', 'D', 'S'],
    ],
    [
      ['Pike', 'Pikewater', 'Pik'],
      ['P', 'I', 'K'],
    ],
    [
      ['A', 'A', 'A'],
      ['A', 'B', 'C'],
    ],
    [
      ['42', '7'],
      ['A', 'B'],
    ],
    [
      ['Über', 'Ümit'],
      ['Ü', 'M'],
    ],
  ])('of %j are %j', (names, letters) => expect(rivalLetters(names)).toEqual(letters));

  test('differ for any thirty names', () => {
    fc.assert(
      fc.property(fc.array(fc.string(), { maxLength: 20 }), (names) => {
        const letters = rivalLetters(names);
        expect(new Set(letters).size).toBe(names.length);
      }),
    );
  });
});

describe('the reason for an action', () => {
  const facts: ReasonFacts = {
    action: 'retitle',
    own: 14,
    ownPaid: ABSENT,
    rivalsInFront: [3, 5, 9],
    front: 10,
    frontPhrase: { results: 10, held: 4 },
    ownTargets: 1,
    searches: 14_237,
    asIs: 0.12,
    chance: 0.64,
    value: 309.7,
    currency: 'USD',
    effort: 0.25,
    elsewhere: null,
  };
  test.each([
    [
      {},
      'Adds about 310 USD a month for a quarter of a day: searched 14,200 times a month, we stand at 14 with the phrase missing from the title; 6 of the first 10 lack it too; the chance of the first 10 goes from 12 % to 64 %.',
    ],
    [
      {
        frontPhrase: null,
        chance: null,
        elsewhere: { won: { keywords: 6, clicks: 121.7 }, lost: { keywords: 1, clicks: 40.2 } },
      },
      'Adds about 310 USD a month for a quarter of a day: searched 14,200 times a month, we stand at 14 with the phrase missing from the title; wins about 122 clicks on 6 other keywords of the page; costs about 40 clicks on 1 other keyword.',
    ],
    [
      { frontPhrase: { results: 10, held: 0 }, chance: null },
      'Adds about 310 USD a month for a quarter of a day: searched 14,200 times a month, we stand at 14 with the phrase missing from the title; none of the first 10 has it.',
    ],
    [
      { frontPhrase: { results: 5, held: 5 }, asIs: null, effort: 0.1 },
      'Adds about 310 USD a month for a tenth of a day: searched 14,200 times a month, we stand at 14 with the phrase missing from the title.',
    ],
    [
      { action: 'strengthen', rivalsInFront: [2], effort: 1, searches: 96 },
      'Adds about 310 USD a month for a day: searched 96 times a month, we stand at 14, a rival at 2; the chance of the first 10 goes from 12 % to 64 %.',
    ],
    [
      { action: 'new page', own: ABSENT, rivalsInFront: [1, 2], effort: 3, value: null, asIs: null },
      'What it adds is unknown, for 3 days: searched 14,200 times a month, rivals at 1 and 2, and no page of ours holds all its words.',
    ],
    [
      { action: 'trim bid', own: 2, ownPaid: 1, effort: 0.5, value: 8.25 },
      'Adds about 8.3 USD a month for half a day: we pay for slot 1 while standing at 2 without paying.',
    ],
    [
      { action: 'advertise', own: ABSENT, searches: null },
      'Adds about 310 USD a month for a quarter of a day: we are absent, and a click is worth more than it costs.',
    ],
    [{ action: 'merge', own: 3, ownTargets: 2 }, '2 of our pages share this result page, the best at 3.'],
    [{ action: 'hold', own: 1 }, 'We stand at 1; nothing that can be done would add to it.'],
  ] as [Partial<ReasonFacts>, string][])('%j', (over, sentence) =>
    expect(reason({ ...facts, ...over })).toBe(sentence),
  );

  test('is said with the words and numbers of another language', () => {
    const words = Object.fromEntries(
      Object.entries(ENGLISH_REASONS).map(([name, text]) => [name, text.replace(/^searched/, 'gesucht')]),
    ) as ReasonWords;
    const said = reason({ ...facts, action: 'strengthen' }, words, 'de-DE');
    expect(said).toContain('gesucht 14.200 times');
    expect(said).toContain('rivals at 3, 5 and 9');
  });

  test('is one sentence for every action and position', () => {
    for (const action of ACTIONS) {
      for (const own of [1, 14, 60, ABSENT, UNKNOWN])
        expect(reason({ ...facts, action, own })).toMatch(/^[A-Z0-9].*\.$/);
    }
  });
});
