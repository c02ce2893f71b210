import { DRAFT_KINDS } from '@opsimath/core/copy/draftFields';
import { LANGUAGES } from '@opsimath/core/text/languages';
import { UNITS } from '@opsimath/core/copy/measure';
import { z } from 'zod';
import { isoDay } from '../source/answers';

export const draftKind = z.enum(DRAFT_KINDS);
const person = z.string().trim().max(80).default('');
const fields = z.record(z.string().max(80), z.string().max(200_000));
const limit = z.object({ most: z.number().min(1).max(1_000_000), unit: z.enum(UNITS) });
const checks = z.array(z.object({ text: z.string().trim().min(1).max(300), done: z.boolean() })).max(100);

/** How far a draft is, by the facts. */
export const DRAFT_STATES = ['written', 'asked to publish', 'published', 'done by hand'] as const;

export const draftSummary = z.object({
  id: z.int(),
  kind: draftKind,
  market: z.string(),
  name: z.string(),
  /** The target that it is for; empty for one that is only planned. */
  address: z.string(),
  task: z.int().nullable(),
  keywords: z.int(),
  lead: z.string(),
  state: z.enum(DRAFT_STATES),
  updatedAt: z.string(),
});
export type DraftSummary = z.infer<typeof draftSummary>;

/** The same copy for people of another language, with the fields that somebody has checked. */
export const secondCopy = z.object({
  language: z.enum(LANGUAGES),
  fields,
  checked: z.array(z.string().max(80)).max(50),
});
export type SecondCopy = z.infer<typeof secondCopy>;

export const draft = draftSummary.omit({ keywords: true, lead: true }).extend({
  /** The lead first. */
  keywords: z.array(
    z.object({
      id: z.int(),
      text: z.string(),
      key: z.string(),
      /** Searches a month; `null` where they are unknown. */
      volume: z.number().nullable(),
      /** Where we stand for it; `null` where we do not, or nobody knows. */
      position: z.int().nullable(),
      verdict: z.string(),
    }),
  ),
  fields,
  limits: z.record(z.string(), limit),
  checks,
  second: secondCopy.nullable(),
  revision: z.int(),
  language: z.string(),
  /** Our own names, as keys. */
  brands: z.array(z.string()),
  /** The target’s fields as they stand now, where they are known, and of which day. */
  present: z.object({ date: isoDay, fields }).nullable(),
  /** Words not to be used here, doubtful ones, and rivals’ names, as keys, with reason and who let them in. */
  banned: z.array(
    z.object({ phrase: z.string(), level: z.enum(['forbidden', 'doubtful']), reason: z.string() }),
  ),
  /** How the lead’s front writes: titles and descriptions in their order. */
  front: z.array(
    z.object({
      position: z.int(),
      address: z.string(),
      side: z.enum(['own', 'rival', 'other']),
      title: z.string(),
      description: z.string(),
    }),
  ),
  versions: z.array(z.object({ id: z.int(), name: z.string(), person: z.string(), at: z.string(), fields })),
});
export type Draft = z.infer<typeof draft>;

export const draftAddition = z.object({
  market: z.string(),
  date: isoDay,
  kind: draftKind,
  name: z.string().trim().min(1).max(200),
  address: z.string().trim().max(2000).default(''),
  task: z.int().nullable().default(null),
  keywords: z.array(z.int()).max(500),
  /** From the target’s present fields, or from nothing. */
  start: z.enum(['present', 'empty']).default('present'),
  /** Proposed title that it begins with. */
  title: z.string().max(2000).default(''),
});
export type DraftAddition = z.input<typeof draftAddition>;

export const secondRequest = z.object({ language: z.enum(LANGUAGES) });
/** A copy for another language as it could begin. */
export const secondBeginning = z.object({ fields, units: z.number() });
/** What a draft’s keywords say in a language, as far as the services know. */
export const secondKeywords = z.array(z.object({ id: z.int(), text: z.string(), key: z.string() }));
export type SecondKeywords = z.infer<typeof secondKeywords>;
export const draftQuery = z.object({ date: isoDay });
/** A change rests on the revision that was seen; one on an older is refused, so that two tabs do not overwrite each other. */
export const draftChange = z.object({
  revision: z.int(),
  name: z.string().trim().min(1).max(200).optional(),
  address: z.string().trim().max(2000).optional(),
  keywords: z.array(z.int()).max(500).optional(),
  fields: fields.optional(),
  limits: z.record(z.string().max(80), limit).optional(),
  checks: checks.optional(),
  second: secondCopy.nullable().optional(),
  person,
});
export type DraftChange = z.input<typeof draftChange>;
export const draftVersionAddition = z.object({ name: z.string().trim().max(120).default(''), person });

export const packingRequest = z.object({
  keywords: z
    .array(z.object({ missing: z.array(z.string().max(200)).max(30), volume: z.number().nonnegative() }))
    .max(2000),
  slots: z.int().min(1).max(50),
  most: z.number().min(1).max(10_000),
  unit: z.enum(['characters', 'bytes']),
});
export type PackingRequest = z.input<typeof packingRequest>;
export const packing = z.object({
  slots: z.array(z.string()),
  words: z.array(z.string()),
  volume: z.number(),
  keywords: z.int(),
  next: z.object({ words: z.array(z.string()), volume: z.number(), lacking: z.number() }).nullable(),
});
export type Packing = z.infer<typeof packing>;

export const CHANGE_KINDS = ['edit', 'renewal', 'price', 'picture', 'bid', 'links'] as const;
export const publication = z.object({
  /** Sent to the connected service, or done elsewhere already. */
  way: z.enum(['service', 'by hand']),
  kind: z.enum(CHANGE_KINDS).default('edit'),
  /** Of what was done by hand; today without it. */
  date: isoDay.optional(),
  person,
});
/** Something that was done to a target without a draft: a price, a picture, links, a bid, a renewal. */
export const changeAddition = z.object({
  market: z.string(),
  address: z.string().trim().min(1).max(2000),
  kind: z.enum(CHANGE_KINDS),
  date: isoDay,
  /** Keywords that it aims at, the lead first. */
  keywords: z.array(z.int()).max(500).default([]),
  note: z.string().trim().max(1000).default(''),
  person,
});
export type ChangeAddition = z.input<typeof changeAddition>;
export const publishedChange = z.object({
  id: z.int(),
  market: z.string(),
  address: z.string(),
  kind: z.enum(CHANGE_KINDS),
  date: isoDay,
  before: fields,
  after: fields,
  keywords: z.array(z.object({ id: z.int(), text: z.string() })),
  draft: z.int().nullable(),
  task: z.int().nullable(),
  /** asked: sent, and nobody knows yet whether it arrived. */
  state: z.enum(['asked', 'published', 'by hand']),
  askedAgain: isoDay.nullable(),
  /** From when search shows it; a day to come while it waits; `null` while that is not known. */
  seenFrom: isoDay.nullable(),
  person: z.string(),
  note: z.string(),
});
export type PublishedChange = z.infer<typeof publishedChange>;

/** All our titles and descriptions, each beside the keyword that it answers for most searches. */
export const ownCopy = z.object({
  /** Characters of a title on this surface. */
  limit: z.int(),
  total: z.int(),
  /** Parts that stand in many of the titles. */
  templates: z.array(z.string()),
  pages: z.array(
    z.object({
      address: z.string(),
      title: z.string(),
      description: z.string(),
      lead: z.object({ id: z.int(), text: z.string() }).nullable(),
      volume: z.number().nullable(),
      /** Word of the title at which the lead begins, whole; `null` where it does not stand so. */
      leadAt: z.int().nullable(),
      missing: z.array(z.string()),
      brandFirst: z.boolean(),
      template: z.array(z.string()),
    }),
  ),
});
export type OwnCopy = z.infer<typeof ownCopy>;

/** Drafts of several targets at once: fields that are said otherwise, the rest as it stands. */
export const severalDrafts = z.object({
  market: z.string(),
  drafts: z
    .array(
      z.object({
        address: z.string().min(1).max(2000),
        keywords: z.array(z.int()).max(50).default([]),
        fields,
      }),
    )
    .min(1)
    .max(300),
});
export type SeveralDrafts = z.input<typeof severalDrafts>;

/** A text that a writer gave back, in fields. */
export const writtenText = z.object({
  title: z.string(),
  description: z.string(),
  /** One a line. */
  headings: z.string(),
  body: z.string(),
});
export type WrittenText = z.infer<typeof writtenText>;
