/** What may stand beside a figure: its currency, how many rivals there are, how many results make a page. */
export interface FigureContext {
  currency: string;
  rivals: number;
  resultsPerPage: number;
}

/** A figure of a keyword in a comparison: what it is called everywhere, its unit, and where it is defined. */
export interface Figure {
  /** Head of its column in tables. */
  head: string;
  /** Its unit, with the currency where it has one. */
  unit: (context: FigureContext) => string;
  /** Section of the method. */
  section: string;
  /** Digits behind the point in tables, and in files. */
  digits: number;
  fileDigits: number;
  /** What a tip says of it. */
  tip: (context: FigureContext) => string;
  estimated?: boolean;
  /** A position: shown as a place, “absent” or “unknown”. */
  position?: boolean;
  width: number;
}

/** The same whatever stands beside. */
export const plain = (text: string) => (): string => text;
/** In the project's currency. */
export const money =
  (per: string) =>
  ({ currency }: FigureContext): string =>
    `${currency} ${per}`;
