import { z } from 'zod';
import { isoDay } from '../source/answers';
import { job } from './jobs';

/** What a table can hold, and which columns it needs or may have. */
export const IMPORT_KINDS = {
  performance: {
    name: 'Own search performance',
    needed: ['query', 'clicks', 'impressions'],
    optional: ['page', 'date', 'position', 'device', 'country', 'language'],
    dated: true,
  },
  'ad terms': {
    name: 'Ad search terms',
    needed: ['query', 'clicks', 'cost'],
    optional: [
      'date',
      'ad keyword',
      'match type',
      'page',
      'impressions',
      'conversions',
      'value',
      'device',
      'country',
      'language',
    ],
    dated: true,
  },
  metrics: {
    name: 'Keyword metrics',
    needed: ['query'],
    optional: [
      'date',
      'volume',
      'cpc',
      'cpc low',
      'cpc high',
      'ad competition',
      'difficulty',
      'results',
      'country',
      'language',
    ],
    dated: true,
  },
  rankings: {
    name: 'Rankings',
    needed: ['query', 'page'],
    optional: ['date', 'organic', 'paid', 'volume', 'country', 'language'],
    dated: true,
  },
  'hidden terms': {
    name: 'Hidden search terms and channel keywords',
    needed: ['page', 'terms'],
    optional: [],
    dated: false,
  },
  visits: {
    name: 'Visits by source and month',
    needed: ['month', 'source', 'visits'],
    optional: [],
    dated: false,
  },
} as const satisfies Record<
  string,
  { name: string; needed: readonly string[]; optional: readonly string[]; dated: boolean }
>;

export const importKind = z.enum(Object.keys(IMPORT_KINDS) as (keyof typeof IMPORT_KINDS)[]);
export type ImportKind = z.infer<typeof importKind>;

export const importField = z.enum([
  'query',
  'page',
  'date',
  'clicks',
  'impressions',
  'position',
  'cost',
  'conversions',
  'value',
  'ad keyword',
  'match type',
  'volume',
  'cpc',
  'cpc low',
  'cpc high',
  'ad competition',
  'difficulty',
  'results',
  'organic',
  'paid',
  'terms',
  'month',
  'source',
  'visits',
  'device',
  'country',
  'language',
]);
export type ImportField = z.infer<typeof importField>;

export function fieldsOf(kind: ImportKind): readonly ImportField[] {
  return [...IMPORT_KINDS[kind].needed, ...IMPORT_KINDS[kind].optional];
}

/** How a file is read: found out from its first part, correctable before it is taken in. */
export const fileReading = z.object({
  kind: importKind.default('performance'),
  format: z.enum(['delimited', 'xlsx', 'json lines']).default('delimited'),
  encoding: z.string(),
  delimiter: z.enum([',', ';', '\t', '|']),
  /** Line of the header, 1 first; lines before it are skipped. */
  headerLine: z.int().min(1),
  headers: z.array(z.string()),
  /** Column index by field; `null` or nothing where the file has none. */
  columns: z.partialRecord(importField, z.int().min(0).nullable()),
  decimalComma: z.boolean(),
  dateOrder: z.enum(['year first', 'day first', 'month first']),
  /** Of rankings: the table holds everything its targets rank for, so that what it does not name is absent. */
  complete: z.boolean().optional(),
  /** Date of every row when the file has no date column. */
  fixedDate: isoDay.nullable(),
  /** The columns were matched as for an earlier file with these heads. */
  remembered: z.boolean().default(false),
});
export type FileReading = z.infer<typeof fileReading>;

export const importPreview = z.object({
  reading: fileReading,
  /** First records as they are in the file. */
  sample: z.array(z.array(z.string())),
  /** What stands in the way of taking it in. */
  problems: z.array(z.string()),
  /** What its rows say of where they are from: the commonest first, by the first rows of the file. */
  says: z.object({ countries: z.array(z.string()), languages: z.array(z.string()) }),
});
export type ImportPreview = z.infer<typeof importPreview>;

export const fileImport = z.object({
  id: z.int(),
  market: z.string().nullable(),
  fileName: z.string(),
  kind: z.string(),
  bytes: z.int(),
  reading: fileReading,
  rowsKept: z.int(),
  rowsRejected: z.int(),
  rowsSkipped: z.int(),
  rowsBlank: z.int(),
  /** Kept, rejected, skipped and blank together. */
  rowsRead: z.int(),
  createdAt: z.string(),
  job: job.nullable(),
});
export type FileImport = z.infer<typeof fileImport>;

export const uploadAnswer = z.object({ import: fileImport, preview: importPreview });
export type UploadAnswer = z.infer<typeof uploadAnswer>;

export const importStart = z.object({
  market: z.string(),
  reading: fileReading,
  /** Said by whoever saw that the rows speak of another country or language, and means it all the same. */
  marketConfirmed: z.boolean().default(false),
});

export const rejection = z.object({ line: z.int(), reason: z.string(), content: z.string() });
export const rejectionsPage = z.object({ total: z.int(), rows: z.array(rejection) });

export const sitemapAnswer = z.object({
  pages: z.int(),
  added: z.int(),
  /** Entries that are no page of ours or no address, each with its reason. */
  left: z.array(z.object({ text: z.string(), reason: z.string() })),
});
export type SitemapAnswer = z.infer<typeof sitemapAnswer>;

/** A saved page as it was read: nothing in it was run. */
export const savedPage = z.object({
  address: z.string(),
  title: z.string(),
  description: z.string(),
  headings: z.array(z.string()),
  words: z.int(),
  product: z
    .object({
      name: z.string(),
      price: z.number().nullable(),
      currency: z.string().nullable(),
      rating: z.number().nullable(),
      reviews: z.number().nullable(),
    })
    .nullable(),
  video: z
    .object({
      name: z.string(),
      seconds: z.number().nullable(),
      views: z.number().nullable(),
      published: isoDay.nullable(),
    })
    .nullable(),
  phrases: z.array(z.string()),
  /** What was left out, in words. */
  notes: z.array(z.string()),
});
export type SavedPage = z.infer<typeof savedPage>;
export const savedPageAnswer = z.object({ page: savedPage, target: z.int() });
