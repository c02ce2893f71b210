import type { BetaPrior } from '../rates/betaPrior';

/** Where the worth of a click came from (method §7); stored in columns as the index here. */
export const WORTH_SOURCES = ['own conversions', 'price and margin', 'CPC', 'project default'] as const;
export type WorthSource = (typeof WORTH_SOURCES)[number];

export interface Worth {
  /** In the project's currency, a click. */
  value: number;
  source: WorthSource;
  /** How sure it is: σ of its logarithm, 0 where it is set. */
  sigma: number;
}

const SHARE_OF_CPC = 0.7;
/** A range of CPC is read as the middle 80 % of what a click costs. */
const Z_OF_RANGE = 1.2815515655446004;

/** Own paid clicks of one keyword, and what all conversions together tell. */
export interface OwnConversions {
  clicks: number;
  conversions: number;
  /** Of rates over the terms of the campaign (method of moments). */
  prior: BetaPrior;
  /** Mean value of a conversion, in the project's currency. */
  valueOfConversion: number;
}

/** What a marketplace tells: the price of our target and the project's own rates, 0–1. */
export interface PriceAndMargin {
  price: number;
  margin: number;
  conversionRate: number;
}

export interface WorthMaterial {
  own: OwnConversions | null;
  market: PriceAndMargin | null;
  /** Ends of the CPC range in the project's currency; `null` where unknown. */
  cpcLow: number | null;
  cpcHigh: number | null;
  projectDefault: number;
}

/**
 * Middle of a CPC range; NaN unless both ends are known.
 *
 * @example middleCpc(1, 3) // 2
 */
export function middleCpc(low: number, high: number): number {
  return (low + high) / 2;
}

/**
 * Worth of a click (method §7), by the first source that there is: own conversions (rate shrunk by the Beta prior, times
 * the mean value of a conversion), the marketplace's price · margin · conversion rate, middle of the CPC range · 0.7, the
 * project's default.
 */
export function worthOfClick({ own, market, cpcLow, cpcHigh, projectDefault }: WorthMaterial): Worth {
  if (own !== null && own.clicks > 0) {
    const a = own.prior.alpha + own.conversions;
    const b = own.prior.beta + own.clicks - own.conversions;
    const value = (a / (a + b)) * own.valueOfConversion;
    // Of the posterior: its variance over its mean squared.
    return { value, source: 'own conversions', sigma: Math.sqrt(Math.log(1 + b / (a * (a + b + 1)))) };
  }
  if (market !== null)
    return {
      value: market.price * market.margin * market.conversionRate,
      source: 'price and margin',
      sigma: 0,
    };
  const cpc = middleCpc(cpcLow ?? NaN, cpcHigh ?? NaN);
  if (Number.isNaN(cpc)) return { value: projectDefault, source: 'project default', sigma: 0 };
  const sigma = cpcLow! > 0 && cpcHigh! > cpcLow! ? Math.log(cpcHigh! / cpcLow!) / (2 * Z_OF_RANGE) : 0;
  return { value: cpc * SHARE_OF_CPC, source: 'CPC', sigma };
}
