/** Colours of a report on paper: those of the light theme. */
export const INK = '#22303a';
export const SOFT = '#565f64';
export const HAIRLINE = '#dcd4c1';
export const STRONG = '#b9ae95';
export const SHEET = '#fcfaf4';
export const RIVALS = ['#8a4a34', '#57598c', '#716d1f', '#8f5a87'] as const;
/** What is ours, where a report has no colour of its own. */
export const OWN = '#1d5c63';

export const rivalInk = (n: number): string => RIVALS[n % RIVALS.length]!;
export const ownInk = (accent: string | null): string => accent ?? OWN;
