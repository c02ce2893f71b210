import { ACTIONS } from '@opsimath/core/gap/action';
import { GAP_KINDS } from '@opsimath/core/gap/kind';
import { MOVEMENT_MARKS } from '@opsimath/core/gap/movement';
import { PAID_STATES } from '@opsimath/core/gap/paid';
import { DEPTH_BANDS } from '@opsimath/core/ranking/position';
import { PAGE_KINDS } from '@opsimath/core/text/pageKind';
import { PURPOSES } from '@opsimath/core/sift/purpose';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { z } from 'zod';
import { isoDay } from '../source/answers';
import { GAP_FIGURE_NAMES } from '../figures/gapFigures';
import { GAP_MARKS, GAP_SORTS, type GapSort, HELD_NAMES } from './gapChoices';
import { readLimits } from './gapLimits';

export const gapKind = z.enum(GAP_KINDS);
export const paidState = z.enum(PAID_STATES);
export const movementMark = z.enum(MOVEMENT_MARKS);
export const action = z.enum(ACTIONS);
export const gapMark = z.enum(GAP_MARKS);

export const heldName = z.enum(HELD_NAMES);

export const gapSort = z.enum(GAP_SORTS);

const list = <T extends z.ZodType>(item: T) =>
  z
    .preprocess(
      (value) => (typeof value === 'string' ? value.split(',').filter(Boolean) : value),
      z.array(item),
    )
    .default([]);

/** Which comparison: everything that decides the figures of a row. */
export const comparisonScope = z.object({
  market: z.string(),
  date: isoDay,
  compare: isoDay.optional(),
  /** A look-up's pool; all keywords of the project without it. */
  pool: z.coerce.number().int().optional(),
  /** A list instead, or those that are followed. */
  list: z.coerce.number().int().optional(),
  only: z.enum(['tracked']).optional(),
});

/** Several orders, the first the most important: `-priority,keyword`. */
const orders = z
  .string()
  .max(200)
  .default('-priority')
  .transform((text) => {
    const found = text
      .split(',')
      .map((part) => ({ sort: part.replace(/^-/, ''), descending: part.startsWith('-') }))
      .filter((part): part is { sort: GapSort; descending: boolean } =>
        (GAP_SORTS as readonly string[]).includes(part.sort),
      );
    return found.length > 0 ? found.slice(0, 4) : [{ sort: 'priority' as const, descending: true }];
  });
export const gapFilter = z.object({
  kinds: list(gapKind),
  paid: list(paidState),
  marks: list(gapMark),
  /** Ids of rivals of which one at least stands within the front. */
  rivals: list(z.coerce.number().int()),
  /** Depths of our own position. */
  bands: list(z.enum(DEPTH_BANDS)),
  /** Kinds of the page of ours that ranks; on the web alone. */
  pageKinds: list(z.enum(PAGE_KINDS)),
  names: list(heldName),
  /** What the search is for, as Sift reads it; of a look-up's pool alone. */
  purposes: list(z.enum(PURPOSES)),
  verdicts: list(z.enum(VERDICTS)),
  actions: list(action),
  /** See {@link readLimits}. */
  limits: z.string().max(500).default('').transform(readLimits),
  inList: z.coerce.number().int().optional(),
  /** A keyword of a cluster: all of it pass. */
  cluster: z.coerce.number().int().optional(),
  /** Address of the own target that holds our position. */
  target: z.string().max(2000).optional(),
  find: z.string().max(300).default(''),
  /** Ids of keywords picked one by one; empty picks none out. */
  chosen: list(z.coerce.number().int()),
});
export const gapQuery = comparisonScope.extend(gapFilter.shape).extend({
  sort: orders,
  /** What is counted beside the rest, since it takes longer the first time. */
  also: z.enum(['purposes']).optional(),
  /** Close variants (method §1) on one line, that of the one that comes first; those of keywords opened below it. */
  variants: z.enum(['together']).optional(),
  opened: list(z.coerce.number().int()),
  offset: z.coerce.number().int().min(0).default(0),
  limit: z.coerce.number().int().min(1).max(500).default(100),
});

/** What a file of gaps holds beside the filter: all figures, or those named. */
export const gapFileQuery = gapQuery.extend({
  format: z.enum(['csv', 'xlsx', 'json']).default('csv'),
  figures: list(z.enum(GAP_FIGURE_NAMES)),
});

export type GapQuery = z.input<typeof gapQuery>;
export type GapFilterRead = z.output<typeof gapFilter>;
export type GapQueryRead = z.output<typeof gapQuery>;
export type ComparisonScope = z.infer<typeof comparisonScope>;
