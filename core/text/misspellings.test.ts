import fc from 'fast-check';
import { knownWords, misspellings } from './misspellings';
import { mayMisspell } from './variants';

const KNOWN = new Set(
  'waterproof water proof panniers pannier handlebar handle bar bag bags dry rear gear'.split(' '),
);
const named = (keys: string[], known: ReadonlySet<string> = KNOWN): string[] =>
  misspellings(keys, known).map(({ variant, form, how }) => `${keys[variant]} > ${keys[form]}: ${how}`);

test('one unknown word that may be a slip of a known one; the others equal', () => {
  expect(
    named([
      'waterproof panniers',
      'waterpoof panniers',
      'waterpoof pannires',
      'waterpoof bag',
      'water proof panniers',
      'dry bag tarnwik',
      'dry bags tarnwik',
    ]),
  ).toEqual([
    'waterpoof panniers > waterproof panniers: spelling',
    'waterpoof pannires > waterpoof panniers: spelling',
    'water proof panniers > waterproof panniers: joined or split',
  ]);
});

test('two known words never misspell one another, and figures never do', () => {
  expect(named(['rear bag', 'gear bag', 'dry bag 10l', 'dry bag 12l'])).toEqual([]);
});

test('known: of the dictionary, with a digit, in 20 keywords, or in a hundredth of the searches of many', () => {
  const many = Array.from({ length: 120 }, (_, n) => `x${n}`);
  const keys = [...many, ...many.slice(0, 20).map((word) => `${word} tarnwik`), 'bag', 'rare', 'seldom'];
  const volumes = keys.map((key) => (key === 'rare' ? 50 : key === 'seldom' ? 1 : 10));
  const known = knownWords(keys, volumes, (word) => word === 'bag');
  expect(['bag', 'rare', 'seldom', 'tarnwik', 'x7'].filter((word) => known.has(word))).toEqual([
    'bag',
    'rare',
    'tarnwik',
    'x7',
  ]);
  // Of a few keywords every word would be common.
  expect([...knownWords(['rare', 'seldom'], [50, 1], () => false)]).toEqual([]);
  expect(knownWords(many.map(() => 'one').slice(0, 1), [NaN], () => false).size).toBe(0);
});

test('finds what comparing each with each finds', () => {
  const word = fc.constantFrom(
    'bag',
    'bga',
    'bags',
    'pannier',
    'panier',
    'rear',
    'gear',
    'geer',
    'handle',
    'bar',
    'handlebar',
  );
  const phrase = fc.array(word, { minLength: 1, maxLength: 3 }).map((list) => list.join(' '));
  fc.assert(
    fc.property(fc.uniqueArray(phrase, { minLength: 2, maxLength: 25 }), (keys) => {
      const plain = new Set<string>();
      for (const a of keys)
        for (const b of keys) {
          const [own, others] = [a.split(' '), b.split(' ')];
          const differ = own.flatMap((one, place) => (one === others[place] ? [] : [place]));
          if (own.length !== others.length || differ.length !== 1) continue;
          const [wrong, right] = [own[differ[0]!]!, others[differ[0]!]!];
          if (!KNOWN.has(wrong) && KNOWN.has(right) && mayMisspell(wrong, right)) plain.add(`${a} > ${b}`);
        }
      const found = misspellings(keys, KNOWN)
        .filter(({ how }) => how === 'spelling')
        .map(({ variant, form }) => `${keys[variant]} > ${keys[form]}`);
      expect(found.sort()).toEqual([...plain].sort());
    }),
  );
});
