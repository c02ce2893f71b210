import fc from 'fast-check';
import { VARIANT_LINKS, type VariantMaterial, groupVariants } from './variantGroups';

const KNOWN = new Set(
  'bike bag bags pannier panniers waterproof handlebar dry rack best gear rear alforja'.split(' '),
);
const material = (entries: [string, number][], more: Partial<VariantMaterial> = {}): VariantMaterial => ({
  keys: entries.map(([key]) => key),
  volumes: entries.map(([, volume]) => volume),
  language: 'en',
  known: KNOWN,
  translations: new Map(),
  byHand: new Map(),
  ...more,
});
/** Each keyword that is not alone as “variant < main: how”. */
const said = (given: VariantMaterial): string[] => {
  const { main, link } = groupVariants(given);
  return given.keys.flatMap((key, index) =>
    main[index] === index ? [] : [`${key} < ${given.keys[main[index]!]}: ${VARIANT_LINKS[link[index]!]}`],
  );
};

describe('groups of variants', () => {
  test('spellings under the right form, joined ones named so, close variants under the most searched', () => {
    expect(
      said(
        material([
          ['waterproof panniers', 5000],
          ['waterpoof panniers', 90],
          ['water proof panniers', 4000],
          ['waterproof pannier', 2000],
          ['panniers waterproof', 700],
          ['dry bag', 900],
        ]),
      ),
    ).toEqual([
      'waterpoof panniers < waterproof panniers: spelling',
      'water proof panniers < waterproof panniers: joined or split',
      'waterproof pannier < waterproof panniers: close',
      'panniers waterproof < waterproof panniers: close',
    ]);
  });

  test('the most searched of a group is its main keyword, even where it is the slip', () => {
    expect(
      said(
        material([
          ['handelbar bag', 900],
          ['handlebar bag', 400],
        ]),
      ),
    ).toEqual(['handlebar bag < handelbar bag: spelling']);
  });

  test('two known words never misspell one another, however seldom one of them is searched', () => {
    expect(
      said(
        material([
          ['rear rack', 300],
          ['gear rack', 20],
        ]),
      ),
    ).toEqual([]);
    expect(
      said(
        material([
          ['rear rack', 300],
          ['gear rack', NaN],
        ]),
      ),
    ).toEqual([]);
  });

  test('another language goes under its translation, also under a close variant of it', () => {
    const given = material(
      [
        ['bike panniers', 900],
        ['alforja bicicleta', 200],
      ],
      {
        translations: new Map([[1, 'bike pannier']]),
      },
    );
    expect(said(given)).toEqual(['alforja bicicleta < bike panniers: translation']);
  });

  test('joining words alone are left out: what asks, compares or recommends keeps keywords apart', () => {
    expect(
      said(
        material([
          ['best bike bag', 900],
          ['bike bag', 800],
          ['bag for a bike', 90],
          ['how to pack bike bags', 700],
          ['pannier vs handlebar bag', 50],
          ['handlebar bag', 300],
        ]),
      ),
    ).toEqual(['bag for a bike < bike bag: close']);
  });

  test('what was split by hand stays apart, what was joined stays together', () => {
    const entries: [string, number][] = [
      ['bike bags', 900],
      ['bike bag', 800],
      ['dry bag', 50],
    ];
    expect(
      said(
        material(entries, {
          byHand: new Map([
            [1, 1],
            [2, 0],
          ]),
        }),
      ),
    ).toEqual(['dry bag < bike bags: by hand']);
  });

  test('every group has one main keyword that is its own, whatever was decided by hand', () => {
    const key = fc.constantFrom(
      'bike bag',
      'bike bags',
      'bikebag',
      'bke bag',
      'bag bike',
      'dry bag',
      'dry bags',
      'dri bag',
    );
    fc.assert(
      fc.property(
        fc
          .uniqueArray(key, { minLength: 1 })
          .chain((keys) =>
            fc.tuple(
              fc.constant(keys),
              fc.array(fc.integer({ min: 0, max: 9999 }), { minLength: keys.length, maxLength: keys.length }),
              fc.array(fc.tuple(fc.nat(keys.length - 1), fc.nat(keys.length - 1)), { maxLength: 6 }),
            ),
          ),
        ([keys, volumes, choices]) => {
          const { main, link } = groupVariants(
            material(
              keys.map((text, n) => [text, volumes[n]!]),
              { byHand: new Map(choices) },
            ),
          );
          main.forEach((root, index) => {
            expect(main[root]).toBe(root);
            if (index !== root) expect(VARIANT_LINKS[link[index]!]).not.toBe('main');
          });
        },
      ),
    );
  });
});
