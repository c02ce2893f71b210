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

test('known: of the dictionary, with a digit, in 20 keywords, or in a hundredth of the searches', () => {
  const keys = [
    ...Array.from({ length: 20 }, (_, n) => `tarnwik ${'abcdefghijklmnopqrst'[n]}x`),
    'bag',
    'zz 10l',
    'rare',
  ];
  const volumes = keys.map((key) => (key === 'rare' ? 10 : key === 'bag' ? 900 : 1));
  const known = knownWords(keys, volumes, (word) => word === 'bag');
  expect([...known].sort()).toEqual(['10l', 'bag', 'rare', 'tarnwik']);
  expect(knownWords(keys.slice(1), volumes.slice(1), () => false).has('tarnwik')).toBe(true);
  expect(knownWords(keys.slice(2, 20), new Array<number>(18).fill(NaN), () => false).has('tarnwik')).toBe(
    false,
  );
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
