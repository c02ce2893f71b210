import { z } from 'zod';
import { isoDay } from '../source/answers';
import { comparisonScope, gapKind } from './gapQuery';
import { passage, reportContent } from './reportContent';

export const REPORT_TEMPLATES = ['gaps', 'audit', 'round', 'months', 'empty'] as const;
export type ReportTemplate = (typeof REPORT_TEMPLATES)[number];

export const SECTION_KINDS = [
  'summary',
  'note',
  'standing',
  'kinds',
  'first',
  'gaps',
  'examples',
  'paid',
  'movers',
  'course',
  'effects',
  'round',
  'months',
  'holds',
  'near',
  'titles',
  'words',
  'blocks',
  'authority',
  'glossary',
  'quality',
] as const;
export type SectionKind = (typeof SECTION_KINDS)[number];

/** What a section is made from; what its kind does not know is left alone. */
export const sectionSettings = z.object({
  /** Rows at most. */
  most: z.int().min(1).max(1000).optional(),
  /** Keywords of this list alone. */
  list: z.int().nullable().optional(),
  kinds: z.array(gapKind).optional(),
  round: z.int().nullable().optional(),
  /** Keywords chosen one by one. */
  keywords: z.array(z.int()).max(50).optional(),
  /** What a course draws. */
  draws: z.enum(['visibility', 'clicks', 'front']).optional(),
});
export const section = z.object({
  id: z.string().regex(/^[a-z0-9-]{1,40}$/),
  kind: z.enum(SECTION_KINDS),
  heading: z.string().max(200),
  settings: sectionSettings.default({}),
  /** Worded by somebody; `null` as it is written from the figures. */
  text: z.array(passage).max(400).nullable().default(null),
});
export type Section = z.infer<typeof section>;

const MOST_LOGO = 400_000;
export const reportDocument = z.object({
  title: z.string().max(200),
  logo: z
    .string()
    .max(MOST_LOGO)
    .regex(/^data:image\/(png|jpeg);base64,[A-Za-z0-9+/=]+$/)
    .nullable()
    .default(null),
  accent: z
    .string()
    .regex(/^#[0-9a-f]{6}$/i)
    .nullable()
    .default(null),
  sections: z
    .array(section)
    .max(60)
    .refine((all) => new Set(all.map(({ id }) => id)).size === all.length, 'a section stands twice'),
});
export type ReportDocument = z.infer<typeof reportDocument>;

export const REPORT_RHYTHMS = ['every capture', 'once a week', 'once a month'] as const;
export const reportPlan = z.object({
  market: z.string(),
  rhythm: z.enum(REPORT_RHYTHMS),
  /** Day of the last one that was made. */
  lastDay: isoDay.nullable(),
});
export const reportRow = z.object({
  id: z.int(),
  template: z.enum(REPORT_TEMPLATES),
  title: z.string(),
  changedAt: z.string(),
  frozen: z.int(),
  plan: reportPlan.nullable(),
});
export type ReportListed = z.infer<typeof reportRow>;
export const savedReport = z.object({
  id: z.int(),
  template: z.enum(REPORT_TEMPLATES),
  document: reportDocument,
  revision: z.int(),
  plan: reportPlan.nullable(),
});
export type SavedReport = z.infer<typeof savedReport>;

export const reportAddition = z.object({
  template: z.enum(REPORT_TEMPLATES),
  title: z.string().trim().max(200).default(''),
  /** The round that it is about. */
  round: z.int().optional(),
});
export const reportChange = z.object({ document: reportDocument, revision: z.int() });
export const reportPlanning = z.object({
  market: z.string(),
  /** `null` switches it off. */
  rhythm: z.enum(REPORT_RHYTHMS).nullable(),
});

export const frozenReport = z.object({
  id: z.int(),
  report: z.int().nullable(),
  title: z.string(),
  market: z.string(),
  date: isoDay,
  compare: isoDay.nullable(),
  madeAt: z.string(),
  /** SHA-256 of what is kept, in hexadecimal. */
  checksum: z.string(),
  /** Made by itself after captures. */
  planned: z.boolean(),
  shares: z.int(),
});
export type FrozenReport = z.infer<typeof frozenReport>;
export const frozenView = z.object({
  frozen: frozenReport,
  content: reportContent,
  /** Whether what is kept still has the checksum that it had when it was frozen. */
  asItWas: z.boolean(),
});
export type FrozenView = z.infer<typeof frozenView>;

const movedGap = z.object({
  keyword: z.string(),
  before: z.string().nullable(),
  after: z.string().nullable(),
  ownBefore: z.union([z.int(), z.string()]).nullable(),
  ownAfter: z.union([z.int(), z.string()]).nullable(),
  demand: z.number().nullable(),
});
/** Two frozen reports: gaps that were closed, gaps that opened, keywords that are in one only. */
export const frozenDifference = z.object({
  before: frozenReport,
  after: frozenReport,
  closed: z.array(movedGap),
  opened: z.array(movedGap),
  closedInAll: z.int(),
  openedInAll: z.int(),
  came: z.int(),
  went: z.int(),
  /** Keywords in both. */
  both: z.int(),
});
export type FrozenDifference = z.infer<typeof frozenDifference>;

export const share = z.object({
  id: z.int(),
  /** Address below this server; whoever knows it may read the report until then. */
  path: z.string().nullable(),
  until: z.string(),
  open: z.boolean(),
});
export type Share = z.infer<typeof share>;
export const shareAddition = z.object({ days: z.int().min(1).max(365) });

export const FILE_FORMATS = ['pdf', 'html', 'xlsx', 'csv', 'md', 'json'] as const;
export type FileFormat = (typeof FILE_FORMATS)[number];
/** A file of a report as it is now, or of a frozen one. */
export const reportFileRequest = z
  .object({
    format: z.enum(FILE_FORMATS),
    report: z.int().optional(),
    scope: comparisonScope.optional(),
    frozen: z.int().optional(),
    /** Of CSV, which holds one: the table’s id; the first without it. */
    table: z.string().max(100).optional(),
  })
  .refine(
    ({ report, scope, frozen }) => (frozen === undefined) === (report !== undefined && scope !== undefined),
    'a report with its scope, or a frozen one',
  );
export type ReportFileRequest = z.infer<typeof reportFileRequest>;
export const reportFile = z.object({
  id: z.int(),
  state: z.enum(['working', 'done', 'failed']),
  /** 0–1. */
  progress: z.number(),
  name: z.string(),
  bytes: z.int(),
  message: z.string().nullable(),
});
export type ReportFile = z.infer<typeof reportFile>;

/** An audit of a target that is nobody’s here: its address, and where to look. */
export const auditRequest = z.object({
  address: z.string().trim().min(1).max(2000),
  market: z.string(),
  date: isoDay,
});
export const auditPrice = z.object({
  address: z.string(),
  name: z.string(),
  kind: z.string(),
  /** Units at most; what is held already costs nothing again. */
  units: z.int(),
  /** Units left of the allowance. */
  left: z.number(),
});
export type AuditPrice = z.infer<typeof auditPrice>;
export const audit = z.object({
  /** The room that it was given: its facts and its report stand there. */
  project: z.int(),
  report: z.int(),
  name: z.string(),
  address: z.string(),
  market: z.string(),
  date: isoDay,
  job: z.int(),
});
export type Audit = z.infer<typeof audit>;
