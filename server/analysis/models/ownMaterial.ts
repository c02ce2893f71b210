import type { FieldStanding } from '@opsimath/core/gap/chance';
import type { PlaceRow } from '../../data/places';
import type { Sides } from '../facts/sides';
import { CoveringPages } from './coveringPages';

/** What of our own could answer a keyword: pages that hold its words, or one not written yet. */
export class OwnMaterial {
  private readonly pages: CoveringPages;
  private readonly byId: ReadonlyMap<number, number>;

  constructor(
    private readonly sides: Sides,
    language: string,
    date: string,
  ) {
    const strongestFirst = sides.ownPlaces
      .filter((place) => place.title !== '')
      .sort((a, b) => (b.authority ?? 0) - (a.authority ?? 0) || a.id - b.id);
    this.pages = new CoveringPages(strongestFirst, language, date, (address) => this.recordFields(address));
    this.byId = new Map(strongestFirst.map(({ id }, page) => [id, page]));
  }

  /** Whether anything is known of our pages’ words. */
  get isKnown(): boolean {
    return this.byId.size > 0;
  }

  /** The strongest own page that covers a keyword, as it stands to it; `null` when none does. */
  covering(keywordKey: string): { place: PlaceRow; standing: FieldStanding } | null {
    for (const page of this.pages.covering(keywordKey))
      return { place: this.pages.pages[page]!, standing: this.pages.standing(page, keywordKey) };
    return null;
  }

  /** Our page that holds most words of a keyword and at least half of them, the strongest of equal ones; `null` without one. */
  holdingMost(keywordKey: string): PlaceRow | null {
    const page = this.pages.holdingMost(keywordKey);
    return page === null ? null : this.pages.pages[page]!;
  }

  /** Title and further fields of one of our pages; `null` where its title is not known. */
  wordsOf(place: number): { title: string; fields: readonly string[] } | null {
    const page = this.byId.get(place);
    return page === undefined
      ? null
      : { title: this.pages.pages[page]!.title, fields: this.pages.fieldsOf(page) };
  }

  /** One of our pages as it stands to a keyword by what is known of it; `null` where its title is not known. */
  standingOf(place: number, keywordKey: string): FieldStanding | null {
    const page = this.byId.get(place);
    return page === undefined ? null : this.pages.standing(page, keywordKey);
  }

  /** A page not written yet, a horizon after it was: our site's authority, the words as the action puts them, no history. */
  newPage(horizon: number): FieldStanding {
    const known = this.sides.own
      .map((target) => target.record?.figures.authority ?? null)
      .filter((figure) => figure !== null);
    const places = this.pages.pages.flatMap(({ authority }) => (authority === null ? [] : [authority]));
    const authority = known[0] ?? (places.length > 0 ? Math.max(...places) : null);
    return {
      authority,
      phraseInTitle: 1,
      wordsInTitle: 1,
      wordsInFields: 1,
      engagement: null,
      ageDays: horizon,
      daysSinceUpdate: horizon,
    };
  }

  private recordFields(address: string): string[] {
    const record = this.sides.own.find((target) => target.address === address)?.record;
    return record ? Object.values(record.fields) : [];
  }
}
