import { COVERAGES } from '@opsimath/core/copy/coverageWords';
import { z } from 'zod';
import { isoDay } from '../source/answers';
import { gapKind } from './gapQuery';
import { position } from './position';

export const frontQuartile = z.object({
  name: z.string(),
  low: z.number(),
  middle: z.number(),
  high: z.number(),
  least: z.number(),
  most: z.number(),
  known: z.int(),
  ours: z.number().nullable(),
  quarter: z.int().nullable(),
});
export type FrontQuartile = z.infer<typeof frontQuartile>;

/** What lies around one keyword: its front in figures, what stands before us, who of ours could answer, easier neighbours. */
export const around = z.object({
  /** What stands above our best slot; `null` where we are not on the page. */
  before: z.object({ organic: z.int(), paid: z.int(), features: z.int(), page: z.int() }).nullable(),
  front: z
    .object({
      date: isoDay,
      depth: z.int(),
      results: z.int(),
      quartiles: z.array(frontQuartile),
      exactRivals: z.int(),
      /** The same over all that was captured: exact rivals, of so many organic results. */
      exactInDepth: z.object({ rivals: z.int(), results: z.int() }),
      allWords: z.int(),
      several: z.array(z.object({ owner: z.string(), positions: z.array(z.int()) })),
      patterns: z.array(z.object({ text: z.string(), titles: z.int() })),
      phrasePlace: z.object({ first: z.int(), later: z.int() }),
      capitals: z.int(),
      paidSlots: z.int(),
      /** Blocks above or between the results, and who holds them. */
      blocks: z.array(
        z.object({
          kind: z.string(),
          slot: z.int(),
          holder: z.string().nullable(),
          /** Which place within the block it is, of how many that the capture names. */
          place: z.int(),
          of: z.int(),
        }),
      ),
      /** Kinds of page by the path rules of the project. */
      kinds: z.array(z.object({ kind: z.string(), slots: z.int() })),
      /** Seldom watched and long untouched. */
      weak: z.array(z.int()),
    })
    .nullable(),
  /** Own targets that rank or hold its words, best first. */
  candidates: z.array(
    z.object({
      address: z.string(),
      title: z.string(),
      position: z.int().nullable(),
      coverage: z.enum(COVERAGES),
      held: z.int(),
      of: z.int(),
      /** Words of the keyword that it lacks in any form. */
      missing: z.array(z.string()),
      /** Whether search knows it, as last checked; `null` where that was never asked. */
      index: z.object({ state: z.string(), checkedOn: isoDay }).nullable(),
    }),
  ),
  /** What the newest capture says of ours that do not rank: `null` without one. */
  lookedTo: z.int().nullable(),
  /** Keywords of the comparison that are easier by half and more. */
  neighbours: z.array(
    z.object({
      id: z.int(),
      text: z.string(),
      kind: gapKind,
      chance: z.number(),
      worthAMonth: z.number().nullable(),
      why: z.enum(['same cluster', 'contains it']),
    }),
  ),
  /** All markets of the surface and language: searches a month where they are known, and where we stand. */
  markets: z.array(
    z.object({
      market: z.string(),
      place: z.string(),
      /** The market that it is a place within. */
      within: z.string().nullable(),
      volume: z.number().nullable(),
      /** Our organic position there, by its newest capture. */
      own: position,
    }),
  ),
  demand: z.object({
    strength: z.number().nullable(),
    /** Calendar month, 0 = January. */
    peak: z.int().nullable(),
    startBy: isoDay.nullable(),
    trend: z.enum(['rising', 'falling', 'level']).nullable(),
    /** Yearly change of ln(1 + volume), and its p. */
    slope: z.number().nullable(),
    p: z.number().nullable(),
  }),
  /** Rough figures that are no part of priority. */
  rough: z.object({
    volumeByResults: z.number().nullable(),
    volumeByExactRivals: z.number().nullable(),
    /** Clicks on the front for each search, 0–1, estimated; `null` without a capture. */
    clicksASearch: z.number().nullable(),
    /** What all on the front earn with it a month; `null` without a price and a conversion rate. */
    turnover: z.number().nullable(),
    conversionRate: z.number().nullable(),
    price: z.number().nullable(),
    /** The same a search, over those on the front. */
    turnoverASearch: z.number().nullable(),
    /** Searches a month lent by another surface, where none are known here. */
    borrowed: z
      .object({ volume: z.number(), from: z.string(), ratio: z.number(), pairs: z.int() })
      .nullable(),
  }),
});
export type Around = z.infer<typeof around>;
