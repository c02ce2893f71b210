import fc from 'fast-check';
import { type FrontResult, resultFacts } from './resultFacts';

// Facts of a front (method §14) counted a second time, and what must hold of every front.

const WORDS = ['pannier', 'bag', 'waterproof', 'the', 'touring', 'LED', 'roll-top', '40l'];
const title = fc
  .array(fc.constantFrom(...WORDS), { minLength: 0, maxLength: 6 })
  .map((words) => words.join(' '));
const figure = (max: number) => fc.option(fc.integer({ min: 0, max }), { nil: null, freq: 4 });
const result = (position: number): fc.Arbitrary<FrontResult> =>
  fc.record({
    position: fc.constant(position),
    title,
    owner: fc.option(fc.constantFrom('Cobblemoor', 'Pikewater', 'Saltfen'), { nil: null }),
    own: fc.boolean(),
    authority: figure(100),
    age: figure(3000),
    price: figure(300),
    rating: figure(5),
    reviews: figure(900),
    views: figure(90_000),
  });
const front: fc.Arbitrary<FrontResult[]> = fc
  .integer({ min: 0, max: 10 })
  .chain((size) => fc.tuple(...Array.from({ length: size }, (_, n) => result(n + 1))));
const phrase = fc.constantFrom('pannier', 'waterproof bag', 'touring pannier', 'roll-top', 'led');

const small = (text: string): string[] => text.toLowerCase().split(' ').filter(Boolean);
const holds = (text: string, keyword: string): boolean =>
  ` ${small(text).join(' ')} `.includes(` ${keyword} `);

test('exact rivals, titles with all words and places of the phrase are counted right', () => {
  fc.assert(
    fc.property(front, phrase, (results, keyword) => {
      const facts = resultFacts(results, keyword, 'en', null);
      const theirs = results.filter(({ own }) => !own);
      expect(facts.results).toBe(results.length);
      expect(facts.exactRivals).toBe(theirs.filter((one) => holds(one.title, keyword)).length);
      expect(facts.allWords).toBe(
        theirs.filter((one) => keyword.split(' ').every((word) => small(one.title).includes(word))).length,
      );
      const holding = results.filter((one) => holds(one.title, keyword));
      const first = holding.filter((one) => ` ${small(one.title).join(' ')} `.startsWith(` ${keyword} `));
      expect(facts.phrasePlace).toEqual({ first: first.length, later: holding.length - first.length });
      expect(facts.capitals).toBe(results.filter((one) => one.title.split(' ').includes('LED')).length);
    }),
    { numRuns: 300 },
  );
});

test('patterns stand in as many titles as is said, in at least two, and never at a filler’s edge', () => {
  fc.assert(
    fc.property(front, phrase, (results, keyword) => {
      const { patterns } = resultFacts(results, keyword, 'en', null);
      for (const { text, titles } of patterns) {
        expect(titles).toBe(results.filter((one) => holds(one.title, text)).length);
        expect(titles).toBeGreaterThan(1);
        expect(text.startsWith('the') || text.endsWith('the')).toBe(false);
        expect(text.split(' ').length).toBeLessThanOrEqual(3);
      }
      expect(patterns.map(({ titles }) => titles)).toEqual(
        patterns.map(({ titles }) => titles).sort((a, b) => b - a),
      );
    }),
    { numRuns: 300 },
  );
});

test('quartiles are of what is known, ours is in one of four quarters, owners of several slots are all named', () => {
  fc.assert(
    fc.property(front, phrase, (results, keyword) => {
      const facts = resultFacts(results, keyword, 'en', null);
      const ours = results.find(({ own }) => own) ?? null;
      for (const { name, low, middle, high, least, most, known, ours: value, quarter } of facts.quartiles) {
        expect([least, low, middle, high, most]).toEqual(
          [least, low, middle, high, most].sort((a, b) => a - b),
        );
        expect(known).toBeGreaterThan(0);
        expect(quarter === null).toBe(value === null);
        if (value !== null)
          expect(quarter).toBe(1 + [low, middle, high].filter((edge) => value >= edge).length);
        if (name === 'authority') {
          const given = results.flatMap(({ authority }) => authority ?? []);
          expect([known, least, most]).toEqual([given.length, Math.min(...given), Math.max(...given)]);
          expect(value).toBe(ours?.authority ?? null);
        }
      }
      const slots = new Map<string, number>();
      for (const { owner } of results) if (owner !== null) slots.set(owner, (slots.get(owner) ?? 0) + 1);
      expect(new Map(facts.several.map(({ owner, positions }) => [owner, positions.length]))).toEqual(
        new Map([...slots].filter(([, count]) => count > 1)),
      );
      expect(resultFacts([...results].reverse(), keyword, 'en', null)).toEqual(facts);
    }),
    { numRuns: 300 },
  );
});
