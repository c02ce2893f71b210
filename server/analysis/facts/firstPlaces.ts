import { FIRST } from '@opsimath/core/sift/clusters';
import { type Captures, CaptureReader } from './captures';
import type { ColumnStore } from '../kept/columnStore';

/** Places of the first ten organic results of each keyword's newest capture, ten entries a keyword; 0 for none. */
export async function firstPlaces(
  store: ColumnStore,
  captures: Captures,
  keywords: ArrayLike<number>,
): Promise<Int32Array> {
  const reader = await CaptureReader.over(store, captures);
  const first = new Int32Array(keywords.length * FIRST);
  for (let n = 0; n < keywords.length; n++) {
    const page = reader.page(keywords[n]!);
    if (page === null) continue;
    for (const { position, place } of reader.results(page, FIRST)) first[n * FIRST + position - 1] = place;
  }
  return first;
}
