import type { SourceRanking } from '@opsimath/contract/source/answers';
import type { MarketWorld, World } from '../world/world';
import { holdAuction } from './auction';
import type { Ranker } from './ranker';

/** Reverse look-up: what a page or a whole site ranks for, organic and paid, most searched first. */
export class Rankings {
  private readonly keywordsOfOwner = new Map<number, Int32Array>();

  constructor(
    private readonly world: World,
    private readonly market: MarketWorld,
    private readonly ranker: Ranker,
  ) {}

  /**
   * Rows from a place in the walk on. A keyword gives one row for each page that holds a position.
   * @param from index into the target's candidate keywords; the answer's `next` continues there
   */
  walk(
    address: string,
    day: number,
    want: { organic: boolean; paid: boolean },
    from: number,
    limit: number,
  ): { rows: SourceRanking[]; next: number | null } | null {
    const target = this.find(address);
    if (!target) return null;
    const keywords = this.candidateKeywords(target.owner);
    const rows: SourceRanking[] = [];
    let at = from;
    for (; at < keywords.length && rows.length < limit; at++)
      rows.push(...this.rowsOf(keywords[at]!, target, day, want));
    return { rows, next: at < keywords.length ? at : null };
  }

  /** How many rows the whole walk gives. */
  count(address: string, day: number, want: { organic: boolean; paid: boolean }): number | null {
    return this.walk(address, day, want, 0, Number.MAX_SAFE_INTEGER)?.rows.length ?? null;
  }

  private find(address: string): { owner: number; document: number | null } | null {
    const owner = this.world.owners.findIndex(({ host }) => host === address);
    if (owner >= 0) return { owner, document: null };
    const document = this.market.documents.findIndex((entry) => entry.address === address);
    return document < 0 ? null : { owner: this.market.documents[document]!.owner, document };
  }

  private rowsOf(
    keyword: number,
    target: { owner: number; document: number | null },
    day: number,
    want: { organic: boolean; paid: boolean },
  ): SourceRanking[] {
    const rows = new Map<number, SourceRanking>();
    const row = (document: number): SourceRanking => {
      let found = rows.get(document);
      if (!found) {
        const address = this.market.documents[document]!.address;
        rows.set(
          document,
          (found = { keyword: this.market.keywords[keyword]!.text, address, organic: null, paid: null }),
        );
      }
      return found;
    };
    const mine = (document: number): boolean =>
      target.document === null
        ? this.market.documents[document]!.owner === target.owner
        : document === target.document;
    if (want.organic) {
      this.ranker.organic(keyword, day).forEach((document, i) => {
        if (mine(document)) row(document).organic = i + 1;
      });
    }
    if (want.paid) {
      for (const slot of holdAuction(this.market, keyword, day)) {
        if (mine(slot.advert.landing)) row(slot.advert.landing).paid ??= slot.position;
      }
    }
    return [...rows.values()];
  }

  /** Keywords for which the owner can show up at all, most searched first. */
  private candidateKeywords(owner: number): Int32Array {
    let known = this.keywordsOfOwner.get(owner);
    if (!known) {
      const { candidates, documents, keywords, adverts } = this.market;
      known = Int32Array.from(keywords.keys()).filter((keyword) => {
        if (adverts[keyword]!.some((advert) => advert.owner === owner)) return true;
        for (let i = candidates.start[keyword]!; i < candidates.start[keyword + 1]!; i++) {
          if (documents[candidates.document[i]!]!.owner === owner) return true;
        }
        return false;
      });
      this.keywordsOfOwner.set(owner, known);
    }
    return known;
  }
}
