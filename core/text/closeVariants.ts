import { closeVariantKey } from './stems';

/**
 * Groups of close variants (method §1).
 * @param keys keys of keywords
 * @returns for each the place of the first of its group, −1 for one that has no variant among them
 * @example closeVariants(['bike bag', 'pannier', 'bags for bikes'], 'en') // Int32Array.of(0, -1, 0)
 */
export function closeVariants(keys: readonly string[], language: string): Int32Array {
  const first = new Map<string, number>();
  const groups = new Int32Array(keys.length).fill(-1);
  keys.forEach((key, n) => {
    const stems = closeVariantKey(key, language);
    const other = first.get(stems);
    if (other === undefined) first.set(stems, n);
    else groups[other] = groups[n] = other;
  });
  return groups;
}
