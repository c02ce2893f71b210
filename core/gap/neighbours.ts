/** A keyword that may be easier than another, by its place in a list. */
export interface Neighbour {
  at: number;
  why: 'same cluster' | 'contains it';
}

/**
 * Easier neighbours of a keyword (method §14): of its cluster, or containing it as a phrase, with a chance so many times as
 * high; the most worth first, then by their place. Nobody is easier than a keyword whose chance is unknown.
 *
 * @param chances 0–1, NaN where unknown
 * @param worths E a month, NaN where unknown
 * @param clusters a number each; `null` where clusters are not known
 * @param contains whether the keyword at a place holds this one as a phrase
 */
export function easierNeighbours(
  own: number,
  {
    chances,
    worths,
    clusters,
    contains,
    times,
  }: {
    chances: ArrayLike<number>;
    worths: ArrayLike<number>;
    clusters: ArrayLike<number> | null;
    contains: (at: number) => boolean;
    times: number;
  },
): Neighbour[] {
  const found: Neighbour[] = [];
  for (let at = 0; at < chances.length; at++) {
    if (at === own || !(chances[at]! >= times * chances[own]!)) continue;
    if (clusters !== null && clusters[at] === clusters[own]) found.push({ at, why: 'same cluster' });
    else if (contains(at)) found.push({ at, why: 'contains it' });
  }
  return found.sort((a, b) => (worths[b.at]! || 0) - (worths[a.at]! || 0) || a.at - b.at);
}
