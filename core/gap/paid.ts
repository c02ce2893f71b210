import { isRanked } from '../ranking/position';

/** Paid states of method §5 with *unknown* first; stored in columns as the index here. */
export const PAID_STATES = ['unknown', 'quiet', 'unbid', 'only us', 'outbid', 'top'] as const;
export type PaidState = (typeof PAID_STATES)[number];

/** Own organic position down to which paying doubles, unless the project says otherwise. */
export const DOUBLING_LIMIT = 3;

/**
 * The paid state of a keyword (method §5), as an index into {@link PAID_STATES}.
 *
 * @param looked whether anything is known of the paid slots at the date
 * @param own our best paid slot as a column value
 * @param rivals rivals' paid slots as column values
 * @example PAID_STATES[paidState(true, 2, [1, 3])] // 'outbid'
 */
export function paidState(looked: boolean, own: number, rivals: ArrayLike<number>): number {
  if (!looked) return 0;
  let above = false;
  let any = false;
  for (let i = 0; i < rivals.length; i++) {
    const slot = rivals[i]!;
    if (!isRanked(slot)) continue;
    any = true;
    if (slot < own) above = true;
  }
  if (!isRanked(own)) return any ? 2 : 1;
  if (!any) return 3;
  return above ? 4 : 5;
}

/** The mark *doubling* (method §5): we pay for a keyword where our own organic position is 3 or better. */
export function isDoubling(ownOrganic: number, ownPaid: number, limit = DOUBLING_LIMIT): boolean {
  return isRanked(ownPaid) && isRanked(ownOrganic) && ownOrganic <= limit;
}

/** Share of paid clicks that come to our organic result once a bid is gone, unless the project sets another (method §8). */
export const SHARE_MOVED = 0.8;
