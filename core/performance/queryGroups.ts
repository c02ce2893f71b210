import type { SnippetWord } from './expectation';

/** What own queries can be narrowed to. */
export const QUERY_GROUPS = [
  'weak snippet',
  'strong outside the front',
  'many seen, few clicks',
  'near',
  'unlisted',
  'few cases',
  'below the goal',
] as const;
export type QueryGroup = (typeof QUERY_GROUPS)[number];

/** What decides in which groups a query is. */
export interface QueryFacts {
  word: SnippetWord;
  /** Mean position, weighted by impressions; `null` where unknown. */
  position: number | null;
  impressions: number;
  clicks: number;
  near: boolean;
  /** Whether it stands in a list of the project or is bid on. */
  listed: boolean;
  /** Whether its CTR is thin: too few cases to prove anything. */
  thin: boolean;
  /** Clicks short of the wanted CTR; `null` without a wish. */
  shortfall: number | null;
}

/**
 * Whether a query belongs to a group (method §18). Many seen are those with impressions in the top quarter; a position
 * outside the front is the average one of own search performance, never a captured one.
 *
 * @param topQuarter impressions from which a query is in the top quarter
 */
export function isInGroup(
  query: QueryFacts,
  group: QueryGroup,
  { front, topQuarter }: { front: number; topQuarter: number },
): boolean {
  const outside = query.position !== null && query.position > front;
  switch (group) {
    case 'weak snippet':
      return query.word === 'weak snippet';
    case 'strong outside the front':
      return query.word === 'strong' && outside;
    case 'many seen, few clicks':
      return query.impressions >= topQuarter && (query.word === 'weak snippet' || outside);
    case 'near':
      return query.near;
    case 'unlisted':
      return !query.listed && query.clicks > 0;
    case 'few cases':
      return query.thin;
    case 'below the goal':
      return (query.shortfall ?? 0) > 0;
  }
}
