import type { ShownPage } from '@opsimath/contract/api/dossier';
import { pageKind } from '@opsimath/core/text/pageKind';
import { frontFacts } from './frontFacts';

type Slot = ShownPage['slots'][number];
const slot = (more: Partial<Slot>): Slot => ({
  slot: 1,
  kind: 'organic',
  position: 1,
  side: 'other',
  letter: null,
  owner: null,
  what: null,
  address: null,
  title: null,
  description: null,
  authority: null,
  phraseInTitle: null,
  age: null,
  figures: {},
  ...more,
});
const facts = (front: Slot[], surface = 'web') =>
  Object.fromEntries(
    frontFacts(front, { kindOf: (address) => pageKind(address), currency: 'USD', surface }).map(
      ({ name, value }) => [name, value],
    ),
  );

describe('the front in a few words', () => {
  test('kinds of pages, the commonest first; other surfaces have none', () => {
    const front = ['a.example/blog/x', 'b.example/products/y', 'c.example/products/z', 'd.example/zzz/w'].map(
      (address) => slot({ address }),
    );
    expect(facts(front)).toEqual({ Kinds: 'item 2, article 1' });
    expect(facts(front, 'marketplace')).toEqual({});
  });

  test('figures from quarter to quarter, and one alone as it is', () => {
    const front = [20, 40, 60, 80].map((price) => slot({ figures: { price, rating: 4.5 }, age: 800 }));
    expect(facts(front, 'marketplace')).toEqual({
      'Price, USD': '35–65, half at 50',
      Rating: '4.5',
      Age: '2.2 years',
    });
  });

  test('views a day need an age; what nobody gives is not told', () => {
    expect(facts([slot({ figures: { views: 900, length: 240 }, age: 30 })], 'video')).toEqual({
      Length: '4 min',
      'Views a day': '30',
      Age: '1 month',
    });
    expect(facts([slot({ figures: { views: 900 } })], 'video')).toEqual({});
  });
});
