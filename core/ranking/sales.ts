/** Units a month sold at a sales rank, as the source gives them; ranks ascending. */
export type SalesCurve = readonly { rank: number; units: number }[];

/**
 * Estimated units a month at a sales rank: straight lines between the curve's points on logarithmic scales; beyond
 * its ends the nearest two points go on. A curve of fewer than two points, or no rank, is unknown: `null`.
 */
export function unitsAtRank(curve: SalesCurve, rank: number | null): number | null {
  const points = curve.filter(({ units }) => units > 0);
  if (rank === null || rank < 1 || points.length < 2) return null;
  let at = points.findIndex((point) => point.rank >= rank);
  if (at < 0) at = points.length - 1;
  const high = points[Math.max(1, at)]!;
  const low = points[Math.max(1, at) - 1]!;
  const share = Math.log(rank / low.rank) / Math.log(high.rank / low.rank);
  return Math.exp(Math.log(low.units) + share * Math.log(high.units / low.units));
}
