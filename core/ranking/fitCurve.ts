import type { Surface } from '../text/surfaces';
import { type ClickCurve, type CurvePrior, PRIORS, priorCurve } from './clickThrough';

/** How much the prior weighs, in impressions. */
export const PRIOR_IMPRESSIONS = 500;
const LAST = 100;

/** Own search performance, summed by rounded average position: index 1–100, 0 unused. */
export interface ClickBuckets {
  impressions: Float64Array;
  clicks: Float64Array;
}

/** Buckets with nothing in them. */
export function emptyBuckets(): ClickBuckets {
  return { impressions: new Float64Array(LAST + 1), clicks: new Float64Array(LAST + 1) };
}

/** Adds one row; a position that is unknown or beyond 100 is passed over. Rounded half up. */
export function addToBuckets(
  buckets: ClickBuckets,
  row: { impressions: number; clicks: number; position: number },
): void {
  const position = Math.floor(row.position + 0.5);
  if (!(position >= 1 && position <= LAST)) return;
  buckets.impressions[position]! += row.impressions;
  buckets.clicks[position]! += row.clicks;
}

/**
 * Click-through fitted from own search performance (method §3): `(clicks + 500·c0(p)) / (impressions + 500)` for each
 * position, then made non-increasing by pooling adjacent violators with weights impressions + 500. Without a row it is
 * the prior.
 *
 * @returns c(p) by position as {@link priorCurve}: 0 for absent and unknown
 */
export function fitClickCurve(
  surface: Surface,
  { impressions, clicks }: ClickBuckets,
  prior: CurvePrior = PRIORS[surface],
): ClickCurve {
  const curve = priorCurve(surface, prior);
  if (impressions.every((count) => count === 0)) return curve;
  const blocks: { value: number; weight: number; from: number; to: number }[] = [];
  for (let position = 1; position <= LAST; position++) {
    const weight = impressions[position]! + PRIOR_IMPRESSIONS;
    const value = (clicks[position]! + PRIOR_IMPRESSIONS * curve[position]!) / weight;
    let block = { value, weight, from: position, to: position };
    for (let before = blocks.at(-1); before && before.value < block.value; before = blocks.at(-1)) {
      blocks.pop();
      const both = before.weight + block.weight;
      block = {
        value: (before.value * before.weight + block.value * block.weight) / both,
        weight: both,
        from: before.from,
        to: block.to,
      };
    }
    blocks.push(block);
  }
  for (const { value, from, to } of blocks) curve.fill(value, from, to + 1);
  return curve;
}
