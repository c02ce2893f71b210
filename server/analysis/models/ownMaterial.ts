import { dayOf } from '@opsimath/core/day';
import type { Standing } from '@opsimath/core/gap/chance';
import { prepareText, textStanding } from '@opsimath/core/gap/textStanding';
import { contentStems, stem } from '@opsimath/core/text/stems';
import { key, words } from '@opsimath/core/text/key';
import type { PlaceRow } from '../../data/places';
import type { Sides } from '../facts/sides';

/** Finds which of our pages could answer a keyword: every word of it, by stems, somewhere in its known fields. */
export class OwnMaterial {
  private readonly pagesByStem = new Map<string, number[]>();
  private readonly pages: { place: PlaceRow; fields: string[] }[];

  constructor(
    private readonly sides: Sides,
    private readonly language: string,
    private readonly date: string,
  ) {
    this.pages = sides.ownPlaces
      .filter((place) => place.title !== '')
      .sort((a, b) => (b.authority ?? 0) - (a.authority ?? 0) || a.id - b.id)
      .map((place) => ({ place, fields: [place.description, ...this.recordFields(place.address)] }));
    this.pages.forEach(({ place, fields }, page) => {
      const text = key([place.title, ...fields].join(' '));
      for (const word of new Set(words(text).map((one) => stem(one, language)))) {
        const list = this.pagesByStem.get(word);
        if (list) list.push(page);
        else this.pagesByStem.set(word, [page]);
      }
    });
  }

  /** The strongest own page that covers a keyword, as it stands to it; `null` when none does. */
  covering(keywordKey: string): { place: PlaceRow; standing: Standing } | null {
    const wanted = words(contentStems(keywordKey, this.language));
    const lists = wanted.map((word) => this.pagesByStem.get(word) ?? []);
    if (lists.length === 0 || lists.some((list) => list.length === 0)) return null;
    const shortest = lists.reduce((least, list) => (list.length < least.length ? list : least));
    const page = shortest.find((candidate) => lists.every((list) => list.includes(candidate)));
    return page === undefined
      ? null
      : { place: this.pages[page]!.place, standing: this.standing(page, keywordKey) };
  }

  /** A page not written yet: our site's authority, the words as the action puts them, no age and no history. */
  newPage(): Standing {
    const known = this.sides.own
      .map((target) => target.record?.figures.authority ?? null)
      .filter((figure) => figure !== null);
    const places = this.pages.flatMap(({ place }) => (place.authority === null ? [] : [place.authority]));
    const authority = known[0] ?? (places.length > 0 ? Math.max(...places) : null);
    return {
      authority,
      phraseInTitle: 1,
      wordsInTitle: 1,
      wordsInFields: 1,
      engagement: null,
      ageDays: 0,
      daysSinceUpdate: 0,
    };
  }

  private standing(page: number, keywordKey: string): Standing {
    const { place, fields } = this.pages[page]!;
    return {
      authority: place.authority,
      ...textStanding(keywordKey, prepareText(place.title, fields)),
      engagement: null,
      ageDays: this.daysSince(place.published),
      daysSinceUpdate: this.daysSince(place.updated),
    };
  }

  private daysSince(day: string | null): number | null {
    return day === null ? null : Math.max(0, dayOf(this.date) - dayOf(day));
  }

  private recordFields(address: string): string[] {
    const record = this.sides.own.find((target) => target.address === address)?.record;
    return record ? Object.values(record.fields) : [];
  }
}
