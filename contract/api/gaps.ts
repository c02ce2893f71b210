import { ACTIONS } from '@opsimath/core/gap/action';
import { GAP_KINDS } from '@opsimath/core/gap/kind';
import { MOVEMENT_MARKS } from '@opsimath/core/gap/movement';
import { PAID_STATES } from '@opsimath/core/gap/paid';
import { WORTH_SOURCES } from '@opsimath/core/gap/worth';
import { DEPTH_BANDS } from '@opsimath/core/ranking/position';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { z } from 'zod';
import { volumeRange } from './lookUps';
import { isoDay } from '../source/answers';
import { GAP_FIGURE_NAMES } from '../figures/gapFigures';
import { readLimits } from './gapLimits';

export const gapKind = z.enum(GAP_KINDS);
export const paidState = z.enum(PAID_STATES);
export const movementMark = z.enum(MOVEMENT_MARKS);
export const action = z.enum(ACTIONS);
export const gapMark = z.enum([
  'near',
  'doubling',
  'gained',
  'lost',
  'climbing',
  'slipping',
  'little demand',
  'block to take',
  'by hand',
  'defence',
]);
export type GapMark = z.infer<typeof gapMark>;

/** What rows can be sorted by: every figure of the register, and what is in words. */
export const gapSort = z.enum([...GAP_FIGURE_NAMES, 'keyword', 'kind', 'action', 'paid', 'verdict']);
export type GapSort = z.infer<typeof gapSort>;

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
        (gapSort.options as readonly string[]).includes(part.sort),
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
  offset: z.coerce.number().int().min(0).default(0),
  limit: z.coerce.number().int().min(1).max(500).default(100),
});
/** Rows that pass, in groups; `sort` says which row speaks for a group. */
export const gapGroupQuery = gapQuery.extend({ by: z.enum(['cluster', 'target', 'action']) });
export type GapGroupQuery = z.input<typeof gapGroupQuery>;
export const gapGroups = z.object({
  total: z.int(),
  /** The most worth first. */
  groups: z.array(
    z.object({
      /** Of a target that does not rank: `''`. */
      name: z.string(),
      /** What narrows the gaps to this group. */
      narrowed: z.object({
        cluster: z.int().optional(),
        target: z.string().optional(),
        actions: z.array(action).optional(),
      }),
      keywords: z.int(),
      volume: z.number(),
      worthAMonth: z.number(),
      /** Days of work, were each keyword of it worked on by itself. */
      days: z.number(),
      best: z.object({ id: z.int(), text: z.string() }),
    }),
  ),
});
export type GapGroups = z.infer<typeof gapGroups>;

export type GapQuery = z.input<typeof gapQuery>;
export type GapFilterRead = z.output<typeof gapFilter>;
export type GapQueryRead = z.output<typeof gapQuery>;
export type ComparisonScope = z.infer<typeof comparisonScope>;

/** A position: a number, or one of the two that are never mixed up. */
export const position = z.union([z.int(), z.literal('absent'), z.literal('unknown')]);
export type Position = z.infer<typeof position>;

/** What an action does to other keywords of the same page: how many win or lose a click a month or more, and clicks of all. */
const keywordsAndClicks = z.object({ keywords: z.int(), clicks: z.number() });
export const elsewhere = z.object({ won: keywordsAndClicks, lost: keywordsAndClicks });

export const gapRow = z.object({
  id: z.int(),
  text: z.string(),
  kind: gapKind,
  near: z.boolean(),
  /** Everything the row is marked with. */
  marks: z.array(gapMark),
  /** Every figure of the register; `null` where it is unknown, and for what is no position. */
  figures: z.record(z.enum(GAP_FIGURE_NAMES), z.number().nullable()),
  own: position,
  ownBefore: position,
  /** Which of our targets holds the position. */
  ownAddress: z.string().nullable(),
  /** Absent only because a complete look-up does not name the keyword. */
  ownPresumed: z.boolean(),
  rivalsPresumed: z.array(z.boolean()),
  ownPaid: position,
  ownPaidBefore: position,
  /** In the order of the answer's rivals. */
  rivals: z.array(position),
  rivalsBefore: z.array(position),
  rivalsPaid: z.array(position),
  /** Rivals within the front; `null` where nobody looked. */
  spread: z.int().nullable(),
  moved: z.number().nullable(),
  movement: movementMark,
  paid: paidState,
  doubling: z.boolean(),
  /** Searches a month, mean of the latest 12. */
  volume: z.number().nullable(),
  /** From … to, where the source gave a range; the volume is its geometric mean. */
  volumeRange: volumeRange.nullable(),
  /** Day of which the volume is: it may be later than the date, where nothing was known by then. */
  volumeDay: isoDay.nullable(),
  /** The volume is lent by another surface. */
  volumeBorrowed: z.boolean(),
  /** Somebody typed a position of it in. */
  byHand: z.boolean(),
  /** V: searches a month over the coming three months. */
  demand: z.number().nullable(),
  chance: z.number().nullable(),
  /** P(within F) without any action. */
  asIs: z.number().nullable(),
  /** Foretold from the position alone, for want of a capture. */
  chanceAssumed: z.boolean(),
  worth: z.number(),
  worthSource: z.enum(WORTH_SOURCES),
  aim: z.int().nullable(),
  gain: z.number().nullable(),
  /** What the best action does to other keywords of the page; `null` where it touches none. */
  elsewhere: elsewhere.nullable(),
  /** What that is worth a month; 0 without it. */
  elsewhereValue: z.number(),
  worthAMonth: z.number().nullable(),
  effort: z.number(),
  priority: z.number().nullable(),
  action,
  /** Somebody chose it. */
  chosen: z.boolean(),
  reason: z.string(),
  cpcLow: z.number().nullable(),
  cpcHigh: z.number().nullable(),
  adCompetition: z.number().nullable(),
  difficulty: z.int().nullable(),
  /** The capture that the figures rest on. */
  captureDate: isoDay.nullable(),
  tracked: z.boolean(),
  verdict: z.enum(VERDICTS),
  /** What our ads cost a month on a term where we stand at 3 or better anyway; `null` where we do not double. */
  atStake: z.number().nullable(),
  /** Clicks a month at our position and at the best rival's, of volume × c(p) × feature factor; `null` where unknown. */
  ownClicks: z.number().nullable(),
  rivalClicks: z.number().nullable(),
  /** How many results its source counts: rough. */
  results: z.number().nullable(),
  /** Results of the captured front, ours left out, with the phrase in the title. */
  exactRivals: z.int().nullable(),
  /** The first block of the captured page of which no slot is ours, who holds it, and where that stands without it. */
  block: z
    .object({ kind: z.string(), holder: z.string().nullable(), position: z.int().nullable() })
    .nullable(),
  /** Medians over the captured front, where its listings say them. */
  frontPrice: z.number().nullable(),
  frontRating: z.number().nullable(),
  frontReviews: z.number().nullable(),
  /** What spreads the value of the best action; `null` where that is unknown, or nothing is to be done. */
  parts: z
    .object({
      clicks: z.number(),
      clicksError: z.number(),
      cost: z.number(),
      demandSigma: z.number(),
      worth: z.number(),
      worthSigma: z.number(),
      fit: z.number(),
      effort: z.number(),
    })
    .nullable(),
});
export type GapRow = z.infer<typeof gapRow>;

export const sideTotals = z.object({
  name: z.string(),
  /** 0–1; `null` when nothing is known. */
  visibility: z.number().nullable(),
  visibilityBefore: z.number().nullable(),
  /** In the order of DEPTH_BANDS. */
  depth: z.array(z.int()),
  paidKeywords: z.int(),
  /** Estimated clicks a month. */
  clicks: z.number(),
});

export const gapTotals = z.object({
  keywords: z.int(),
  /** Rows with us on the front, and those of them that bring more than little. */
  onFront: z.int(),
  onFrontWithDemand: z.int(),
  /** The largest priority of the scope, against which sizes are shaded. */
  topPriority: z.number(),
  kinds: z.record(gapKind, z.int()),
  paid: z.record(paidState, z.int()),
  marks: z.record(gapMark, z.int()),
  /** In the order of the answer's rivals, of DEPTH_BANDS, VERDICTS and ACTIONS. */
  rivals: z.array(z.int()),
  bands: z.array(z.int()),
  verdicts: z.array(z.int()),
  actions: z.array(z.int()),
});

export const rivalColumn = z.object({
  id: z.int(),
  letter: z.string(),
  name: z.string(),
  address: z.string(),
  looked: z.boolean(),
});
export type RivalColumn = z.infer<typeof rivalColumn>;

export const gapPage = z.object({
  /** Rows that pass the filter. */
  total: z.int(),
  rows: z.array(gapRow),
  rivals: z.array(rivalColumn),
  totals: gapTotals,
  own: z.string(),
  front: z.int(),
  /** Organic results on one page of the surface. */
  resultsPerPage: z.int(),
  currency: z.string(),
  /** Dates of the facts the answer rests on, and of those compared with. */
  rests: z.object({ segments: z.int(), latest: isoDay.nullable(), compareLatest: isoDay.nullable() }),
});
export type GapPage = z.infer<typeof gapPage>;
