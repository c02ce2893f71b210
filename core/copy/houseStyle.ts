import { key } from '../text/key';
import type { TitleStyle } from './titleStyle';

/**
 * In what a title departs from the house style of its surface (method §12): capitals throughout, another sign between phrases,
 * the brand missing or not last. An empty list where it keeps to it; an empty title departs from nothing.
 */
export function departures(title: string, style: TitleStyle): string[] {
  const text = title.trim();
  if (text === '') return [];
  const found: string[] = [];
  const letters = [...text].filter((sign) => sign.toLowerCase() !== sign.toUpperCase());
  if (letters.length > 3 && letters.every((sign) => sign === sign.toUpperCase()))
    found.push('it is all in capitals');
  else if (style.capitals === 'every word') {
    const small = text
      .split(/\s+/)
      .find((word) => [...word].length > 3 && /^\p{Ll}/u.test(word) && !/[@.]/.test(word));
    if (small !== undefined) found.push(`“${small}” begins small`);
  } else if (style.capitals === 'first word' && /^\p{Ll}/u.test(text)) found.push('it begins small');
  const own = style.separator.trim();
  const other = SEPARATORS.find((sign) => sign !== own && text.includes(sign === ',' ? ', ' : ` ${sign} `));
  if (own !== '' && other !== undefined) found.push(`“${other}” stands between phrases, not “${own}”`);
  if (style.brandPlace === 'last' && style.brand !== '' && !key(text).endsWith(key(style.brand)))
    found.push(`“${style.brand}” is not last`);
  return found;
}

/** What may stand between phrases of a title. */
const SEPARATORS = ['|', '–', '-', '·', ','];
