import { LANGUAGES, type Language } from '@opsimath/core/text/languages';
import type { AddressReader } from './address';

/** How what comes through a recipe is shown in Sift. */
export interface SiftScope {
  /** Recipe that the pool is run through; none hides nothing. */
  recipe: number | null;
  /** Columns of Sift beside the usual ones, and the language in which its keywords are said a second time. */
  siftColumns: string[];
  into: Language | '';
}

export function readSift(address: AddressReader): SiftScope {
  return {
    recipe: address.id('recipe'),
    siftColumns: address.words('siftColumns'),
    into: address.one('into', LANGUAGES, ''),
  };
}
