import { SURFACES, type SurfaceTable } from '../surfaces';
import type { WorldDocument } from '../world/document';
import { wordedOn } from '../world/history';
import type { MarketWorld } from '../world/world';
import { drift } from './drift';

const SHOWN = 100;
/** Orders kept by all rankers of the process together: about 400 bytes each. */
const KEPT_ORDERS = 150_000;

/** One document as an edit has it from a day on, with its scores for every keyword of the market. */
interface Edition {
  /** Index into the documents. */
  document: number;
  /** Day from which search knows it. */
  seenFrom: number;
  content: WorldDocument;
  scores: Float32Array;
}

/** The organic order of a market's keywords on any day; what was worked out lately is remembered. */
export class Ranker {
  private static kept: { ranker: Ranker; day: number; count: number }[] = [];
  private static orders = 0;

  private readonly table: SurfaceTable;
  private readonly days = new Map<number, (Int32Array | undefined)[]>();
  private editions: Edition[] = [];

  /** Scratch, by document. */
  private scores: Float64Array;

  /**
   * @param local searchers in one place: how much each owner is liked more there, and the editions of the whole market
   */
  constructor(
    readonly world: MarketWorld,
    private readonly local: { of: Ranker; liking: (owner: number) => number } | null = null,
  ) {
    if (local) this.editions = local.of.editions;
    this.scores = new Float64Array(world.documents.length + 1024);
    this.table = SURFACES[world.market.surface];
  }

  /** Makes an edit known to search from its day on. */
  addEdition(edition: Edition): void {
    this.editions.push(edition);
    this.editions.sort((a, b) => a.seenFrom - b.seenFrom);
    this.days.clear();
    if (edition.document >= this.scores.length) this.scores = new Float64Array(edition.document + 1024);
  }

  /** A document as search knows it on a day. */
  contentOn(document: number, day: number): WorldDocument {
    let content = wordedOn(this.world.documents[document]!, day);
    for (const edition of this.editions)
      if (edition.document === document && edition.seenFrom <= day) content = edition.content;
    return content;
  }

  /** Documents for a keyword on a day, best first, at most 100. */
  organic(keyword: number, day: number): Int32Array {
    const known = this.remembered(day);
    const found = known[keyword];
    if (found) return found;
    Ranker.orders++;
    return (known[keyword] = this.rank(keyword, day));
  }

  private remembered(day: number): (Int32Array | undefined)[] {
    let known = this.days.get(day);
    if (known) return known;
    this.days.set(day, (known = new Array<Int32Array | undefined>(this.world.keywords.length)));
    Ranker.kept.push({ ranker: this, day, count: 0 });
    while (Ranker.orders > KEPT_ORDERS && Ranker.kept.length > 2) Ranker.forgetOldest();
    return known;
  }

  private static forgetOldest(): void {
    const { ranker, day } = Ranker.kept.shift()!;
    const known = ranker.days.get(day);
    if (!known) return;
    for (const order of known) if (order) Ranker.orders--;
    ranker.days.delete(day);
  }

  private rank(keyword: number, day: number): Int32Array {
    const { candidates, documents } = this.world;
    const order: number[] = [];
    const edited = new Map<number, Edition>();
    for (const edition of this.editions) if (edition.seenFrom <= day) edited.set(edition.document, edition);
    const add = (index: number, content: WorldDocument, score: number): void => {
      const updated = lastRevision(content.revisions, day);
      if (updated === null) return;
      this.scores[index] =
        score +
        (this.local?.liking(content.owner) ?? 0) +
        this.table.freshness * Math.exp((updated - day) / this.table.freshnessDays) +
        this.table.drift * drift(content.seed, keyword, day);
      order.push(index);
    };
    for (let i = candidates.start[keyword]!; i < candidates.start[keyword + 1]!; i++) {
      const version = candidates.version[i]!;
      if (day < candidates.from[version]! || day >= candidates.until[version]!) continue;
      const index = candidates.documentOf[version]!;
      if (edited.size === 0 || !edited.has(index)) add(index, documents[index]!, candidates.score[i]!);
    }
    for (const { document, content, scores } of edited.values()) {
      const score = scores[keyword]!;
      if (!Number.isNaN(score)) add(document, content, score);
    }
    return this.spreadOwners(order);
  }

  /** Each further slot of one owner is pushed down a little more. */
  private spreadOwners(order: number[]): Int32Array {
    const { scores } = this;
    const byScore = (a: number, b: number): number => scores[b]! - scores[a]! || a - b;
    order.sort(byScore);
    const held = new Map<number, number>();
    for (const index of order) {
      const owner = this.world.documents[index]!.owner;
      const slots = held.get(owner) ?? 0;
      scores[index]! -= this.table.crowding * slots;
      held.set(owner, slots + 1);
    }
    order.sort(byScore);
    return Int32Array.from(order.slice(0, SHOWN));
  }
}

/** The latest revision on or before a day; `null` before publication. */
export function lastRevision(revisions: readonly number[], day: number): number | null {
  let last: number | null = null;
  for (const revision of revisions) {
    if (revision > day) break;
    last = revision;
  }
  return last;
}
