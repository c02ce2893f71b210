import { key } from './key';
import { isStopWord, stems } from './stems';

/** How often each stem occurs among the targets of a market. */
export interface StemCounts {
  targets: number;
  having: ReadonlyMap<string, number>;
}

/** Counts in how many texts each stem stands. */
export function countStems(texts: readonly string[], language: string): StemCounts {
  const having = new Map<string, number>();
  for (const text of texts) {
    for (const stem of new Set(contentStems(text, language))) having.set(stem, (having.get(stem) ?? 0) + 1);
  }
  return { targets: texts.length, having };
}

/** Weights of a text's stems: occurrences × ln((1 + targets) / (1 + targets having it)) + occurrences, fillers left out. */
export function stemVector(text: string, language: string, counts: StemCounts): Map<string, number> {
  const vector = new Map<string, number>();
  for (const stem of contentStems(text, language)) vector.set(stem, (vector.get(stem) ?? 0) + 1);
  for (const [stem, often] of vector) {
    const rarity = Math.log((1 + counts.targets) / (1 + (counts.having.get(stem) ?? 0))) + 1;
    vector.set(stem, often * rarity);
  }
  return vector;
}

/**
 * Likeness of two texts: cosine of their TF-IDF stem vectors, 0–1. An empty text is like nothing (0).
 * Symmetric; a text that is not empty is like itself with 1.
 * @example likeness(new Map([['bag', 1]]), new Map([['bag', 1], ['bike', 1]])) // 0.707
 */
export function likeness(a: ReadonlyMap<string, number>, b: ReadonlyMap<string, number>): number {
  let dot = 0;
  for (const [stem, weight] of a) dot += weight * (b.get(stem) ?? 0);
  const size = length(a) * length(b);
  return size > 0 ? Math.min(1, dot / size) : 0;
}

function length(vector: ReadonlyMap<string, number>): number {
  let sum = 0;
  for (const weight of vector.values()) sum += weight * weight;
  return Math.sqrt(sum);
}

function contentStems(text: string, language: string): string[] {
  const kept = key(text)
    .split(' ')
    .filter((word) => word !== '' && !isStopWord(word, language));
  return stems(kept.join(' '), language);
}
