import { sells } from '@opsimath/core/text/surfaces';
import { type OwnConversions, WORTH_SOURCES, middleCpc, worthOfClick } from '@opsimath/core/gap/worth';
import { median } from '@opsimath/core/ranking/statistics';
import type { AdTerms } from '../facts/adTerms';
import type { Comparison, ComparisonParts } from '../comparison/comparison';

/** Worth of a click of every keyword, where it came from, and how sure it is. */
export function worthColumns(
  parts: ComparisonParts,
  rows: Int32Array,
): Pick<Comparison, 'worthSource' | 'worthSigma'> & { worth: Float64Array } {
  const { metrics, keywords, ads, project } = parts;
  const market = marketWorth(parts);
  const worth = new Float64Array(rows.length);
  const worthSource = new Uint8Array(rows.length);
  const worthSigma = new Float64Array(rows.length);
  for (let i = 0; i < rows.length; i++) {
    const { value, source, sigma } = worthOfClick({
      own: ownConversions(ads, keywords[i]!),
      market,
      cpcLow: known(metrics.cpcLow[rows[i]!]!),
      cpcHigh: known(metrics.cpcHigh[rows[i]!]!),
      projectDefault: project.settings.defaultWorth,
    });
    worth[i] = value;
    worthSource[i] = WORTH_SOURCES.indexOf(source);
    worthSigma[i] = sigma;
  }
  return { worth, worthSource, worthSigma };
}

/** Own paid clicks of a keyword and what all conversions tell; `null` where there is none. */
function ownConversions({ terms, together }: AdTerms, keyword: number): OwnConversions | null {
  const term = terms.get(keyword);
  if (!term || together === null || term.clicks === 0) return null;
  const { clicks, conversions } = term;
  return { ...together, clicks, conversions: Math.min(conversions, clicks) };
}

/** What our listing's price, the margin and the conversion rate of the settings make of a click in a marketplace. */
function marketWorth({ market, project, sides }: ComparisonParts) {
  const { margin, conversionRate } = project.settings;
  if (!sells(market.surface) || margin === null || conversionRate === null) return null;
  const price = median(sides.own.flatMap(({ record }) => record?.figures.price ?? []));
  return price === null ? null : { price, margin, conversionRate };
}

/** What a click costs us: by our own ads, else the middle of the CPC range; NaN if unknown. */
export function costOfClick({ ads, metrics }: ComparisonParts, keyword: number, row: number): number {
  const term = ads.terms.get(keyword);
  if (term && term.clicks > 0) return term.cost / term.clicks;
  return middleCpc(metrics.cpcLow[row]!, metrics.cpcHigh[row]!);
}

function known(value: number): number | null {
  return Number.isNaN(value) ? null : value;
}
