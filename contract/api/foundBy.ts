import type { SeedWay } from './lookUps';

/** Every way in which a keyword can have come into a pool, with the number that it is stored under and its bit in pools. */
export const FOUND_BY_CODES = {
  organic: 0,
  paid: 1,
  suggestions: 2,
  'one letter more': 3,
  'one letter before': 4,
  phrase: 5,
  'all words': 6,
  'also ranked': 7,
  spellings: 8,
  'words of the front': 9,
  tags: 10,
  'phrases of the target': 11,
  'channel keywords': 12,
  list: 13,
  import: 14,
  combined: 15,
  'any word': 16,
} as const satisfies Record<SeedWay, number> & Record<string, number>;
export type FoundBy = keyof typeof FOUND_BY_CODES;
/** The same in the order of their codes. */
export const FOUND_BY = (Object.keys(FOUND_BY_CODES) as FoundBy[]).sort(
  (one, other) => FOUND_BY_CODES[one] - FOUND_BY_CODES[other],
);
