import { SURFACES } from '@opsimath/core/text/surfaces';
import { z } from 'zod';

/**
 * What a search service answers. Every real service's adapter maps onto these shapes; the shipped
 * stand-in speaks them directly. Dates are ISO days, money is in the market's currency.
 */
export const isoDay = z.iso.date();
export const surface = z.enum(SURFACES);
/** A section is a parent given by the beginning of an address, `host/path/*`. */
export const targetKind = z.enum(['page', 'video', 'listing', 'site', 'channel', 'shop', 'section']);

/** How targets of a surface are addressed where all of them live on one host. Patterns are for a path or an id. */
export const platform = z.object({
  host: z.string().min(1),
  /** Path of a video or listing; `{id}` stands for the id. */
  target: z.string(),
  /** Path of a channel or shop; `{id}` stands for its name. */
  parent: z.string(),
  /** What an id looks like, as a regular expression. */
  id: z.string(),
});

export const sourceMarket = z.object({
  code: z.string().min(1),
  surface,
  place: z.string(),
  placeName: z.string(),
  language: z.string(),
  languageName: z.string(),
  currency: z.string(),
  resultsPerPage: z.int().positive(),
  depth: z.int().positive(),
  /** `null` where every target has a host of its own choosing. */
  platform: platform.nullable().default(null),
  /** Letters and digits of the market's language, in their order. */
  alphabet: z.string().default('abcdefghijklmnopqrstuvwxyz0123456789'),
  /** Address of the live result page; `{keyword}` stands for what is typed. `null` where there is none. */
  livePage: z.string().nullable().default(null),
});

/** The public record of a target as far as a result page shows it. */
export const sourceRecord = z.object({
  address: z.string().min(1),
  kind: targetKind,
  parent: z.string().nullable(),
  owner: z.string(),
  title: z.string(),
  description: z.string(),
  published: isoDay.nullable(),
  updated: isoDay.nullable(),
  /** authority, referring domains, backlinks, views…: named figures, `null` where unknown. */
  figures: z.record(z.string(), z.number().nullable()),
  /** Within which a sales rank counts; `null` where the surface has none. */
  category: z.string().nullable().default(null),
});
export const sourceFullRecord = sourceRecord.extend({
  /** The other fields of its surface by name: headings, body, tags…; lists have one entry a line. */
  fields: z.record(z.string(), z.string()),
  /** Its picture as a data address; `null` where the service gives none. */
  picture: z.string().startsWith('data:image/').max(500_000).nullable().default(null),
});

export const slotKind = z.enum([
  'organic',
  'paid',
  'answer box',
  'image block',
  'video block',
  'related searches',
]);
export const sourceSlot = z.object({
  /** Absolute place from the top, 1 first, all kinds counted. */
  slot: z.int().min(1).max(1000),
  kind: slotKind,
  /** Counts slots of its own kind; `null` for features. */
  position: z.int().min(1).max(250).nullable(),
  /** Index into the answer's records; `null` where the slot belongs to nobody. */
  record: z.int().nonnegative().nullable(),
  /** What the slot itself says: the text of an ad, the related searches. */
  text: z.string().optional(),
});
export const sourcePage = z.object({
  keyword: z.string(),
  depth: z.int().min(1).max(250),
  results: z.number().nonnegative().nullable(),
  slots: z.array(sourceSlot),
});

const charged = { date: isoDay, units: z.number().nonnegative() };

export const marketsAnswer = z.object({ markets: z.array(sourceMarket) });
export const resultPagesAnswer = z.object({
  ...charged,
  records: z.array(sourceRecord),
  pages: z.array(sourcePage),
});
export const sourceRanking = z.object({
  keyword: z.string().min(1),
  /** The target that holds the position (for a site: which of its pages). */
  address: z.string().min(1),
  /** The site, channel or shop that it belongs to, where the service says so. */
  parent: z.string().nullable().optional(),
  organic: z.int().min(1).max(250).nullable(),
  paid: z.int().min(1).max(250).nullable(),
});
export const rankingsAnswer = z.object({
  ...charged,
  rows: z.array(sourceRanking),
  /** How many rows the whole answer has; `null` if the service does not say. */
  total: z.int().nonnegative().nullable(),
  /** The cursor that this page starts at; `null` for the first. Tells a page that was skipped or repeated. */
  from: z.string().nullable().optional(),
  cursor: z.string().nullable(),
});
export const sourceMetrics = z.object({
  keyword: z.string(),
  /** Month of `months[0]` as YYYY-MM. */
  firstMonth: z.string().regex(/^\d{4}-\d{2}$/),
  months: z.array(z.number().nonnegative().nullable()).max(36),
  cpcLow: z.number().nonnegative().nullable(),
  cpcHigh: z.number().nonnegative().nullable(),
  /** 0–1. */
  adCompetition: z.number().min(0).max(1).nullable(),
  results: z.number().nonnegative().nullable(),
});
export const metricsAnswer = z.object({ ...charged, rows: z.array(sourceMetrics) });
export const recordAnswer = z.object({ ...charged, record: sourceFullRecord });
export const suggestionsAnswer = z.object({ ...charged, suggestions: z.array(z.string()) });
export const auctionsAnswer = z.object({
  ...charged,
  slots: z.array(
    z.object({
      position: z.int(),
      advertiser: z.string(),
      address: z.string(),
      title: z.string(),
      cost: z.number(),
    }),
  ),
});
/** A place within a market, as the services call it. */
export const placeAnswer = z.object({ market: z.string(), name: z.string().min(1) });
export const performanceAnswer = z.object({
  ...charged,
  rows: z.array(
    z.object({
      date: isoDay,
      query: z.string(),
      page: z.string(),
      impressions: z.int().nonnegative(),
      clicks: z.int().nonnegative(),
      position: z.number().positive(),
      conversions: z.int().nonnegative().optional(),
    }),
  ),
  cursor: z.string().nullable(),
});

/** Keywords that hold some words, most searched first. */
export const keywordsAnswer = z.object({
  ...charged,
  keywords: z.array(z.string()),
  total: z.int().nonnegative(),
  from: z.string().nullable().optional(),
  cursor: z.string().nullable(),
});
export const linksAnswer = z.object({
  ...charged,
  /** 0–100, log-scaled. */
  authority: z.number().nullable(),
  referringDomains: z.number().nullable(),
  backlinks: z.number().nullable(),
  /** Share of links that are worth nothing, 0–1. */
  poorLinks: z.number().nullable(),
});
/** Units a month sold at a sales rank, by category; a category without points has no curve. */
export const salesCurvesAnswer = z.object({
  curves: z.array(
    z.object({
      category: z.string(),
      points: z.array(z.object({ rank: z.number().positive(), units: z.number().nonnegative() })),
    }),
  ),
});
export const translationsAnswer = z.object({
  ...charged,
  translations: z.array(z.object({ text: z.string(), translation: z.string().nullable() })),
});
export const matchType = z.enum(['exact', 'phrase', 'broad']);
export const adTermsAnswer = z.object({
  ...charged,
  rows: z.array(
    z.object({
      date: isoDay,
      /** What was typed. */
      term: z.string(),
      /** What was bid on. */
      keyword: z.string(),
      match: matchType,
      landing: z.string(),
      impressions: z.int().nonnegative(),
      clicks: z.int().nonnegative(),
      cost: z.number().nonnegative(),
      conversions: z.int().nonnegative(),
      value: z.number().nonnegative(),
    }),
  ),
  cursor: z.string().nullable(),
});
export const campaignsAnswer = z.object({
  ...charged,
  campaigns: z.array(
    z.object({
      name: z.string(),
      dailyBudget: z.number().nonnegative(),
      keywords: z.array(
        z.object({
          keyword: z.string(),
          match: matchType,
          bid: z.number().nonnegative(),
          landing: z.string(),
        }),
      ),
    }),
  ),
});
/** Own fields that nobody else sees: hidden search terms, channel keywords. */
export const ownFieldsAnswer = z.object({
  ...charged,
  address: z.string(),
  fields: z.record(z.string(), z.string()),
});
export const publishAnswer = z.object({ address: z.string(), publishedOn: isoDay, seenBySearchOn: isoDay });
export const reindexAnswer = z.object({ address: z.string(), leftToday: z.int().nonnegative() });
export const indexState = z.object({
  address: z.string(),
  state: z.enum(['indexed', 'waiting', 'not indexed']),
  /** Day on which the newest edit was or will be seen by search; `null` if never. */
  since: isoDay.nullable(),
});
export const indexAnswer = z.object({ ...charged, pages: z.array(indexState) });
export const clockAnswer = z.object({ today: isoDay });
export const allowanceAnswer = z.object({ allowance: z.number(), spent: z.number(), renews: isoDay });
export const serviceError = z.object({ code: z.string(), message: z.string() });

export type Surface = z.infer<typeof surface>;
export type TargetKind = z.infer<typeof targetKind>;
export type SourceMarket = z.infer<typeof sourceMarket>;
export type SourceRecord = z.infer<typeof sourceRecord>;
export type SourceFullRecord = z.infer<typeof sourceFullRecord>;
export type SourceSlot = z.infer<typeof sourceSlot>;
export type SlotKind = z.infer<typeof slotKind>;
export type SourcePage = z.infer<typeof sourcePage>;
export type SourceRanking = z.infer<typeof sourceRanking>;
export type SourceMetrics = z.infer<typeof sourceMetrics>;
export type ResultPagesAnswer = z.infer<typeof resultPagesAnswer>;
export type RankingsAnswer = z.infer<typeof rankingsAnswer>;
export type MetricsAnswer = z.infer<typeof metricsAnswer>;
export type PerformanceAnswer = z.infer<typeof performanceAnswer>;
export type AllowanceAnswer = z.infer<typeof allowanceAnswer>;
export type Platform = z.infer<typeof platform>;
export type KeywordsAnswer = z.infer<typeof keywordsAnswer>;
export type LinksAnswer = z.infer<typeof linksAnswer>;
export type SalesCurvesAnswer = z.infer<typeof salesCurvesAnswer>;
export type AdTermsAnswer = z.infer<typeof adTermsAnswer>;
export type PlaceAnswer = z.infer<typeof placeAnswer>;
export type AuctionsAnswer = z.infer<typeof auctionsAnswer>;
export type CampaignsAnswer = z.infer<typeof campaignsAnswer>;
export type PublishAnswer = z.infer<typeof publishAnswer>;
export type ReindexAnswer = z.infer<typeof reindexAnswer>;
export type OwnFieldsAnswer = z.infer<typeof ownFieldsAnswer>;
export type IndexAnswer = z.infer<typeof indexAnswer>;
export type IndexState = z.infer<typeof indexState>;
export type TranslationsAnswer = z.infer<typeof translationsAnswer>;
export type MatchType = z.infer<typeof matchType>;
