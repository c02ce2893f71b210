import type { Ground } from '@opsimath/contract/api/grounds';
import type { Database } from '../../data/storage/connection';
import { type GroundsOf, type Revisions, readRevisions } from '../../data/grounds';
import { keywordIdRange, keywordIdsByKey, keywordsByKey } from '../../data/keywords';
import type { MarketRow } from '../../data/markets';
import { ColumnStore } from './columnStore';
import { Kept, type KeptKind, type NameParts, nameOf } from './kept';

/** What the analysis thread works with: the file, columns of segments, and what was made of them lately. */
export class Workspace {
  readonly store: ColumnStore;
  private readonly kept = new Kept();

  constructor(
    readonly database: Database,
    budgetBytes: number,
  ) {
    this.store = new ColumnStore(database, budgetBytes);
  }

  /** Where everything stands that answers rest on. Read it before the first fact. */
  revisions(of: GroundsOf): Promise<Revisions> {
    return readRevisions(this.database, of);
  }

  /** Something made of facts, from memory where nothing it rests on has changed since. */
  async keep<T>(
    kind: KeptKind,
    revisions: Revisions,
    parts: NameParts,
    make: () => Promise<T> | T,
    also: readonly Ground[] = [],
  ): Promise<T> {
    return this.kept.get(kind, nameOf(kind, revisions, parts, also), make);
  }

  /** {@link keep}, with the name that what is made of it goes by. */
  async named<T>(
    kind: KeptKind,
    revisions: Revisions,
    parts: NameParts,
    make: () => Promise<T> | T,
    also: readonly Ground[] = [],
  ): Promise<{ value: T; name: string }> {
    const name = nameOf(kind, revisions, parts, also);
    return { value: await this.kept.get(kind, name, make), name };
  }

  /** The next who asks has it made anew. */
  forget(kind: KeptKind, revisions: Revisions, parts: NameParts): void {
    this.kept.forget(kind, nameOf(kind, revisions, parts));
  }

  /** Keywords of a market in the order of their keys. */
  alphabetical(market: MarketRow, revisions: Revisions): Promise<{ ids: Int32Array; words: Uint8Array }> {
    return this.keep('alphabet', revisions, [market.id], () => keywordsByKey(this.database, market.id));
  }

  /** Rank of every keyword of a market by its key, as index of the sorted ids. */
  alphabet(market: MarketRow, revisions: Revisions): Promise<Int32Array> {
    return this.keep('ranks', revisions, [market.id], async () => {
      const ids = await keywordIdsByKey(this.database, market.id);
      const range = (await keywordIdRange(this.database, market.id)) ?? { least: 0, most: -1 };
      const ranks = new Int32Array(range.most - range.least + 1);
      ids.forEach((id, rank) => (ranks[id - range.least] = rank));
      return ranks;
    });
  }
}
