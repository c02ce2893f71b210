import { QUERY_GROUPS } from '@opsimath/core/performance/queryGroups';
import { PURPOSES } from '@opsimath/core/sift/purpose';
import { SIEVE_FIGURES, TRENDS } from '@opsimath/core/sift/sieve';
import { MOST_STEPS } from '@opsimath/core/sift/stack';
import { LANGUAGES } from '@opsimath/core/text/languages';
import { z } from 'zod';
import { stepId, verdict } from './judgements';
import { foundBy } from './lookUps';
import { poolPage, poolRow, sortList } from './pool';

const bounds = {
  least: z.number().min(0).nullable(),
  most: z.number().min(0).nullable(),
  /** Whether keywords of which it is unknown pass. */
  unknown: z.boolean(),
};
/** One step of a recipe, said as what it lets through. */
export const sieve = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('words'),
    mode: z.enum(['phrase', 'all words', 'any word', 'pattern']),
    text: z.string().max(2000),
    out: z.boolean(),
    stems: z.boolean().optional(),
  }),
  z.object({ kind: z.literal('figure'), figure: z.enum(SIEVE_FIGURES), ...bounds }),
  z.object({ kind: z.literal('position'), target: z.string().max(2000), ...bounds }),
  z.object({
    kind: z.literal('ranked by'),
    atLeast: z.int().min(0).max(250),
    within: z.int().min(1).max(250),
  }),
  z.object({ kind: z.literal('found'), ways: z.array(foundBy) }),
  z.object({ kind: z.literal('trend'), trends: z.array(z.enum(TRENDS)), unknown: z.boolean() }),
  z.object({ kind: z.literal('verdict'), verdicts: z.array(verdict) }),
  z.object({
    kind: z.literal('reason'),
    reasons: z.array(z.string().max(500)).max(200),
    out: z.boolean(),
  }),
  z.object({ kind: z.literal('list'), list: z.int(), out: z.boolean() }),
  z.object({ kind: z.literal('language'), languages: z.array(z.enum(LANGUAGES)), unknown: z.boolean() }),
  /** One keyword of each group of variants: the main one. */
  z.object({ kind: z.literal('main variants') }),
  /** Words of the project that are not to be used. */
  z.object({
    kind: z.literal('banned words'),
    level: z.enum(['any', 'forbidden', 'doubtful']),
    out: z.boolean(),
  }),
  z.object({ kind: z.literal('marker'), marker: z.int(), out: z.boolean() }),
  z.object({ kind: z.literal('purpose'), purposes: z.array(z.enum(PURPOSES)) }),
  /** Of whose position somebody typed in what they saw, or nobody did; `null` while that is not chosen. */
  z.object({ kind: z.literal('seen by hand'), out: z.boolean().nullable() }),
  z.object({ kind: z.literal('own queries'), groups: z.array(z.enum(QUERY_GROUPS)), out: z.boolean() }),
]);
export type Sieve = z.infer<typeof sieve>;

export const recipeStep = z.object({ id: z.string().min(1).max(40), on: z.boolean(), sieve });
export type RecipeStep = z.infer<typeof recipeStep>;

const recipeParts = {
  name: z.string().trim().min(1).max(200),
  steps: z.array(recipeStep).max(MOST_STEPS),
  /** Keywords that come through whatever the sieves say. */
  rescued: z.array(z.int()).max(100_000),
  /** How many fit keywords are wanted. */
  goal: z.int().min(1).max(100_000),
};
export const recipe = z.object({
  id: z.int(),
  ...recipeParts,
  /** Sieves and rescued keywords before the last change of the sieves; `null` before any. */
  before: z.object({ steps: recipeParts.steps, rescued: recipeParts.rescued }).nullable(),
  changedAt: z.string(),
  revision: z.int(),
});
export type Recipe = z.infer<typeof recipe>;
export const recipeAddition = z.object({
  name: recipeParts.name,
  steps: recipeParts.steps.default([]),
  rescued: recipeParts.rescued.default([]),
  goal: recipeParts.goal.default(50),
});
export const recipeChange = z.object({
  ...z.object(recipeParts).partial().shape,
  /** The revision that the change rests on; on an older one it is merged, or refused where it clashes. */
  revision: z.int().optional(),
  person: z.string().trim().max(80).optional(),
});
export type RecipeChange = z.infer<typeof recipeChange>;

/** A pool run through a recipe. */
export const siftQuery = z.object({
  steps: recipeParts.steps,
  rescued: recipeParts.rescued.default([]),
  goal: recipeParts.goal.default(50),
  /** Looks within what came through; no step of the recipe. */
  find: z.string().max(300).default(''),
  sort: sortList,
  /** Whether rows say their language, and in which language they are said beside the original. */
  languages: z.boolean().default(false),
  /** Whether rows say in how many longer keywords they are contained. */
  contained: z.boolean().default(false),
  into: z.enum(LANGUAGES).nullable().default(null),
  /** Figures of sieves that rows are to say. */
  figures: z.array(z.enum(SIEVE_FIGURES)).max(SIEVE_FIGURES.length).default([]),
  /** Whether what is parked comes after all else. */
  parkedLast: z.boolean().default(false),
  offset: z.int().min(0).default(0),
  limit: z.int().min(1).max(500).default(100),
});
export type SiftQuery = z.input<typeof siftQuery>;
export type SiftQueryRead = z.output<typeof siftQuery>;

export const siftRow = poolRow.extend({
  verdict,
  /** Put off: stays unjudged and comes last. */
  parked: z.boolean(),
  reason: z.string(),
  person: z.string(),
  decidedAt: z.string(),
  rescued: z.boolean(),
  /** When it was asked for: the language, and how sure that is, 0–1. */
  language: z.object({ code: z.enum(LANGUAGES), confidence: z.number() }).nullable(),
  /** What it says in the language asked for, where that is held; `''` where nobody knew. */
  translation: z.string().nullable(),
  /** When it was asked for: other keywords of the pool that hold it as a phrase, and their searches a month. */
  contained: z.object({ keywords: z.int(), volume: z.number() }).nullable(),
  markers: z.array(z.int()),
  /** Those that were asked for; `null` where unknown. */
  figures: z.partialRecord(z.enum(SIEVE_FIGURES), z.number().nullable()),
  /** What the search is for, with the evidence in words. */
  /** By hand: somebody said so, whatever the rules say. */
  purpose: z.object({ purpose: z.enum(PURPOSES), evidence: z.string(), byHand: z.boolean() }),
});
export type SiftRow = z.infer<typeof siftRow>;

export const siftPage = z.object({
  /** Keywords of the pool, those that came through, and those of them that the find leaves. */
  all: z.int(),
  through: z.int(),
  total: z.int(),
  steps: z.array(
    z.object({
      in: z.int(),
      out: z.int(),
      /** Why it cannot work as it is written; it lets everything through then. */
      problem: z.string().nullable(),
      /** Fewer come out than are wanted, and more went in. */
      belowGoal: z.boolean(),
      /** Keywords it takes that are among the 20 most searched fits. */
      takesFits: z.array(z.object({ id: z.int(), text: z.string() })),
    }),
  ),
  /** Verdicts among what came through. */
  judged: z.object({
    fit: z.int(),
    adjacent: z.int(),
    off: z.int(),
    unjudged: z.int(),
    parked: z.int(),
    /** Searches a month of the fits. */
    fitVolume: z.number(),
  }),
  targets: poolPage.shape.targets,
  rows: z.array(siftRow),
});
export type SiftPage = z.infer<typeof siftPage>;

/** What one step removed, most searched first. */
export const removedQuery = siftQuery
  .pick({ steps: true, rescued: true, find: true, offset: true, limit: true })
  .extend({ step: z.int().min(0) });
export type RemovedQuery = z.input<typeof removedQuery>;
export const removedPage = z.object({ total: z.int(), rows: z.array(poolRow) });
export type RemovedPage = z.infer<typeof removedPage>;

/** What comes through a recipe now against what came through it before. */
export const differenceQuery = siftQuery
  .pick({ steps: true, rescued: true })
  .extend({ before: siftQuery.pick({ steps: true, rescued: true }) });
export type DifferenceQuery = z.input<typeof differenceQuery>;
const differing = z.object({
  total: z.int(),
  /** The most searched of them. */
  some: z.array(z.object({ id: z.int(), text: z.string(), volume: z.number().nullable() })),
});
export const siftDifference = z.object({ before: z.int(), now: z.int(), came: differing, went: differing });
export type SiftDifference = z.infer<typeof siftDifference>;

/** One verdict for all that comes through and holds what is looked for. */
export const siftJudgement = z.object({
  id: stepId.optional(),
  query: siftQuery.pick({ steps: true, rescued: true, find: true }),
  verdict,
  reason: z.string().trim().max(500).default(''),
  person: z.string().trim().max(80).default(''),
});
export type SiftJudgement = z.input<typeof siftJudgement>;

/** Frequencies of words among what comes through a recipe. */
export const wordCountsQuery = siftQuery
  .pick({ steps: true, rescued: true, offset: true, limit: true })
  .extend({
    /** Words in a run. */
    length: z.int().min(1).max(3).default(1),
    find: z.string().max(200).default(''),
    sort: z.enum(['keywords', 'volume']).default('keywords'),
    /** Whether runs of fillers alone are listed. */
    fillers: z.boolean().default(false),
  });
export type WordCountsQuery = z.input<typeof wordCountsQuery>;
export const wordCountsPage = z.object({
  /** 0–1; rows come when it is 1. */
  done: z.number(),
  /** Keywords that are counted over. */
  keywords: z.int(),
  total: z.int(),
  rows: z.array(z.object({ text: z.string(), length: z.int(), keywords: z.int(), volume: z.number() })),
  /** Keywords and their searches a month by how many words they have; eight stands for eight and more. */
  byWords: z.array(z.object({ words: z.int(), keywords: z.int(), volume: z.number() })),
});
export type WordCountsPage = z.infer<typeof wordCountsPage>;

/** Keywords under the longest one contained in them (the more general one): those right under one, or at the top. */
export const treeQuery = siftQuery.pick({ steps: true, rescued: true, offset: true }).extend({
  under: z.int().nullable().default(null),
  limit: z.int().min(1).max(200).default(50),
});
export type TreeQuery = z.input<typeof treeQuery>;
export const treeLevel = z.object({
  /** Keywords that came through, and those right at this level. */
  keywords: z.int(),
  total: z.int(),
  /** Those with most searches a month in their whole branch first. */
  rows: z.array(
    z.object({
      id: z.int(),
      text: z.string(),
      volume: z.number().nullable(),
      verdict,
      /** Keywords right under it, in its whole branch without itself, and searches a month of the branch with it. */
      children: z.int(),
      branch: z.int(),
      branchVolume: z.number(),
    }),
  ),
});
export type TreeLevel = z.infer<typeof treeLevel>;

/** What comes through a recipe, in clusters: keywords that much the same targets answer. */
export const clusterQuery = siftQuery
  .pick({ steps: true, rescued: true, offset: true })
  .extend({ limit: z.int().min(1).max(200).default(50) });
export type ClusterQuery = z.input<typeof clusterQuery>;
export const clusterPage = z.object({
  total: z.int(),
  keywords: z.int(),
  /** Of how many a result page is held; the others go by their stems. */
  captured: z.int(),
  targets: z.array(z.string()),
  clusters: z.array(
    z.object({
      /** Searches a month of all members. */
      volume: z.number(),
      keywords: z.int(),
      /** Best organic position of each target for any member; `null` where it has none. */
      best: z.array(z.int().nullable()),
      /** The most searched first: the first gives the cluster its name. */
      members: z.array(
        z.object({
          id: z.int(),
          text: z.string(),
          volume: z.number().nullable(),
          best: z.int().nullable(),
          verdict,
        }),
      ),
    }),
  ),
});
export type ClusterPage = z.infer<typeof clusterPage>;
