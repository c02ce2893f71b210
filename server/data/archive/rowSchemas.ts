import { fileReading } from '@opsimath/contract/api/imports';
import { lookUpRequest } from '@opsimath/contract/api/lookUps';
import { projectSettings } from '@opsimath/contract/api/projects';
import { reportDocument } from '@opsimath/contract/api/reports';
import { recipeStep } from '@opsimath/contract/api/sift';
import { isoDay, platform, sourceFullRecord } from '@opsimath/contract/source/answers';
import { getTableColumns } from 'drizzle-orm';
import type { SQLiteTable } from 'drizzle-orm/sqlite-core';
import { z } from 'zod';
import * as tables from '../schema';

const words = z.record(z.string().max(200), z.string().max(1_000_000));
const ids = z.array(z.int().nonnegative()).max(1_000_000);
const strings = z.array(z.string().max(1000)).max(10_000);
const query = z.object({ steps: z.array(recipeStep), rescued: ids.optional() }).loose();

/** What stands in the columns that hold JSON. */
const JSON_COLUMNS: Record<string, z.ZodType> = {
  'project.settings': projectSettings,
  'market.platform': platform.nullable(),
  'target.private_fields': words,
  'target.facts': words,
  'target_version.record': sourceFullRecord,
  'place_record.record': sourceFullRecord,
  'look_up.request': lookUpRequest.extend({ importId: z.int().optional() }),
  'recipe.steps': z.array(recipeStep),
  'recipe.rescued': ids,
  'recipe.before': z.object({ steps: z.array(recipeStep), rescued: ids }).nullable(),
  'keyword_list.source': z.object({ lookUp: z.int(), query, only: strings }).nullable(),
  'result_reading.traits': strings,
  'round.people': z.array(z.object({ name: z.string().max(200), days: z.number().min(0) })).max(100),
  'task.serves': z
    .array(z.object({ keyword: z.int().nonnegative(), clicks: z.number(), value: z.number() }))
    .max(10_000),
  'draft.keywords': ids,
  'draft.fields': words,
  'draft.limits': z.record(z.string().max(200), z.object({ most: z.number(), unit: z.string().max(20) })),
  'draft.second': z.object({ language: z.string().max(20), fields: words, checked: strings }).nullable(),
  'draft.checks': z.array(z.object({ text: z.string().max(1000), done: z.boolean() })).max(1000),
  'draft_version.fields': words,
  'published_change.before': words,
  'published_change.after': words,
  'published_change.keywords': ids,
  'report.document': reportDocument,
  'watch_plan.weekdays': z.array(z.int().min(1).max(7)).max(7),
  'column_match.reading': fileReading,
  'file_import.reading': fileReading,
};

/** Columns that hold a day. */
const DAYS = new Set(['date', 'since', 'checked_on', 'published', 'updated', 'seen']);
/** Columns that hold a moment: they are sorted and shown, never computed with. */
const MOMENT = /^\d{4}-\d{2}-\d{2}T[\d:.]+Z$/;
const LONGEST_TEXT = 4_500_000;

/** Tables that an archive may hold. */
export const ARCHIVED = {
  project: tables.project,
  market: tables.market,
  keyword: tables.keyword,
  place: tables.place,
  place_version: tables.placeVersion,
  place_record: tables.placeRecord,
  target: tables.target,
  target_version: tables.targetVersion,
  banned_word: tables.bannedWord,
  sitemap_page: tables.sitemapPage,
  index_check: tables.indexCheck,
  column_match: tables.columnMatch,
  tracked: tables.tracked,
  note: tables.note,
  result_reading: tables.resultReading,
  hand_position: tables.handPosition,
  chosen_action: tables.chosenAction,
  said_purpose: tables.saidPurpose,
  round: tables.round,
  task: tables.task,
  answering: tables.answering,
  draft: tables.draft,
  draft_version: tables.draftVersion,
  published_change: tables.publishedChange,
  watch_plan: tables.watchPlan,
  visit_month: tables.visitMonth,
  report: tables.report,
  frozen_report: tables.frozenReport,
  report_plan: tables.reportPlan,
  own_bid: tables.ownBid,
  auction_slot: tables.auctionSlot,
  verdict: tables.verdict,
  file_import: tables.fileImport,
  look_up: tables.lookUp,
  keyword_list: tables.keywordList,
  list_member: tables.listMember,
  list_change: tables.listChange,
  marker: tables.marker,
  recipe: tables.recipe,
  variant_choice: tables.variantChoice,
  marked_keyword: tables.markedKeyword,
  word_leave: tables.wordLeave,
  look_up_target: tables.lookUpTarget,
  look_up_find: tables.lookUpFind,
  file_export: tables.fileExport,
} as const satisfies Record<string, SQLiteTable>;
export type ArchivedTable = keyof typeof ARCHIVED;

/** Columns that older archives do not have, and that get their usual value. */
const LATER = new Set(['revision', 'removed_at', 'settings_revision', 'verdicts_revision', 'rows_blank']);

const schemas = new Map<string, z.ZodType>();

/** What a row of a table must be, column by column, as the table itself says. */
export function rowSchema(table: ArchivedTable): z.ZodType {
  let schema = schemas.get(table);
  if (!schema) schemas.set(table, (schema = makeSchema(table)));
  return schema;
}

function makeSchema(table: ArchivedTable): z.ZodType {
  const shape: Record<string, z.ZodType> = {};
  for (const column of Object.values(getTableColumns(ARCHIVED[table]))) {
    const value = valueSchema(table, column.name, column.dataType, column.enumValues);
    const held = column.notNull ? value : value.nullable();
    const mayMiss =
      LATER.has(column.name) || (table === 'project' && column.name !== 'name' && column.name !== 'settings');
    shape[column.name] = mayMiss ? held.optional() : held;
  }
  return z.strictObject(shape);
}

function valueSchema(
  table: string,
  name: string,
  type: string,
  options: readonly string[] | undefined,
): z.ZodType {
  const json = JSON_COLUMNS[`${table}.${name}`];
  if (json) return jsonText(json);
  if (type === 'json') return jsonText(z.unknown());
  if (type === 'boolean') return z.union([z.literal(0), z.literal(1)]);
  if (type === 'number') return z.number().min(-1e15).max(1e15);
  if (options && options.length > 0) return z.enum(options as [string, ...string[]]);
  if (DAYS.has(name)) return isoDay;
  if (name.endsWith('_at')) return z.string().regex(MOMENT, 'a moment');
  return z.string().max(LONGEST_TEXT);
}

/** A text that holds JSON of a certain shape. */
function jsonText(schema: z.ZodType): z.ZodType {
  return z.string().check((context) => {
    let value: unknown;
    try {
      value = JSON.parse(context.value);
    } catch {
      context.issues.push({ code: 'custom', message: 'holds no JSON', input: context.value });
      return;
    }
    const read = schema.safeParse(value);
    if (read.success) return;
    const [first] = read.error.issues;
    context.issues.push({
      code: 'custom',
      message: `holds something else than it should (${first?.path.join('.') ?? ''} ${first?.message ?? ''})`,
      input: context.value,
    });
  });
}
