import { type GapFigure, LIMITED } from '../figures/gapFigures';

export type Limited = GapFigure;
export interface GapLimit {
  figure: Limited;
  least: number | null;
  most: number | null;
  /** Whether rows of which it is unknown pass. */
  unknown: boolean;
}

/** Limits as they stand in an address: `volume:100..5000,chance:0.2..,spread:2..?`; `?` keeps the unknown. */
export function readLimits(text: string): GapLimit[] {
  return text.split(',').flatMap((part) => {
    const [, name, least, most, unknown] = /^([a-z ]+):([-\d.eE+]*?)\.\.([-\d.eE+]*)(\??)$/.exec(part) ?? [];
    const figure = LIMITED.find((known) => known === name);
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
