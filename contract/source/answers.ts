import { z } from 'zod';

/**
 * What a search service answers. Every real service's adapter maps onto these shapes; the shipped
 * stand-in speaks them directly. Dates are ISO days, money is in the market's currency.
 */
export const isoDay = z.iso.date();
export const surface = z.enum(['web', 'video', 'marketplace']);
export const targetKind = z.enum(['page', 'video', 'listing', 'site', 'channel', 'shop']);

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
});
export const sourceFullRecord = sourceRecord.extend({
  /** The other fields of its surface by name: headings, body, tags… */
  fields: z.record(z.string(), z.string()),
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
  organic: z.int().min(1).max(250).nullable(),
  paid: z.int().min(1).max(250).nullable(),
});
export const rankingsAnswer = z.object({
  ...charged,
  rows: z.array(sourceRanking),
  /** How many rows the whole answer has; `null` if the service does not say. */
  total: z.int().nonnegative().nullable(),
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
    }),
  ),
  cursor: z.string().nullable(),
});
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
