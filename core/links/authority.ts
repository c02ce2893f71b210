/** Link figures of one parent. */
export interface LinkFigures {
  /** 0–100, log-scaled. */
  authority: number;
  referringDomains: number;
}

/**
 * How ln(referring domains) grows with authority among known parents: least-squares slope.
 * @returns `null` with fewer than 3 parents that have domains, or when all have one authority
 * @example authoritySlope([{ authority: 10, referringDomains: 10 }, { authority: 20, referringDomains: 100 }, { authority: 30, referringDomains: 1000 }]) // 0.23
 */
export function authoritySlope(known: readonly LinkFigures[]): number | null {
  const usable = known.filter(({ referringDomains }) => referringDomains > 0);
  if (usable.length < 3) return null;
  return slopeOf(
    usable.map(({ authority }) => authority),
    usable.map(({ referringDomains }) => Math.log(referringDomains)),
  );
}

/**
 * What a difference in authority means in referring domains: e^(slope · difference), so that 2 says "about twice
 * the domains".
 * @example domainsRatio(0.1, 10) // 2.718
 */
export function domainsRatio(slope: number, difference: number): number {
  return Math.exp(slope * difference);
}

/**
 * Which parents have many links but little authority: the lowest tenth (rounded up) of the residuals of authority
 * regressed on ln(referring domains). Fewer than 10 parents mark nobody.
 * @returns one flag for each, in the order given; without domains never marked
 */
export function manyLinksLittleAuthority(known: readonly LinkFigures[]): boolean[] {
  const usable = known.filter(({ referringDomains }) => referringDomains > 0);
  if (usable.length < 10) return known.map(() => false);
  const x = usable.map(({ referringDomains }) => Math.log(referringDomains));
  const y = usable.map(({ authority }) => authority);
  const slope = slopeOf(x, y) ?? 0;
  const intercept = mean(y) - slope * mean(x);
  const residual = ({ authority, referringDomains }: LinkFigures): number =>
    authority - intercept - slope * Math.log(referringDomains);
  const sorted = usable.map(residual).sort((a, b) => a - b);
  const limit = sorted[Math.ceil(usable.length / 10) - 1]!;
  return known.map((figures) => figures.referringDomains > 0 && residual(figures) <= limit);
}

function slopeOf(x: readonly number[], y: readonly number[]): number | null {
  const meanX = mean(x);
  const meanY = mean(y);
  let above = 0;
  let below = 0;
  for (let i = 0; i < x.length; i++) {
    above += (x[i]! - meanX) * (y[i]! - meanY);
    below += (x[i]! - meanX) ** 2;
  }
  return below > 0 ? above / below : null;
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}
