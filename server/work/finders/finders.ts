import type { FoundBy } from '@opsimath/contract/api/foundBy';
import type { FinderTask, Finding } from '../findKeywords';
import { findAlsoRanked } from './alsoRanked';
import { findHolding } from './holding';
import { findListed } from './listed';
import { findSpellings } from './spellings';
import { findLettersAfter, findLettersBefore, findSuggestions } from './suggestions';
import { findChannelKeywords, findPhrases, findTags } from './targetWords';
import { findWordsOfFront } from './wordsOfFront';

/** How each way of finding keywords works. */
export const FINDERS: Record<
  Exclude<FoundBy, 'organic' | 'paid' | 'import'>,
  (task: FinderTask) => Promise<Finding>
> = {
  suggestions: findSuggestions,
  'one letter more': findLettersAfter,
  'one letter before': findLettersBefore,
  phrase: (task) => findHolding(task, 'phrase'),
  'all words': (task) => findHolding(task, 'all words'),
  'any word': (task) => findHolding(task, 'any word'),
  'also ranked': findAlsoRanked,
  spellings: findSpellings,
  'words of the front': findWordsOfFront,
  tags: findTags,
  'phrases of the target': findPhrases,
  'channel keywords': findChannelKeywords,
  list: findListed,
  combined: findListed,
};
