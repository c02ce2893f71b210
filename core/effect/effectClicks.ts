import type { ClickCurve } from '../ranking/clickThrough';
import type { KeywordEffect } from './effectOf';
import { positionOfScore } from './score';

/**
 * Clicks a month that an effect brought (method §16): Σ V · (c(where it stands now) − c(where it would stand without)). Between
 * two positions the share of clicks is between theirs.
 *
 * @param keywords each with searches a month times what the page leaves to organic results
 * @param more added to every keyword’s effect, in scores: the distance of a limit of the interval
 */
export function effectClicks(
  keywords: readonly (KeywordEffect & { volume: number })[],
  curve: ClickCurve,
  depth: number,
  more: number,
): number {
  const share = (value: number): number => {
    const position = positionOfScore(value, depth);
    const at = (place: number): number => (place > depth ? 0 : (curve[place] ?? 0));
    const above = Math.floor(position);
    return at(above) + (position - above) * (at(above + 1) - at(above));
  };
  return keywords.reduce(
    (sum, { volume, after, effect }) => sum + volume * (share(after) - share(after - effect - more)),
    0,
  );
}
