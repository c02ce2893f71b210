import { key, words } from './key';
import { isStopWord } from './stems';

const LONGEST = 4;

/**
 * Phrases of a text that may be keywords: runs of one to four words within a sentence that neither begin nor end
 * with a filler, each once, in the order met. Single words of one letter are left out.
 */
export function candidatePhrases(text: string, language: string): string[] {
  const found = new Set<string>();
  for (const sentence of text.split(/[\n\r.!?;:|,()[\]–—•·/]+|\s-\s/)) {
    const all = words(key(sentence));
    for (let start = 0; start < all.length; start++) {
      if (isStopWord(all[start]!, language)) continue;
      for (let end = start + 1; end <= Math.min(all.length, start + LONGEST); end++) {
        if (isStopWord(all[end - 1]!, language)) continue;
        const phrase = all.slice(start, end).join(' ');
        if (phrase.length > 1 && /\p{L}/u.test(phrase)) found.add(phrase);
      }
    }
  }
  return [...found];
}
