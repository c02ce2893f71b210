import type { TargetKind } from '@opsimath/contract/source/answers';
import type { Draws } from '../random';
import { hashText, mix } from '../random';
import type { Owner } from './owners';
import type { Vocabulary } from './scenario';
import { fill, type Filling } from './forms';
import { HISTORY, type Rewording, STILL_TO_COME } from './history';

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
  /** How others reword it later, oldest first; its owner's account publishes its own. */
  rewordings: Rewording[];
  /** Day from which it is gone; `null` within what the world knows. */
  ends: number | null;
  /** How well people take to it, about −2 to 2. */
  appeal: number;
  /** What it is beside its words: length in seconds, price in the scenario's currency, images. */
  facts: Record<string, number>;
  category: string | null;
  seed: number;
}

const OLDEST_DAYS = 2600;

/** How many documents of an owner are written: those that stand, and from others those still to come. */
export function countWithComing(documents: number, isOwn: boolean): number {
  return isOwn ? documents : documents + Math.round(documents * STILL_TO_COME);
}

/**
 * Publication and later revisions, also some after today, so that the clock can be advanced.
 * @param isComing published only in the months after today
 */
export function revisionsOf(
  today: number,
  draws: Draws,
  restless: readonly [number, number],
  isComing: boolean,
): number[] {
  const last = today + HISTORY.after;
  const pace = draws.between(...restless);
  const luck = draws.next();
  const days = [
    isComing
      ? today + 21 + Math.floor(luck * (HISTORY.after - 21))
      : today - Math.round(OLDEST_DAYS * luck ** 1.5) + 20,
  ];
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
