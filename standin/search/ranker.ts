import { SURFACES, type SurfaceTable } from '../surfaces';
import type { MarketWorld } from '../world/world';
import { drift } from './drift';

const SHOWN = 100;
const REMEMBERED_DAYS = 24;

/** The organic order of a market's keywords on any day; what was worked out lately is remembered. */
export class Ranker {
  private readonly table: SurfaceTable;
  private readonly days = new Map<number, (Int32Array | undefined)[]>();

  /** Scratch, by document. */
  private readonly scores: Float64Array;

  constructor(readonly world: MarketWorld) {
    this.scores = new Float64Array(world.documents.length);
    this.table = SURFACES[world.market.surface]!;
  }

  /** Documents for a keyword on a day, best first, at most 100. */
  organic(keyword: number, day: number): Int32Array {
    const known = this.remembered(day);
    return (known[keyword] ??= this.rank(keyword, day));
  }

  private remembered(day: number): (Int32Array | undefined)[] {
    let known = this.days.get(day);
    if (known) this.days.delete(day);
    known ??= new Array<Int32Array | undefined>(this.world.keywords.length);
    this.days.set(day, known);
    if (this.days.size > REMEMBERED_DAYS) this.days.delete(this.days.keys().next().value!);
    return known;
  }

  private rank(keyword: number, day: number): Int32Array {
    const { candidates, documents } = this.world;
    const order: number[] = [];
    for (let i = candidates.start[keyword]!; i < candidates.start[keyword + 1]!; i++) {
      const index = candidates.document[i]!;
      const document = documents[index]!;
      const updated = lastRevision(document.revisions, day);
      if (updated === null) continue;
      this.scores[index] =
        candidates.score[i]! +
        this.table.freshness * Math.exp((updated - day) / this.table.freshnessDays) +
        this.table.drift * drift(document.seed, keyword, day);
      order.push(index);
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
