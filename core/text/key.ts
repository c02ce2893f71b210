const BREAK = /(?:(?!(?<=\p{Nd})\.(?=\p{Nd}))[^\p{L}\p{M}\p{N}'\-&+#])+/gu;
/** Most keywords are keys already: nothing is left to do for them. */
const PLAIN = /^[a-z0-9]+( [a-z0-9]+)*$/;
const HAS_LETTER_OR_NUMBER = /[\p{L}\p{N}]/u;

/**
 * The identity of a keyword within a market (method §1).
 *
 * NFKC, lower case, every run of characters other than letters, marks, numbers, `' - & + #` and a
 * full stop between digits becomes one space, words without a letter or number go.
 * Empty text, or text without any letter or number, gives `''`. Idempotent. Linear in the length.
 *
 * @example key('  Waterproof  PANNIERS!! ') // 'waterproof panniers'
 */
export function key(text: string): string {
  if (PLAIN.test(text)) return text;
  // Lower-casing can leave a text that NFKC would still change, so the pair is repeated until it settles.
  let folded = text;
  for (;;) {
    const next = folded.normalize('NFKC').toLowerCase();
    if (next === folded) break;
    folded = next;
  }
  return folded
    .replace(BREAK, ' ')
    .split(' ')
    .filter((word) => HAS_LETTER_OR_NUMBER.test(word))
    .join(' ');
}

/** The words of a key (method §1), in order. `words('')` is `[]`. */
export function words(keyText: string): string[] {
  return keyText === '' ? [] : keyText.split(' ');
}
