import { DEPTH_BANDS } from '@opsimath/core/ranking/position';
import { ofEachSurface } from '@opsimath/core/text/surfaces';
import { z } from 'zod';
import { isoDay, sourceFullRecord, surface, targetKind } from '../source/answers';
import { position } from './position';

export const side = z.enum(['own', 'rival']);
export type Side = z.infer<typeof side>;

const texts = z.record(z.string().max(60), z.string().max(20_000));

/** What only we know of an own target, by surface. */
export const PRIVATE_FIELDS = ofEachSurface('privateFields');

export const target = z.object({
  id: z.int(),
  side,
  kind: targetKind,
  surface,
  address: z.string(),
  /** Address of the site, channel or shop that it belongs to. */
  parent: z.string().nullable(),
  name: z.string(),
  market: z.string(),
  note: z.string(),
  likeness: z.enum(['like', 'unlike']).nullable(),
  privateFields: texts,
  facts: texts,
  /** The newest public record, if it has been fetched. */
  record: sourceFullRecord.nullable(),
  recordDate: isoDay.nullable(),
  versions: z.int(),
  /** Fields of its surface that are filled, of those there are; the empty ones named. */
  filled: z.object({ full: z.int(), of: z.int(), empty: z.array(z.string()) }).nullable(),
  /** Many links, little authority: among the lowest tenth of all parents known. */
  manyLinksLittleAuthority: z.boolean(),
  /** Keywords held by the newest look-up in each market, organic and paid. */
  held: z.array(z.object({ market: z.string(), organic: z.int(), paid: z.int(), date: isoDay })),
});
export type Target = z.infer<typeof target>;

export const targetChange = z.object({
  name: z.string().trim().min(1).max(300).optional(),
  note: z.string().max(20_000).optional(),
  likeness: z.enum(['like', 'unlike']).nullable().optional(),
  privateFields: texts.optional(),
  facts: texts.optional(),
});
export type TargetChange = z.infer<typeof targetChange>;

/** Many addresses as they were pasted, one a line. */
export const targetsAddition = z.object({ side, market: z.string(), text: z.string().max(200_000) });
export const targetsAdded = z.object({
  added: z.array(target),
  /** Lines that gave nothing new, each with its reason. */
  left: z.array(z.object({ line: z.int(), text: z.string(), reason: z.string() })),
});
export type TargetsAdded = z.infer<typeof targetsAdded>;

/** One field of a record as it was and as it is. */
export const fieldChange = z.object({ field: z.string(), before: z.string(), after: z.string() });
export const targetVersion = z.object({
  date: isoDay,
  record: sourceFullRecord,
  /** Against the version before; empty for the first. */
  changes: z.array(fieldChange),
});
export type TargetVersion = z.infer<typeof targetVersion>;

export const refreshAnswer = z.object({
  date: isoDay,
  looked: z.int(),
  changed: z.array(z.object({ target: z.int(), name: z.string(), changes: z.array(fieldChange) })),
  failed: z.array(z.object({ target: z.int(), name: z.string(), reason: z.string() })),
});
export type RefreshAnswer = z.infer<typeof refreshAnswer>;

/** A side as a whole at a date, from what has been looked up and captured. */
export const standingAtDate = z.object({
  date: isoDay,
  /** Keywords looked at on this day: all that the target ranks for, or those captured. */
  looked: z.int(),
  whole: z.boolean(),
  /** In the order of DEPTH_BANDS without absent and unknown. */
  depth: z.array(z.int()),
  organic: z.int(),
  paid: z.int(),
  visibility: z.number().nullable(),
});
export const targetProfile = z.object({
  target,
  /** The same of all our own targets of the surface together; `null` without one, and where this one is ours itself. */
  ours: z
    .object({
      name: z.string(),
      organic: z.int(),
      paid: z.int(),
      clicks: z.number(),
      clicksPerKeyword: z.number().nullable(),
      littleDemand: z.int(),
    })
    .nullable(),
  organic: z.int(),
  paid: z.int(),
  /** Organic keywords for each paid one that the project aims at. */
  guide: z.number(),
  paidMissing: z.int(),
  /** Estimated clicks a month, and for each keyword. */
  clicks: z.number(),
  clicksPerKeyword: z.number().nullable(),
  /** Keywords within the front that bring fewer clicks than the floor. */
  littleDemand: z.int(),
  /** Clicks a month below which a place on the front brings little. */
  littleDemandBelow: z.number(),
  overTime: z.array(standingAtDate),
  authority: z
    .object({
      difference: z.number(),
      /** About this many times the referring domains of ours; `null` with too few parents known. */
      domainsRatio: z.number().nullable(),
      parentsKnown: z.int(),
    })
    .nullable(),
  weakTitles: z.array(
    z.object({
      address: z.string(),
      title: z.string(),
      faults: z.array(z.string()),
      bestKeyword: z.string().nullable(),
    }),
  ),
  titlesLooked: z.int(),
  /** What it pays for, where and since when. */
  /** How many it pays for in all; at most 500 are listed. */
  buysInAll: z.int(),
  buys: z.array(
    z.object({
      keyword: z.string(),
      id: z.int(),
      slot: z.int(),
      firstSeen: isoDay,
      lastSeen: isoDay,
      daysSeen: z.int(),
      daysLooked: z.int(),
      lastLooked: isoDay,
    }),
  ),
});
export type TargetProfile = z.infer<typeof targetProfile>;

/** Which keywords of a target are listed: all, or those at one depth. */
export const targetKeywordsQuery = z.object({
  market: z.string(),
  date: isoDay,
  band: z.enum(DEPTH_BANDS).optional(),
});
export type TargetKeywordsQuery = z.infer<typeof targetKeywordsQuery>;

/** One own or rival target with all its keywords. */
export const targetKeywords = z.object({
  total: z.int(),
  /** How many stand at the depth asked for; all without one. */
  matched: z.int(),
  atFirst: z.int(),
  inFront: z.int(),
  /** Keywords at each depth, in the order of DEPTH_BANDS. */
  depth: z.array(z.int()),
  /** Most searched first, at most 500. */
  rows: z.array(
    z.object({
      id: z.int(),
      text: z.string(),
      organic: position,
      paid: position,
      volume: z.number().nullable(),
      /** Which page, video or listing holds the organic position. */
      address: z.string().nullable(),
      isTag: z.boolean(),
    }),
  ),
  tags: z.array(
    z.object({
      text: z.string(),
      id: z.int().nullable(),
      position,
      volume: z.number().nullable(),
      difficulty: z.int().nullable(),
    }),
  ),
  /** Tags by difficulty: 0–33, 34–66, 67–100, unknown. */
  difficultyMix: z.array(z.int()),
});
export type TargetKeywords = z.infer<typeof targetKeywords>;

/** One target in every market of its surface. */
export const targetMarkets = z.object({
  markets: z.array(
    z.object({
      code: z.string(),
      placeName: z.string(),
      languageName: z.string(),
      keywords: z.int(),
      inFront: z.int(),
      worst: z.int().nullable(),
    }),
  ),
  /** Keywords held in any of them. */
  total: z.int(),
  rows: z.array(
    z.object({
      text: z.string(),
      /** In the order of the markets. */
      positions: z.array(position),
      /** Of the market where it is searched most. */
      volume: z.number().nullable(),
      inFront: z.int(),
      worst: z.int().nullable(),
    }),
  ),
});
export type TargetMarkets = z.infer<typeof targetMarkets>;

/** Channels and the keywords they set for themselves. */
export const channelKeywords = z.object({
  channels: z.array(z.object({ address: z.string(), name: z.string(), side })),
  rows: z.array(z.object({ text: z.string(), channels: z.array(z.boolean()), count: z.int() })),
});
export type ChannelKeywords = z.infer<typeof channelKeywords>;

export const bannedWord = z.object({
  id: z.int(),
  text: z.string(),
  language: z.string(),
  surface: z.union([surface, z.literal('')]),
  level: z.enum(['forbidden', 'doubtful']),
  reason: z.string(),
});
export type BannedWord = z.infer<typeof bannedWord>;
export const bannedWordAddition = bannedWord.omit({ id: true }).extend({
  text: z.string().trim().min(1).max(200),
  language: z.string().max(20).default(''),
  surface: z.union([surface, z.literal('')]).default(''),
  reason: z.string().trim().max(500).default(''),
});

export const indexedPage = z.object({
  address: z.string(),
  state: z.enum(['indexed', 'waiting', 'not indexed', 'unknown']),
  since: isoDay.nullable(),
  checkedOn: isoDay.nullable(),
  inSitemap: z.boolean(),
});
export const indexOverview = z.object({
  pages: z.array(indexedPage),
  counts: z.record(z.string(), z.int()),
  overTime: z.array(z.object({ date: isoDay, indexed: z.int(), checked: z.int() })),
});
export type IndexOverview = z.infer<typeof indexOverview>;
