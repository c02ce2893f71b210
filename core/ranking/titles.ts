import { key } from '../text/key';

/** What makes a title weak, in words. */
export const TITLE_FAULTS = ['none of its best keywords', 'too long', 'cut off'] as const;
export type TitleFault = (typeof TITLE_FAULTS)[number];

/**
 * Faults of a title: it holds the whole phrase of none of the target's best keywords (asked only when there are
 * any); it is longer than the limit in characters (Unicode code points); it ends in an ellipsis.
 */
export function titleFaults(title: string, bestKeywords: readonly string[], limit: number): TitleFault[] {
  const words = ` ${key(title)} `;
  const faults: TitleFault[] = [];
  if (bestKeywords.length > 0 && !bestKeywords.some((keyword) => words.includes(` ${key(keyword)} `)))
    faults.push('none of its best keywords');
  if ([...title].length > limit) faults.push('too long');
  if (/(…|\.\.\.)\s*$/.test(title)) faults.push('cut off');
  return faults;
}
