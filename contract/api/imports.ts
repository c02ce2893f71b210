import { z } from 'zod';
import { isoDay } from '../source/answers';
import { job } from './jobs';

/** What a column of own search performance can be. */
export const performanceField = z.enum(['query', 'page', 'date', 'clicks', 'impressions', 'position']);
export type PerformanceField = z.infer<typeof performanceField>;

/** How a file is read: found out from its first part, correctable before it is taken in. */
export const fileReading = z.object({
  encoding: z.string(),
  delimiter: z.enum([',', ';', '\t', '|']),
  /** Line of the header, 1 first; lines before it are skipped. */
  headerLine: z.int().min(1),
  headers: z.array(z.string()),
  /** Column index by field; `null` where the file has none. */
  columns: z.record(performanceField, z.int().min(0).nullable()),
  decimalComma: z.boolean(),
  dateOrder: z.enum(['year first', 'day first', 'month first']),
  /** Date of every row when the file has no date column. */
  fixedDate: isoDay.nullable(),
});
export type FileReading = z.infer<typeof fileReading>;

export const importPreview = z.object({
  reading: fileReading,
  /** First records as they are in the file. */
  sample: z.array(z.array(z.string())),
  /** What stands in the way of taking it in. */
  problems: z.array(z.string()),
});

export const fileImport = z.object({
  id: z.int(),
  market: z.string().nullable(),
  fileName: z.string(),
  bytes: z.int(),
  reading: fileReading,
  rowsKept: z.int(),
  rowsRejected: z.int(),
  rowsSkipped: z.int(),
  createdAt: z.string(),
  job: job.nullable(),
});
export type FileImport = z.infer<typeof fileImport>;

export const uploadAnswer = z.object({ import: fileImport, preview: importPreview });
export type UploadAnswer = z.infer<typeof uploadAnswer>;

export const importStart = z.object({ market: z.string(), reading: fileReading });

export const rejection = z.object({ line: z.int(), reason: z.string(), content: z.string() });
export const rejectionsPage = z.object({ total: z.int(), rows: z.array(rejection) });
