import { type GapFigure, GAP_FIGURE_NAMES } from '../figures/gapFigures';

export interface GapLimit {
  figure: GapFigure;
  least: number | null;
  most: number | null;
  /** Whether rows of which it is unknown pass. */
  unknown: boolean;
}

/** Limits as they stand in an address: `volume:100..5000,chance:0.2..,spread:2..?`; `?` keeps the unknown. */
export function readLimits(text: string): GapLimit[] {
  return text.split(',').flatMap((part) => {
    const [, name, least, most, unknown] = /^([a-z ]+):([-\d.eE+]*?)\.\.([-\d.eE+]*)(\??)$/.exec(part) ?? [];
    const figure = GAP_FIGURE_NAMES.find((known) => known === name);
    if (figure === undefined) return [];
    const bound = (digits: string): number | null =>
      digits !== '' && Number.isFinite(Number(digits)) ? Number(digits) : null;
    return [{ figure, least: bound(least!), most: bound(most!), unknown: unknown === '?' }];
  });
}

export function writeLimits(limits: readonly GapLimit[]): string {
  return limits
    .map(({ figure, least, most, unknown }) => `${figure}:${least ?? ''}..${most ?? ''}${unknown ? '?' : ''}`)
    .join(',');
}
