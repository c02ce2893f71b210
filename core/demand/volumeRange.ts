/** A volume as its source gave it: one figure, or from … to. Searches a month. */
export interface GivenVolume {
  low: number;
  high: number;
}

const UNITS: Record<string, number> = { k: 1e3, tsd: 1e3, mil: 1e3, m: 1e6, mio: 1e6 };
const NUMBER = String.raw`([\d.,\s\u00a0\u202f'’]*\d)\s*(k|m|tsd\.?|mio\.?|mil)?`;
const RANGE = new RegExp(`^${NUMBER}\\s*(?:[-–—]|to|bis|a)\\s*${NUMBER}$`, 'i');
const OPEN = new RegExp(`^${NUMBER}\\s*\\+$`, 'i');
const SINGLE = new RegExp(`^${NUMBER}$`, 'i');

/**
 * Reads a volume or a range of volumes (method §2): `1,300`, `1.3K`, `100–1,000`, `1K – 10K`; `10K+` reaches to ten
 * times as much. `null` for anything else, a range that runs backwards included.
 * @param decimalComma whether `1,3` is one and three tenths
 * @example readVolume('10K+', false) // { low: 10000, high: 100000 }
 */
export function readVolume(text: string, decimalComma: boolean): GivenVolume | null {
  const trimmed = text.trim();
  const single = SINGLE.exec(trimmed);
  if (single) {
    const value = valueOf(single[1]!, single[2], decimalComma);
    return value === null ? null : { low: value, high: value };
  }
  const open = OPEN.exec(trimmed);
  if (open) {
    const low = valueOf(open[1]!, open[2], decimalComma);
    return low === null ? null : { low, high: low * 10 };
  }
  const range = RANGE.exec(trimmed);
  if (!range) return null;
  const high = valueOf(range[3]!, range[4], decimalComma);
  const low = valueOf(range[1]!, range[2], decimalComma);
  return low === null || high === null || low > high ? null : { low, high };
}

function valueOf(digits: string, unit: string | undefined, decimalComma: boolean): number | null {
  const bare = digits.replace(/[\s\u00a0\u202f'’]/g, '');
  const plain = decimalComma ? bare.replace(/\./g, '').replace(',', '.') : bare.replace(/,/g, '');
  const value = Number(plain) * (unit === undefined ? 1 : UNITS[unit.toLowerCase().replace('.', '')]!);
  return Number.isFinite(value) ? Math.round(value) : null;
}

/**
 * The one figure that a range stands for: its geometric mean, rounded half up; from nought counts as from one.
 *
 * @example middleOf({ low: 1000, high: 10000 }) // 3162
 */
export function middleOf({ low, high }: GivenVolume): number {
  return low === high ? low : Math.floor(Math.sqrt(Math.max(1, low) * high) + 0.5);
}

/**
 * σ of ln V for a volume that lies anywhere between two bounds, evenly on the logarithm; 0 for one figure.
 *
 * @example rangeSigma({ low: 1000, high: 10000 }) // 0.665
 */
export function rangeSigma({ low, high }: GivenVolume): number {
  return low >= high ? 0 : Math.log(high / Math.max(1, low)) / Math.sqrt(12);
}
