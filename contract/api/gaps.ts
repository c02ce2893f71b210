import { WORTH_SOURCES } from '@opsimath/core/gap/worth';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { PAGE_KINDS } from '@opsimath/core/text/pageKind';
import { z } from 'zod';
import { GAP_FIGURE_NAMES } from '../figures/gapFigures';
import { isoDay } from '../source/answers';
import { action, gapKind, gapMark, gapQuery, movementMark, paidState } from './gapQuery';
import { volumeRange } from './pool';
import { position } from './position';
import { elsewhere, reasonFacts } from './reasonFacts';

/** Rows that pass, in groups; `sort` says which row speaks for a group. */
export const gapGroupQuery = gapQuery.extend({ by: z.enum(['cluster', 'target', 'action', 'page kind']) });
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
        pageKinds: z.array(z.enum(PAGE_KINDS)).optional(),
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
  /** Why the action stands where it does, in English, and what that is made of. */
  reason: z.string(),
  why: reasonFacts,
  /**
   * Where close variants are together: how many others this line stands for, their searches a month, and whether they are
   * shown below it. `null` for a keyword by itself, and everywhere else.
   */
  variants: z.object({ others: z.int(), searches: z.number(), opened: z.boolean() }).nullable(),
  /** The keyword whose variant this line is, where that is opened. */
  under: z.int().nullable(),
  cpcLow: z.number().nullable(),
  cpcHigh: z.number().nullable(),
  adCompetition: z.number().nullable(),
  difficulty: z.int().nullable(),
  /** The capture that the figures rest on. */
  captureDate: isoDay.nullable(),
  tracked: z.boolean(),
  verdict: z.enum(VERDICTS),
  /** What of it is better not aimed at, rivals' names included, and who last allowed it by judging it fit or adjacent. */
  warnings: z.array(
    z.object({
      text: z.string(),
      level: z.enum(['forbidden', 'doubtful']),
      reason: z.string(),
      allowed: z.object({ person: z.string(), at: z.string(), reason: z.string() }).nullable(),
    }),
  ),
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
  /**
   * What the best action adds a month for each search, on the median of the gaps where that is known: times volume, a
   * provisional word on what nobody looked at yet. `null` where nothing is known.
   */
  typicalGain: z.number().nullable(),
  kinds: z.record(gapKind, z.int()),
  paid: z.record(paidState, z.int()),
  marks: z.record(gapMark, z.int()),
  rivals: z.array(z.int()),
  bands: z.array(z.int()),
  /** By kind of the page of ours that ranks, in the order of PAGE_KINDS. */
  pageKinds: z.array(z.int()),
  /** By whose name the keyword holds, in the order of the contract's list. */
  names: z.array(z.int()),
  /** By purpose, in the order of PURPOSES; `null` where they were not asked for, or no look-up's pool is compared. */
  purposes: z.array(z.int()).nullable(),
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
  /** Lines that they stand on: fewer where close variants are together, with those that are opened. */
  lines: z.int(),
  /** Whether close variants stand together: not among more keywords than can be told apart at once. */
  together: z.boolean(),
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
