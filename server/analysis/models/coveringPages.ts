import { dayOf } from '@opsimath/core/day';
import type { FieldStanding } from '@opsimath/core/gap/chance';
import {
  type PreparedKeyword,
  type PreparedText,
  prepareKeyword,
  prepareText,
  textStanding,
} from '@opsimath/core/gap/textStanding';
import { contentStems, stem } from '@opsimath/core/text/stems';
import { key, words } from '@opsimath/core/text/key';
import type { PlaceRow } from '../../data/places';

/** Finds which of some pages could answer a keyword: every word of it, by stems, somewhere in their known fields. */
export class CoveringPages {
  private readonly byStem = new Map<string, number[]>();
  private readonly texts: (PreparedText | undefined)[] = [];
  private readonly fields: string[][];
  private asked: { key: string; keyword: PreparedKeyword } | null = null;

  /**
   * @param pages in the order in which they are found
   * @param fieldsOf further fields of a page, beside its description
   */
  constructor(
    readonly pages: readonly PlaceRow[],
    private readonly language: string,
    private readonly date: string,
    fieldsOf: (address: string) => string[] = () => [],
  ) {
    this.fields = pages.map((place) => [place.description, ...fieldsOf(place.address)]);
    pages.forEach((place, page) => {
      const text = key([place.title, ...this.fields[page]!].join(' '));
      for (const word of new Set(words(text).map((one) => stem(one, language)))) {
        const list = this.byStem.get(word);
        if (list) list.push(page);
        else this.byStem.set(word, [page]);
      }
    });
  }

  /** What is known of a page beside its title. */
  fieldsOf(page: number): readonly string[] {
    return this.fields[page]!;
  }

  /** Pages that hold every word of a keyword, by index. */
  *covering(keywordKey: string): Generator<number> {
    const wanted = words(contentStems(keywordKey, this.language));
    const lists = wanted.map((word) => this.byStem.get(word) ?? []);
    if (lists.length === 0 || lists.some((list) => list.length === 0)) return;
    const shortest = lists.reduce((least, list) => (list.length < least.length ? list : least));
    for (const page of shortest) if (lists.every((list) => list.includes(page))) yield page;
  }

  /** The page that holds most words of a keyword and at least half of them, the first of equal ones; `null` without one. */
  holdingMost(keywordKey: string): number | null {
    const wanted = words(contentStems(keywordKey, this.language));
    const held = new Map<number, number>();
    for (const word of wanted)
      for (const page of this.byStem.get(word) ?? []) held.set(page, (held.get(page) ?? 0) + 1);
    let best: number | null = null;
    for (const [page, count] of held) {
      if (count * 2 < wanted.length) continue;
      const most = best === null ? 0 : held.get(best)!;
      if (count > most || (count === most && page < best!)) best = page;
    }
    return best;
  }

  /** A page as it stands to a keyword, by what is known of it without a capture. */
  standing(page: number, keywordKey: string): FieldStanding {
    const place = this.pages[page]!;
    const text = (this.texts[page] ??= prepareText(place.title, this.fields[page]!, this.language));
    return {
      authority: place.authority,
      ...textStanding(this.prepared(keywordKey), text),
      engagement: null,
      ageDays: this.daysSince(place.published),
      daysSinceUpdate: this.daysSince(place.updated),
    };
  }

  /** One keyword is held against many pages. */
  private prepared(keywordKey: string): PreparedKeyword {
    if (this.asked?.key !== keywordKey)
      this.asked = { key: keywordKey, keyword: prepareKeyword(keywordKey, this.language) };
    return this.asked.keyword;
  }

  private daysSince(day: string | null): number | null {
    return day === null ? null : Math.max(0, dayOf(this.date) - dayOf(day));
  }
}
