/** Codes of the `match` column of ad terms. */
export const MATCH_CODES = ['', 'exact', 'phrase', 'broad'] as const;
