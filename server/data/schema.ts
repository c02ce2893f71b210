import { sql } from 'drizzle-orm';
import type { Platform } from '@opsimath/contract/source/answers';
import { blob, index, integer, primaryKey, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';

/** Things and decisions are rows; bulk facts are columns packed into segments (docs/architecture.md). */

const id = () => integer().primaryKey({ autoIncrement: true });
const createdAt = () =>
  text('created_at')
    .notNull()
    .default(sql`(strftime('%Y-%m-%dT%H:%M:%fZ','now'))`);

export const project = sqliteTable('project', {
  id: id(),
  name: text().notNull(),
  settings: text({ mode: 'json' }).notNull().$type<Record<string, unknown>>(),
  /** Grows with every change that a comparison depends on. */
  revision: integer().notNull().default(0),
  createdAt: createdAt(),
});

export const market = sqliteTable('market', {
  id: id(),
  code: text().notNull().unique(),
  surface: text({ enum: ['web', 'video', 'marketplace'] }).notNull(),
  place: text().notNull(),
  placeName: text('place_name').notNull(),
  language: text().notNull(),
  languageName: text('language_name').notNull(),
  currency: text().notNull(),
  resultsPerPage: integer('results_per_page').notNull(),
  depth: integer().notNull(),
  platform: text({ mode: 'json' }).$type<Platform>(),
  alphabet: text().notNull().default('abcdefghijklmnopqrstuvwxyz0123456789'),
  livePage: text('live_page'),
});

export const target = sqliteTable(
  'target',
  {
    id: id(),
    projectId: integer('project_id')
      .notNull()
      .references(() => project.id, { onDelete: 'cascade' }),
    side: text({ enum: ['own', 'rival'] }).notNull(),
    kind: text().notNull(),
    address: text().notNull(),
    name: text().notNull(),
    /** Address of the site, channel or shop it belongs to. */
    parent: text(),
    /** Market in whose words it was found. */
    market: text().notNull().default(''),
    note: text().notNull().default(''),
    /** Said by hand: whether it is like our own target. */
    likeness: text({ enum: ['like', 'unlike'] }),
    /** What nobody else sees: hidden search terms, channel keywords, draft notes. */
    privateFields: text('private_fields', { mode: 'json' })
      .notNull()
      .default({})
      .$type<Record<string, string>>(),
    /** The fact card: type, features, uses, audiences, occasions, materials, price. */
    facts: text({ mode: 'json' }).notNull().default({}).$type<Record<string, string>>(),
    createdAt: createdAt(),
  },
  (table) => [uniqueIndex('target_address').on(table.projectId, table.address)],
);

/** The public record of a target, each time it was seen changed. */
export const targetVersion = sqliteTable(
  'target_version',
  {
    id: id(),
    targetId: integer('target_id')
      .notNull()
      .references(() => target.id, { onDelete: 'cascade' }),
    date: text().notNull(),
    record: text({ mode: 'json' }).notNull().$type<Record<string, unknown>>(),
    createdAt: createdAt(),
  },
  (table) => [index('target_version_target').on(table.targetId, table.date)],
);

export const keyword = sqliteTable(
  'keyword',
  {
    id: id(),
    marketId: integer('market_id')
      .notNull()
      .references(() => market.id),
    key: text().notNull(),
    text: text().notNull(),
  },
  (table) => [uniqueIndex('keyword_key').on(table.marketId, table.key)],
);

/** Keywords whose positions a project follows. */
export const tracked = sqliteTable(
  'tracked',
  {
    projectId: integer('project_id')
      .notNull()
      .references(() => project.id, { onDelete: 'cascade' }),
    keywordId: integer('keyword_id')
      .notNull()
      .references(() => keyword.id),
    since: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.keywordId] })],
);

/** Anything ever seen in a slot or a look-up: an address with its latest public figures. */
export const place = sqliteTable(
  'place',
  {
    id: id(),
    address: text().notNull().unique(),
    kind: text().notNull(),
    parent: text(),
    owner: text().notNull(),
    authority: integer(),
    published: text(),
    updated: text(),
    versionId: integer('version_id'),
    seen: text(),
  },
  (table) => [index('place_parent').on(table.parent)],
);

/** The words of a place as once captured. */
export const placeVersion = sqliteTable(
  'place_version',
  {
    id: id(),
    placeId: integer('place_id')
      .notNull()
      .references(() => place.id),
    hash: text().notNull(),
    title: text().notNull(),
    description: text().notNull(),
  },
  (table) => [uniqueIndex('place_version_words').on(table.placeId, table.hash)],
);

export const lookUp = sqliteTable(
  'look_up',
  {
    id: id(),
    projectId: integer('project_id')
      .notNull()
      .references(() => project.id, { onDelete: 'cascade' }),
    marketId: integer('market_id')
      .notNull()
      .references(() => market.id),
    jobId: integer('job_id'),
    name: text().notNull(),
    /** Day of the facts. */
    date: text().notNull(),
    request: text({ mode: 'json' }).notNull().$type<Record<string, unknown>>(),
    keywords: integer().notNull().default(0),
    units: integer().notNull().default(0),
    createdAt: createdAt(),
  },
  (table) => [index('look_up_project').on(table.projectId, table.marketId)],
);

/** One target of a look-up: how far its walk came, and which look-up holds the rows. */
export const lookUpTarget = sqliteTable(
  'look_up_target',
  {
    lookUpId: integer('look_up_id')
      .notNull()
      .references(() => lookUp.id, { onDelete: 'cascade' }),
    address: text().notNull(),
    heldBy: integer('held_by').notNull(),
    state: text({ enum: ['waiting', 'walking', 'done', 'failed'] }).notNull(),
    cursor: text(),
    rows: integer().notNull().default(0),
    message: text(),
  },
  (table) => [primaryKey({ columns: [table.lookUpId, table.address] })],
);

/** One way of finding keywords from one seed keyword, page or list: how far it came. */
export const lookUpFind = sqliteTable(
  'look_up_find',
  {
    lookUpId: integer('look_up_id')
      .notNull()
      .references(() => lookUp.id, { onDelete: 'cascade' }),
    way: text().notNull(),
    seed: text().notNull(),
    state: text({ enum: ['waiting', 'done', 'failed'] }).notNull(),
    found: integer().notNull().default(0),
    /** What is missing, in words. */
    message: text(),
  },
  (table) => [primaryKey({ columns: [table.lookUpId, table.way, table.seed] })],
);

/** The whole public record of a place, each time it was seen changed. */
export const placeRecord = sqliteTable(
  'place_record',
  {
    id: id(),
    placeId: integer('place_id')
      .notNull()
      .references(() => place.id),
    date: text().notNull(),
    record: text({ mode: 'json' }).notNull().$type<Record<string, unknown>>(),
  },
  (table) => [uniqueIndex('place_record_date').on(table.placeId, table.date)],
);

/** Units sold at a sales rank, as the source says. */
export const salesCurve = sqliteTable(
  'sales_curve',
  {
    marketId: integer('market_id')
      .notNull()
      .references(() => market.id),
    date: text().notNull(),
    category: text().notNull(),
    points: text({ mode: 'json' }).notNull().$type<{ rank: number; units: number }[]>(),
  },
  (table) => [primaryKey({ columns: [table.marketId, table.date, table.category] })],
);

/** Whether search knows own addresses, each time it was checked. */
export const indexCheck = sqliteTable(
  'index_check',
  {
    projectId: integer('project_id')
      .notNull()
      .references(() => project.id, { onDelete: 'cascade' }),
    marketId: integer('market_id')
      .notNull()
      .references(() => market.id),
    address: text().notNull(),
    checkedOn: text('checked_on').notNull(),
    state: text({ enum: ['indexed', 'waiting', 'not indexed', 'unknown'] }).notNull(),
    since: text(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.marketId, table.address, table.checkedOn] })],
);

/** Own pages by a sitemap: what there should be to find. */
export const sitemapPage = sqliteTable(
  'sitemap_page',
  {
    projectId: integer('project_id')
      .notNull()
      .references(() => project.id, { onDelete: 'cascade' }),
    address: text().notNull(),
    updated: text(),
    importId: integer('import_id'),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.address] })],
);

/** Words that are not to be used, each with its reason. */
export const bannedWord = sqliteTable(
  'banned_word',
  {
    id: id(),
    projectId: integer('project_id')
      .notNull()
      .references(() => project.id, { onDelete: 'cascade' }),
    key: text().notNull(),
    text: text().notNull(),
    /** A language, or '' for every one. */
    language: text().notNull().default(''),
    /** A surface, or '' for every one. */
    surface: text().notNull().default(''),
    level: text({ enum: ['forbidden', 'doubtful'] }).notNull(),
    reason: text().notNull(),
    createdAt: createdAt(),
  },
  (table) => [uniqueIndex('banned_word_key').on(table.projectId, table.key, table.language, table.surface)],
);

/** A file that was written from a pool, so that it can be traced and made again. */
export const fileExport = sqliteTable('file_export', {
  id: id(),
  projectId: integer('project_id')
    .notNull()
    .references(() => project.id, { onDelete: 'cascade' }),
  lookUpId: integer('look_up_id').references(() => lookUp.id, { onDelete: 'cascade' }),
  name: text().notNull(),
  query: text().notNull(),
  rows: integer().notNull(),
  createdAt: createdAt(),
});

/** How the columns of one source were matched, remembered for its next file. */
export const columnMatch = sqliteTable(
  'column_match',
  {
    projectId: integer('project_id')
      .notNull()
      .references(() => project.id, { onDelete: 'cascade' }),
    kind: text().notNull(),
    /** The heads of the file, as one text. */
    heads: text().notNull(),
    reading: text({ mode: 'json' }).notNull().$type<Record<string, unknown>>(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.kind, table.heads] })],
);

/** Long work. `mark` is where it goes on after a restart. */
export const job = sqliteTable('job', {
  id: id(),
  projectId: integer('project_id')
    .notNull()
    .references(() => project.id, { onDelete: 'cascade' }),
  kind: text({ enum: ['look-up', 'captures', 'import', 'archive'] }).notNull(),
  state: text({ enum: ['queued', 'running', 'done', 'failed', 'cancelled'] }).notNull(),
  request: text({ mode: 'json' }).notNull().$type<Record<string, unknown>>(),
  progress: text({ mode: 'json' }).notNull().$type<Record<string, unknown>>(),
  message: text(),
  createdAt: createdAt(),
  finishedAt: text('finished_at'),
});

/** A file of own data: what it was taken for and how far it came. */
export const fileImport = sqliteTable('file_import', {
  id: id(),
  projectId: integer('project_id')
    .notNull()
    .references(() => project.id, { onDelete: 'cascade' }),
  marketId: integer('market_id').references(() => market.id),
  jobId: integer('job_id'),
  fileName: text('file_name').notNull(),
  kind: text().notNull().default('performance'),
  storedAs: text('stored_as').notNull(),
  bytes: integer().notNull(),
  reading: text({ mode: 'json' }).notNull().$type<Record<string, unknown>>(),
  /** Records read so far, the mark of a resumed import. */
  recordsRead: integer('records_read').notNull().default(0),
  rowsKept: integer('rows_kept').notNull().default(0),
  rowsRejected: integer('rows_rejected').notNull().default(0),
  rowsSkipped: integer('rows_skipped').notNull().default(0),
  createdAt: createdAt(),
});

export const importRejection = sqliteTable(
  'import_rejection',
  {
    importId: integer('import_id')
      .notNull()
      .references(() => fileImport.id, { onDelete: 'cascade' }),
    line: integer().notNull(),
    reason: text().notNull(),
    content: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.importId, table.line] })],
);

/** What one look-up, import or batch of captures says about (market, source, date). Written once, never updated. */
export const segment = sqliteTable(
  'segment',
  {
    id: id(),
    marketId: integer('market_id')
      .notNull()
      .references(() => market.id),
    kind: text({ enum: ['rankings', 'metrics', 'captures', 'performance', 'finds', 'ad terms'] }).notNull(),
    source: text().notNull(),
    date: text().notNull(),
    projectId: integer('project_id').references(() => project.id, { onDelete: 'cascade' }),
    lookUpId: integer('look_up_id'),
    importId: integer('import_id'),
    subject: text(),
    rows: integer().notNull(),
    /** A joined segment has taken its place. It stays until the next start: somebody may be reading it. */
    superseded: integer().notNull().default(0),
    createdAt: createdAt(),
  },
  (table) => [
    index('segment_market').on(table.marketId, table.kind, table.date),
    index('segment_look_up').on(table.lookUpId),
  ],
);

export const segmentColumn = sqliteTable(
  'segment_column',
  {
    segmentId: integer('segment_id')
      .notNull()
      .references(() => segment.id, { onDelete: 'cascade' }),
    name: text().notNull(),
    block: integer().notNull(),
    type: text({ enum: ['u8', 'i32', 'f32', 'f64'] }).notNull(),
    count: integer().notNull(),
    checksum: integer().notNull(),
    data: blob({ mode: 'buffer' }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.segmentId, table.name, table.block] })],
);
