/** Units of a field’s limit: Unicode code points, bytes in UTF-8, or pixels in a stated font. */
export const UNITS = ['characters', 'bytes', 'pixels'] as const;
export type Unit = (typeof UNITS)[number];

/** Width of a text in the stated font, in pixels. */
export type WidthOf = (text: string) => number;

/**
 * Room that a text takes (method §12), in its unit.
 *
 * @param widthOf needed for pixels
 * @example measure('é', 'bytes') // 2
 * @example measure('Fähre', 'bytes') // 6
 */
export function measure(text: string, unit: Unit, widthOf?: WidthOf): number {
  if (unit === 'pixels') return widthOf!(text);
  let total = 0;
  for (let at = 0; at < text.length;) {
    const code = text.codePointAt(at)!;
    total += unit === 'characters' ? 1 : bytesOf(code);
    at += code > 0xffff ? 2 : 1;
  }
  return total;
}

/** Half a surrogate pair is written as the replacement character: three bytes. */
const bytesOf = (code: number): number => (code < 0x80 ? 1 : code < 0x800 ? 2 : code < 0x10000 ? 3 : 4);

/** A letter with all its marks, a flag or a family of people joined into one is within this many code units. */
const LONGEST_LETTER = 64;
const letters = new Intl.Segmenter(undefined, { granularity: 'grapheme' });

/**
 * Where a field’s limit cuts a text: the part before it fits, and no letter is torn from its marks, no emoji into pieces.
 *
 * @returns index in code units; the text’s length where all of it fits
 * @example cutAt('pannier bags', 7, 'characters') // 7
 */
export function cutAt(text: string, limit: number, unit: Unit, widthOf?: WidthOf): number {
  const over = unit === 'pixels' ? firstTooWide(text, limit, widthOf!) : firstOver(text, limit, unit);
  if (over >= text.length) return text.length;
  // The boundary before it: letters are read from a place far enough before.
  let from = Math.max(0, over - LONGEST_LETTER);
  if (from > 0 && isSecondHalf(text, from)) from--;
  let boundary = from;
  for (const { index } of letters.segment(text.slice(from, over + LONGEST_LETTER))) {
    if (from + index > over) break;
    boundary = from + index;
  }
  return boundary;
}

/** Index of the first code point that no longer fits. */
function firstOver(text: string, limit: number, unit: Unit): number {
  let total = 0;
  for (let at = 0; at < text.length;) {
    const code = text.codePointAt(at)!;
    total += unit === 'characters' ? 1 : bytesOf(code);
    if (total > limit) return at;
    at += code > 0xffff ? 2 : 1;
  }
  return text.length;
}

/** The longest beginning that is not too wide: a longer one is never narrower. */
function firstTooWide(text: string, limit: number, widthOf: WidthOf): number {
  if (widthOf(text) <= limit) return text.length;
  let [low, high] = [0, text.length];
  while (low < high - 1) {
    const middle = (low + high) >> 1;
    if (widthOf(text.slice(0, middle)) <= limit) low = middle;
    else high = middle;
  }
  return isSecondHalf(text, low) ? low - 1 : low;
}

function isSecondHalf(text: string, at: number): boolean {
  const unit = text.charCodeAt(at);
  return unit >= 0xdc00 && unit <= 0xdfff;
}
