/** A keyword that something is done to. */
export interface ActedOn {
  id: number;
  text: string;
}

/** "bike bags", or "3 keywords". */
export function nameOf(keywords: readonly ActedOn[]): string {
  return keywords.length === 1 ? keywords[0]!.text : `${keywords.length.toLocaleString('en-US')} keywords`;
}
