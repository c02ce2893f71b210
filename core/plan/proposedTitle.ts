import { key } from '../text/key';
import { isStopWord, stem } from '../text/stems';

const SEPARATORS = /\s+[|–—:-]\s+|:\s+|\s*\|\s*/;
const TRAILING = /[\s|–—:;,.&+-]+$/u;
const LEADING = /^[\s|–—:;,.&+-]+/u;

/**
 * The title that *retitle* means (method §8): the keyword as it is typed, then what the title says beside it, as far as
 * it fits. Words that the keyword has already, in any form, are not said twice; what is cut is cut between words.
 *
 * @param keyword as people type it
 * @param limit in characters; a keyword that is longer stands alone
 * @example proposedTitle('waterproof panniers', 'Heron Waterproof Pannier | Tarnwick', 60, 'en')
 *   // 'Waterproof panniers | Heron | Tarnwick'
 */
export function proposedTitle(keyword: string, title: string, limit: number, language: string): string {
  const typed = keyword.charAt(0).toLocaleUpperCase(language) + keyword.slice(1);
  const said = new Set(
    key(keyword)
      .split(' ')
      .map((word) => stem(word, language)),
  );
  let proposed = typed;
  for (const part of title.split(SEPARATORS)) {
    const words = part.split(/\s+/).filter((word) => {
      const plain = key(word);
      return plain !== '' && !said.has(stem(plain, language));
    });
    // Where words went, no “and” or “for” is left hanging.
    if (words.length < part.trim().split(/\s+/).length) {
      while (words.length > 0 && isStopWord(key(words[0]!), language)) words.shift();
      while (words.length > 0 && isStopWord(key(words.at(-1)!), language)) words.pop();
    }
    const kept = words.join(' ').replace(LEADING, '').replace(TRAILING, '');
    if (kept === '' || !/[\p{L}\p{N}]/u.test(kept)) continue;
    const longer = `${proposed} | ${kept}`;
    if (longer.length <= limit) {
      proposed = longer;
      continue;
    }
    const cut = longer
      .slice(0, limit + 1)
      .replace(/\s+\S*$/u, '')
      .replace(TRAILING, '');
    return cut.length > proposed.length + 3 ? cut : proposed;
  }
  return proposed;
}
