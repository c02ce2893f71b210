const WORD = /[\p{L}\p{N}]/u;

/**
 * A text with something said otherwise wherever it stands. Capitals make no difference in what is found; where it began with a
 * capital, what comes in its place does too.
 *
 * @param wholeWords leaves alone what stands inside a longer word
 * @returns the text and how often it was found
 * @example replaceIn('Bag and bags', 'bag', 'pannier', true) // { text: 'Pannier and bags', count: 1 }
 */
export function replaceIn(
  text: string,
  find: string,
  replace: string,
  wholeWords: boolean,
): { text: string; count: number } {
  if (find === '') return { text, count: 0 };
  const pattern = new RegExp(find.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'), 'giu');
  const [startsWord, endsWord] = [WORD.test(first(find)), WORD.test(last(find))];
  let count = 0;
  const changed = text.replace(pattern, (match, at: number) => {
    if (wholeWords) {
      const before = last(text.slice(0, at));
      const after = first(text.slice(at + match.length));
      if ((startsWord && WORD.test(before)) || (endsWord && WORD.test(after))) return match;
    }
    count++;
    const isCapital = first(match) !== first(match).toLowerCase();
    return isCapital ? first(replace).toUpperCase() + replace.slice(first(replace).length) : replace;
  });
  return { text: changed, count };
}

/** First and last letter, whole where it takes two code units. */
const first = (text: string): string => (text === '' ? '' : String.fromCodePoint(text.codePointAt(0)!));
function last(text: string): string {
  const [unit] = text.slice(-1);
  const isSecondHalf = unit !== undefined && unit >= '\udc00' && unit <= '\udfff';
  return isSecondHalf ? text.slice(-2) : text.slice(-1);
}
