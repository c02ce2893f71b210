import { key } from './key';

const LIST_MARK = /^\s*(?:[-*•]|\d+[.)])\s+/;

/**
 * Seed keywords as they were typed or pasted: split at commas and lines, without list marks and blank entries; what is the
 * same by key (method §1) counts once, as it was first written.
 */
export function readSeeds(texts: readonly string[]): string[] {
  const seeds = new Map<string, string>();
  for (const text of texts.flatMap((pasted) => pasted.split(/[,\n\r]+/))) {
    const seed = text.replace(LIST_MARK, '').trim();
    const same = key(seed);
    if (same !== '' && !seeds.has(same)) seeds.set(same, seed);
  }
  return [...seeds.values()];
}
