import { z } from 'zod';
import { isoDay } from '../source/answers';
import { position } from './position';

/** A piece of text; `figure` names the figure of the report whose value it shows. */
export const run = z.object({
  text: z.string().max(20_000),
  bold: z.boolean().optional(),
  italic: z.boolean().optional(),
  figure: z.string().max(200).optional(),
});
export type Run = z.infer<typeof run>;
/** A paragraph, or an item of a list. */
export const passage = z.object({ kind: z.enum(['paragraph', 'item']), runs: z.array(run).max(2000) });
export type Passage = z.infer<typeof passage>;

/** Positions of everybody for one keyword; rivals in the order of the report’s. */
export const laneCell = z.object({
  own: position,
  before: position.nullable(),
  paid: position,
  rivals: z.array(position),
  rivalsPaid: z.array(position),
});
export type LaneCell = z.infer<typeof laneCell>;
export const reportCell = z.union([z.string(), z.number(), z.null(), laneCell]);
export type ReportCell = z.infer<typeof reportCell>;

export const CELL_KINDS = [
  'text',
  'count',
  'decimal',
  'share',
  'money',
  'position',
  'day',
  'address',
  'lane',
] as const;
export const reportColumn = z.object({
  key: z.string(),
  name: z.string(),
  /** `share` is 0–1; `money` is in the report’s currency. */
  kind: z.enum(CELL_KINDS),
  digits: z.int().min(0).max(6).optional(),
  /** What it is, its source, and whether it is exact, estimated or claimed. */
  tip: z.string().optional(),
});
export type ReportColumn = z.infer<typeof reportColumn>;

export const reportRow = z.object({
  key: z.string(),
  /** One a column. */
  cells: z.array(reportCell),
  /** What stands below the first cell in small letters. */
  below: z.array(z.string()).optional(),
  /** Row of another table, `table:row`, that says what its money is made of. */
  sums: z.string().optional(),
});
export type ReportRow = z.infer<typeof reportRow>;

export const reportTable = z.object({
  kind: z.literal('table'),
  /** One of its kind in a report; names its sheet and its rows. */
  id: z.string(),
  title: z.string(),
  columns: z.array(reportColumn),
  rows: z.array(reportRow),
  caption: z.string().optional(),
  /** What is said in place of a table without rows. */
  empty: z.string(),
});
export type ReportTable = z.infer<typeof reportTable>;

export const reportChart = z.object({
  kind: z.literal('chart'),
  id: z.string(),
  title: z.string(),
  unit: z.enum(['share', 'count', 'position']),
  days: z.array(isoDay),
  /** One value a day; `null` where nothing is known: the line has a gap there. */
  lines: z.array(
    z.object({ name: z.string(), letter: z.string().nullable(), values: z.array(z.number().nullable()) }),
  ),
  /** What was changed, as marks. */
  marks: z.array(z.object({ day: isoDay, text: z.string() })),
  caption: z.string().optional(),
});
export type ReportChart = z.infer<typeof reportChart>;

export const reportText = z.object({
  kind: z.literal('text'),
  passages: z.array(passage),
  /** Written from the figures: `false` once somebody worded it. */
  written: z.boolean(),
});
export const reportExample = z.object({
  kind: z.literal('example'),
  id: z.string(),
  keyword: z.string(),
  lane: laneCell,
  /** In words and figures. */
  facts: z.array(z.object({ name: z.string(), value: z.string(), sums: z.string().optional() })),
  reason: z.string(),
  remedy: z.string(),
});
export const reportBlock = z.discriminatedUnion('kind', [
  reportText,
  reportTable,
  reportChart,
  reportExample,
]);
export type ReportBlock = z.infer<typeof reportBlock>;

export const contentSection = z.object({
  id: z.string(),
  kind: z.string(),
  heading: z.string(),
  blocks: z.array(reportBlock),
});
export type ContentSection = z.infer<typeof contentSection>;

/** A figure as it is shown, and the row it was read from. */
export const reportFigure = z.object({ shown: z.string(), row: z.string().nullable() });
export type ReportFigure = z.infer<typeof reportFigure>;

export const REPORT_VERSION = 1;
/** All that a reader sees of a report: made from the figures, or kept as it was. */
export const reportContent = z.object({
  version: z.literal(REPORT_VERSION),
  title: z.string(),
  /** A picture as a data address. */
  logo: z.string().nullable(),
  /** `#rrggbb`; `null` for the usual one. */
  accent: z.string().nullable(),
  project: z.string(),
  market: z.string(),
  date: isoDay,
  compare: isoDay.nullable(),
  /** Which keywords are compared, in words. */
  scope: z.string(),
  front: z.int(),
  currency: z.string(),
  own: z.string(),
  rivals: z.array(z.object({ letter: z.string(), name: z.string() })),
  sections: z.array(contentSection),
  figures: z.record(z.string(), reportFigure),
});
export type ReportContent = z.infer<typeof reportContent>;

/** One keyword of a comparison as a frozen report keeps it. */
export const keptGap = z.tuple([
  z.string().describe('keyword'),
  z.string().describe('gap kind'),
  position.describe('our organic position'),
  position.describe('our paid slot'),
  position.describe('best rival’s organic position'),
  z.number().nullable().describe('searches a month'),
  z.number().nullable().describe('what its best action adds a month'),
]);
export type KeptGap = z.infer<typeof keptGap>;

/** What is frozen: the content, and the comparison under it. */
export const frozenContent = z.object({ content: reportContent, gaps: z.array(keptGap) });
export type FrozenContent = z.infer<typeof frozenContent>;
