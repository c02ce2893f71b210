import type { SourceRanking } from '@opsimath/contract/source/answers';
import type { MarketWorld, World } from '../world/world';
import { holdAuction } from './auction';
import type { Ranker } from './ranker';

interface Wanted {
  organic: boolean;
  paid: boolean;
  /** Organic positions beyond it are left out. */
  depth: number;
  /** Keywords searched less often are left out. */
  leastVolume: number;
}

/** Reverse look-up: what a page or a whole site ranks for, organic and paid, most searched first. */
export class Rankings {
  private readonly keywordsOfOwner = new Map<number, Int32Array>();
  private readonly editedOwners = new Set<number>();
  private readonly places = new Map<
    string,
    { owner: number; documents: ReadonlySet<number> | null } | null
  >();

  constructor(
    private readonly world: World,
    private readonly market: MarketWorld,
    private readonly ranker: Ranker,
  ) {}

  /**
   * Rows from a place in the walk on. A keyword gives one row for each target that holds a position.
   * @param from index into the target's candidate keywords; the answer's `next` continues there
   */
  walk(
    address: string,
    day: number,
    want: Wanted,
    from: number,
    limit: number,
  ): { rows: SourceRanking[]; next: number | null } | null {
    const target = this.find(address);
    if (!target) return null;
    const keywords = this.candidateKeywords(target.owner);
    const searched = (keyword: number): boolean => this.market.keywords[keyword]!.volume >= want.leastVolume;
    const rows: SourceRanking[] = [];
    let at = from;
    for (; at < keywords.length && rows.length < limit; at++)
      if (searched(keywords[at]!)) rows.push(...this.rowsOf(keywords[at]!, target, day, want));
    return { rows, next: at < keywords.length ? at : null };
  }

  /** How many rows the whole walk gives. */
  count(address: string, day: number, want: Wanted): number | null {
    return this.walk(address, day, want, 0, Number.MAX_SAFE_INTEGER)?.rows.length ?? null;
  }

  /** An owner has edited something: any keyword may be concerned now. */
  refresh(owner: number): void {
    this.editedOwners.add(owner);
    this.places.clear();
    this.keywordsOfOwner.clear();
  }

  /** An owner as a whole, one document, or everything below the beginning of an address (`host/path/*`). */
  find(address: string): { owner: number; documents: ReadonlySet<number> | null } | null {
    let known = this.places.get(address);
    if (known === undefined) this.places.set(address, (known = this.seek(address)));
    return known;
  }

  private seek(address: string): { owner: number; documents: ReadonlySet<number> | null } | null {
    const owner = this.world.owners.findIndex((entry) => entry.address === address);
    if (owner >= 0) {
      return this.world.owners[owner]!.surface === this.market.market.surface
        ? { owner, documents: null }
        : null;
    }
    const start = address.endsWith('/*') ? address.slice(0, -1) : null;
    const documents = this.market.documents.flatMap((entry, i) =>
      entry.address === address || (start !== null && entry.address.startsWith(start)) ? [i] : [],
    );
    if (documents.length === 0) return null;
    return { owner: this.market.documents[documents[0]!]!.owner, documents: new Set(documents) };
  }

  private rowsOf(
    keyword: number,
    target: { owner: number; documents: ReadonlySet<number> | null },
    day: number,
    want: Wanted,
  ): SourceRanking[] {
    const rows = new Map<number, SourceRanking>();
    const row = (document: number): SourceRanking => {
      let found = rows.get(document);
      if (!found) {
        const address = this.market.documents[document]!.address;
        rows.set(
          document,
          (found = {
            keyword: this.market.keywords[keyword]!.text,
            address,
            parent: this.world.owners[this.market.documents[document]!.owner]!.address,
            organic: null,
            paid: null,
          }),
        );
      }
      return found;
    };
    const mine = (document: number): boolean =>
      target.documents === null
        ? this.market.documents[document]!.owner === target.owner
        : target.documents.has(document);
    if (want.organic) {
      this.ranker.organic(keyword, day).forEach((document, i) => {
        if (i < want.depth && mine(document)) row(document).organic = i + 1;
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
        if (this.editedOwners.has(owner)) return true;
        if (adverts[keyword]!.some((advert) => advert.owner === owner)) return true;
        for (let i = candidates.start[keyword]!; i < candidates.start[keyword + 1]!; i++) {
          if (documents[candidates.documentOf[candidates.version[i]!]!]!.owner === owner) return true;
        }
        return false;
      });
      this.keywordsOfOwner.set(owner, known);
    }
    return known;
  }
}
