import type { Draft } from '@opsimath/contract/api/drafts';
import type { HeldField } from '@opsimath/core/copy/heldFields';
import { t } from '../../words/t';

/** A part of a field’s text and what is to be said of it. */
export interface Mark {
  text: string;
  mark: 'lead' | 'phrase' | 'banned' | 'cut' | null;
  why?: string;
}

const LETTER = /[\p{L}\p{N}]/u;

/**
 * A text in parts: the lead keyword and other keywords where they stand whole, words not to be used with the reason, and what
 * the limit cuts off. Phrases are found letter by letter, whole words only, capitals and signs between words aside.
 *
 * @param cut index from which the limit cuts
 * @param phrases keys, the lead’s first
 */
export function markedParts(
  text: string,
  cut: number,
  phrases: readonly string[],
  banned: Draft['banned'],
): Mark[] {
  const marks = new Array<number>(text.length).fill(NONE);
  const paint = (phrase: string, mark: number): void => {
    for (const [from, to] of findAll(text, phrase))
      for (let at = from; at < to; at++) marks[at] = Math.max(marks[at]!, mark);
  };
  phrases.forEach((phrase, n) => paint(phrase, n === 0 ? LEAD : PHRASE));
  banned.forEach(({ phrase }, n) => paint(phrase, BANNED + n));
  for (let at = cut; at < text.length; at++) marks[at] = Math.max(marks[at]!, CUT);
  const parts: Mark[] = [];
  for (let from = 0; from < text.length;) {
    let to = from;
    while (to < text.length && marks[to] === marks[from]) to++;
    parts.push({ text: text.slice(from, to), ...markOf(marks[from]!, banned) });
    from = to;
  }
  return parts;
}

const [NONE, PHRASE, LEAD, CUT, BANNED] = [0, 1, 2, 3, 10] as const;

function markOf(mark: number, banned: Draft['banned']): Omit<Mark, 'text'> {
  if (mark >= BANNED) {
    return { mark: 'banned', why: whyBanned(banned[mark - BANNED]!) };
  }
  if (mark === CUT) return { mark: 'cut', why: t('drafts:markedParts.beyondTheLimit') };
  if (mark === LEAD) return { mark: 'lead', why: t('drafts:markedParts.theLeadKeywordWhole') };
  return mark === PHRASE ? { mark: 'phrase', why: t('drafts:markedParts.aKeywordWhole') } : { mark: null };
}

const whyBanned = ({ level, reason }: Draft['banned'][number]): string =>
  `${level === 'forbidden' ? t('drafts:markedParts.notToBeUsed') : t('drafts:markedParts.doubtful')}${reason === '' ? '' : `, ${reason}`}`;

/** Words not to be used that a field holds, with the reason: for texts too long to be marked letter by letter. */
export function bannedIn({ typedText }: HeldField, banned: Draft['banned']): string[] {
  return banned
    .filter(({ phrase }) => typedText.includes(` ${phrase} `))
    .map((one) => `“${one.phrase}”: ${whyBanned(one)}`);
}

/** Where a key’s words stand one after another in a text, with anything but letters between them. */
function findAll(text: string, phrase: string): [number, number][] {
  const words = phrase.split(' ').filter(Boolean);
  if (words.length === 0) return [];
  const pattern = words.map((word) => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')).join('[^\\p{L}\\p{N}]+');
  const found: [number, number][] = [];
  for (const match of text.matchAll(new RegExp(pattern, 'giu'))) {
    const [from, to] = [match.index, match.index + match[0].length];
    if (!LETTER.test(text.charAt(from - 1)) && !LETTER.test(text.charAt(to))) found.push([from, to]);
  }
  return found;
}
