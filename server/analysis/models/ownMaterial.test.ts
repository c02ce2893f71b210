import type { Sides } from '../facts/sides';
import { OwnMaterial } from './ownMaterial';

const page = (id: number, title: string, description: string, authority: number | null) => ({
  id,
  address: `tarnwick.example/p${id}`,
  title,
  description,
  authority,
  published: '2025-01-01',
  updated: '2026-01-01',
});
const sidesOf = (ownPlaces: object[], authority?: number): Sides =>
  ({
    ownPlaces,
    own: [
      {
        address: 'tarnwick.example/p2',
        record: { fields: { tags: 'touring' }, figures: authority === undefined ? {} : { authority } },
      },
    ],
  }) as unknown as Sides;
const PAGES = [
  page(1, 'Waterproof panniers', 'Bags for a bike', 30),
  page(2, 'Bike bags', 'Waterproof and light', 60),
  page(3, '', 'A page of which no title is known: waterproof bike bags', 90),
];
const material = new OwnMaterial(sidesOf(PAGES), 'en', '2026-03-01');

describe('what of our own could answer', () => {
  test('the strongest page that holds every word, by stems, in whatever field', () => {
    expect(material.covering('waterproof bike bag')?.place.id).toBe(2);
    expect(material.covering('waterproof pannier')?.place.id).toBe(1);
    // Held by a field of its record only.
    expect(material.covering('touring bags')?.place.id).toBe(2);
    expect(material.covering('leather bags')).toBeNull();
  });

  test('as it stands to the keyword: exact words, and days as of the date', () => {
    expect(material.covering('waterproof bike bags')?.standing).toEqual({
      authority: 60,
      phraseInTitle: 0,
      wordsInTitle: 2 / 3,
      wordsInFields: 1 / 3,
      engagement: null,
      ageDays: 424,
      daysSinceUpdate: 59,
    });
    expect(material.standingOf(1, 'waterproof panniers')).toMatchObject({ phraseInTitle: 1, authority: 30 });
    expect(material.standingOf(3, 'waterproof bike bags')).toBeNull();
  });

  test('a page not written yet has the words, no history, and the authority of our site, else of our strongest page', () => {
    expect(material.newPage(60)).toMatchObject({
      authority: 60,
      phraseInTitle: 1,
      wordsInTitle: 1,
      wordsInFields: 1,
      ageDays: 60,
      daysSinceUpdate: 60,
    });
    expect(new OwnMaterial(sidesOf(PAGES, 44), 'en', '2026-03-01').newPage(30)).toMatchObject({
      authority: 44,
      ageDays: 30,
    });
  });

  test('nothing is known where no title is', () => {
    const nothing = new OwnMaterial(sidesOf([PAGES[2]!]), 'en', '2026-03-01');
    expect([material.isKnown, nothing.isKnown]).toEqual([true, false]);
    expect(nothing.covering('waterproof bike bags')).toBeNull();
  });
});
