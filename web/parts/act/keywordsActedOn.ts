import { t } from '../../words/t';

/** A keyword that something is done to. */
export interface ActedOn {
  id: number;
  text: string;
  /** Where it was picked, in words. */
  from?: string | undefined;
}

const LONGEST = 500;

/** Where keywords were picked, each place once. */
export function originOf(keywords: readonly ActedOn[]): string {
  const places = new Set(keywords.flatMap(({ from }) => from ?? []));
  return places.size === 0
    ? t('parts:keywordsActedOn.pickedByHand')
    : [...places].join('; ').slice(0, LONGEST);
}

/** "bike bags", or "3 keywords". */
export function nameOf(keywords: readonly ActedOn[]): string {
  return keywords.length === 1
    ? keywords[0]!.text
    : t('parts:keywordsActedOn.keywordsKeywords', { keywords: keywords.length.toLocaleString('en-US') });
}
