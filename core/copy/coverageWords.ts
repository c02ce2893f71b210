/** How a target's fields hold a keyword (method §12), the best first. */
export const COVERAGES = ['whole', 'one field', 'spread', 'part', 'none'] as const;
export type CoverageWord = (typeof COVERAGES)[number];
