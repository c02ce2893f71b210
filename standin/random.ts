/** Deterministic chance: everything is drawn from hashes of what is being drawn, so order does not matter. */

/** 32-bit hash of two integers, well mixed. */
export function mix(a: number, b: number): number {
  let h = Math.imul(a ^ 0x9e3779b9, 0x85ebca6b) ^ Math.imul(b ^ 0xc2b2ae35, 0x27d4eb2f);
  h ^= h >>> 15;
  h = Math.imul(h, 0x2c1b3c6d);
  h ^= h >>> 12;
  h = Math.imul(h, 0x297a2d39);
  return (h ^ (h >>> 15)) >>> 0;
}

/** 32-bit hash of a text. */
export function hashText(text: string): number {
  let h = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
  return mix(h, text.length);
}

/** 0 ≤ x < 1 from a hash. */
export function unit(hash: number): number {
  return hash / 4294967296;
}

/** A seeded stream of draws. */
export class Draws {
  private count = 0;
  constructor(private readonly seed: number) {}
  next(): number {
    return unit(mix(this.seed, this.count++));
  }
  between(low: number, high: number): number {
    return low + (high - low) * this.next();
  }
  whole(low: number, high: number): number {
    return Math.floor(this.between(low, high + 1));
  }
  one<T>(list: readonly T[]): T {
    return list[Math.floor(this.next() * list.length)]!;
  }
  /** Picks by weight. */
  weighted<T>(list: readonly (readonly [T, number])[]): T {
    let left = this.next() * list.reduce((sum, [, weight]) => sum + weight, 0);
    for (const [value, weight] of list) if ((left -= weight) <= 0) return value;
    return list[list.length - 1]![0];
  }
  /** Standard normal, by Box and Muller. */
  normal(): number {
    return Math.sqrt(-2 * Math.log(1 - this.next())) * Math.cos(2 * Math.PI * this.next());
  }
  /** Poisson; a rounded normal above 30, where the two agree closely. */
  poisson(mean: number): number {
    if (mean <= 0) return 0;
    if (mean > 30) return Math.max(0, Math.round(mean + Math.sqrt(mean) * this.normal()));
    const limit = Math.exp(-mean);
    let count = 0;
    for (let product = this.next(); product > limit; product *= this.next()) count++;
    return count;
  }
  binomial(trials: number, share: number): number {
    if (trials > 60) {
      const spread = Math.sqrt(trials * share * (1 - share));
      return Math.min(trials, Math.max(0, Math.round(trials * share + spread * this.normal())));
    }
    let hits = 0;
    for (let i = 0; i < trials; i++) if (this.next() < share) hits++;
    return hits;
  }
}
