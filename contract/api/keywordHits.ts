import { z } from 'zod';
import { comparisonScope, gapKind } from './gapQuery';
import { position } from './position';

export const keywordHitsQuery = comparisonScope.extend({
  text: z.string().trim().min(1).max(300),
  limit: z.coerce.number().int().min(1).max(50).default(8),
});
export type KeywordHitsQuery = z.input<typeof keywordHitsQuery>;

/** Keywords of a scope that hold a text: the very one first, then those that begin with it, then the most searched. */
export const keywordHits = z.object({
  /** The very keyword, where the scope has it. */
  exact: z.int().nullable(),
  hits: z.array(
    z.object({
      id: z.int(),
      text: z.string(),
      kind: gapKind,
      volume: z.number().nullable(),
      own: position,
    }),
  ),
});
export type KeywordHits = z.infer<typeof keywordHits>;
