import type { TargetKind } from '@opsimath/contract/source/answers';
import type { Draws } from '../random';
import { hashText, mix } from '../random';
import type { Owner } from './owners';
import type { Vocabulary } from './scenario';
import { fill, type Filling } from './forms';

/** Something that can be found: its fields as searched, and when it changed. */
export interface WorldDocument {
  address: string;
  kind: TargetKind;
  /** item, collection, guide, thread or home; review, howto, trip or compare; listing. */
  genre: string;
  /** Index into the world's owners. */
  owner: number;
  /** Kind of the owner: brand, retailer, magazine… */
  trade: string;
  language: string;
  /** Lists (headings, tags, bullets) have one entry a line. `hidden` is for its owner's eyes only. */
  fields: Record<string, string>;
  authority: number;
  /** Days since 1970, ascending; the first is the day of publication. */
  revisions: number[];
  /** How well people take to it, about −2 to 2. */
  appeal: number;
  /** What it is beside its words: length in seconds, price in the scenario's currency, images. */
  facts: Record<string, number>;
  category: string | null;
  seed: number;
}

const OLDEST_DAYS = 2600;

/** Publication and later revisions, also some after today, so that the clock can be advanced. */
export function revisionsUntil(
  last: number,
  today: number,
  draws: Draws,
  restless: readonly [number, number],
): number[] {
  const pace = draws.between(...restless);
  const days = [today - Math.round(OLDEST_DAYS * draws.next() ** 1.5) + 20];
  for (;;) {
    const next = days[days.length - 1]! + Math.round(draws.between(0.3, 1.7) * pace);
    if (next > last) return days;
    days.push(next);
  }
}

/** The products an owner deals in; at least two. */
export function shelfOf(vocabulary: Vocabulary, owner: Owner, seed: number): Vocabulary['products'] {
  const ranked = vocabulary.products
    .map((product) => ({
      product,
      luck: mix(seed, hashText(owner.address + product.one)) / product.weight ** 0.5,
    }))
    .sort((a, b) => a.luck - b.luck);
  return ranked
    .slice(0, Math.max(2, Math.round(owner.breadth * ranked.length)))
    .map(({ product }) => product);
}

/** Lines drawn from forms, each once. */
export function drawLines(forms: readonly string[], count: number, filling: Filling, draws: Draws): string[] {
  return [...new Set(Array.from({ length: count }, () => fill(draws.one(forms), filling)))];
}

export function clampAuthority(authority: number): number {
  return Math.max(1, Math.min(99, Math.round(authority)));
}

/** An id as a platform gives it: a start of its own and eight letters or digits. */
export function drawId(start: string, draws: Draws, taken: Set<string>): string {
  for (;;) {
    let id = start;
    for (let i = 0; i < 8; i++) id += 'abcdefghjkmnpqrstuvwxyz23456789'[draws.whole(0, 30)];
    if (taken.has(id)) continue;
    taken.add(id);
    return id;
  }
}
