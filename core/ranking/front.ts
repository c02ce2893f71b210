import { isRanked } from './position';

/** Whether a column value is a position within the front F. */
export function isOnFront(position: number, front: number): boolean {
  return isRanked(position) && position <= front;
}

/** Those of a page's results that stand within the front F (method, notation), in the order given. */
export function frontOf<R extends { position: number | null }>(results: readonly R[], front: number): R[] {
  return results.filter(({ position }) => position !== null && isOnFront(position, front));
}

/**
 * Results of a front with the phrase in their title, ours left out (method §14).
 *
 * @example exactRivals([{ phraseInTitle: true, own: false }, { phraseInTitle: true, own: true }]) // 1
 */
export function exactRivals(front: readonly { phraseInTitle: boolean; own: boolean }[]): number {
  return front.filter(({ phraseInTitle, own }) => phraseInTitle && !own).length;
}

/**
 * Views a day since a video was published (method §14); what is younger than a day counts as a day old.
 * @returns `null` where either is unknown
 */
export function viewsADay(
  views: number | null | undefined,
  ageDays: number | null | undefined,
): number | null {
  return typeof views === 'number' && typeof ageDays === 'number' ? views / Math.max(1, ageDays) : null;
}
