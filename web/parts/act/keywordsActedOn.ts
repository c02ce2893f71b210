/** A keyword that something is done to. */
export interface ActedOn {
  id: number;
  text: string;
  /** Where it was picked, in words. */
  from?: string | undefined;
}

const LONGEST = 500;

/** Where keywords were picked, each place once. */
export function originOf(keywords: readonly ActedOn[]): string {
  const places = new Set(keywords.flatMap(({ from }) => from ?? []));
  return places.size === 0 ? 'picked by hand' : [...places].join('; ').slice(0, LONGEST);
}

/** "bike bags", or "3 keywords". */
export function nameOf(keywords: readonly ActedOn[]): string {
  return keywords.length === 1 ? keywords[0]!.text : `${keywords.length.toLocaleString('en-US')} keywords`;
}
