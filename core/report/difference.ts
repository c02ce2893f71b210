import { OPEN_KINDS } from './openKinds';

/** A keyword of a comparison as it was kept. */
export interface KeptKeyword {
  keyword: string;
  kind: string;
  own: number | string;
  demand: number | null;
}
export interface MovedKeyword {
  keyword: string;
  before: string | null;
  after: string | null;
  ownBefore: number | string | null;
  ownAfter: number | string | null;
  demand: number | null;
}
export interface Difference {
  /** A rival stood before us, and does not any more. The most searched first. */
  closed: MovedKeyword[];
  /** A rival stands before us, and did not, or the keyword was not known. */
  opened: MovedKeyword[];
  /** Keywords that are in the later one only, in the earlier one only, and in both. */
  came: number;
  went: number;
  both: number;
}

/**
 * What happened between two kept comparisons. Where either does not know how a keyword stands, nothing is said of it: a gap
 * that nobody looked at again is not closed.
 */
export function difference(before: readonly KeptKeyword[], after: readonly KeptKeyword[]): Difference {
  const earlier = new Map(before.map((one) => [one.keyword, one]));
  const found: Difference = { closed: [], opened: [], came: 0, went: 0, both: 0 };
  for (const now of after) {
    const then = earlier.get(now.keyword);
    if (then) found.both++;
    else found.came++;
    const [was, is] = [then ? isGap(then.kind) : false, isGap(now.kind)];
    if (was === null || is === null || was === is) continue;
    (is ? found.opened : found.closed).push({
      keyword: now.keyword,
      before: then?.kind ?? null,
      after: now.kind,
      ownBefore: then?.own ?? null,
      ownAfter: now.own,
      demand: now.demand ?? then?.demand ?? null,
    });
  }
  found.went = before.length - found.both;
  for (const list of [found.closed, found.opened])
    list.sort((a, b) => (b.demand ?? -1) - (a.demand ?? -1) || (a.keyword < b.keyword ? -1 : 1));
  return found;
}

/** Whether a rival stands before us; `null` where that is unknown. */
const isGap = (kind: string): boolean | null =>
  kind === 'unknown' ? null : (OPEN_KINDS as readonly string[]).includes(kind);
