/**
 * One letter a rival for its tab in the lane: the first letter of its name that no earlier rival took,
 * then any letter of the alphabet, then `?`. Stable in the order given.
 */
export function rivalLetters(names: readonly string[]): string[] {
  const taken = new Set<string>();
  return names.map((name) => {
    const candidates = [...name.toUpperCase().replace(/[^\p{L}]/gu, ''), ...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'];
    const letter = candidates.find((candidate) => !taken.has(candidate)) ?? '?';
    taken.add(letter);
    return letter;
  });
}
