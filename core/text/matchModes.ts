/** How a text is looked for in another (method §1). */
export const MATCH_MODES = ['phrase', 'all words', 'any word'] as const;
export type MatchMode = (typeof MATCH_MODES)[number];
