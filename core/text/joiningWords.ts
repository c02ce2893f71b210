import type { Language } from './languages';

/**
 * Articles, prepositions and conjunctions (method §1): close variants leave these out and nothing else. What changes the
 * sense (“without”, “under”, “not”) is no joining word, nor are words that ask, compare or recommend.
 */
export const JOINING_WORDS: Record<Language, ReadonlySet<string>> = {
  en: new Set('a an the of for in on at by to from with into onto and or as'.split(' ')),
  de: new Set(
    'der die das den dem des ein eine einen einem einer eines an am auf aus bei beim für im in ins mit nach um von vom vor zu zum zur und oder als'.split(
      ' ',
    ),
  ),
  es: new Set('el la los las lo un una unos unas a al de del en con para por y e o u como'.split(' ')),
};
