import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { createdAt, id } from './columns';
import { market, ofMarket, ofProject } from './projects';

// Long work: look-ups, files in and out.

/** Long work. `mark` is where it goes on after a restart. */
export const job = sqliteTable('job', {
  id: id(),
  projectId: ofProject(),
  kind: text({ enum: ['look-up', 'captures', 'import', 'archive', 'auctions', 'audit'] }).notNull(),
  state: text({ enum: ['queued', 'running', 'done', 'failed', 'cancelled'] }).notNull(),
  request: text({ mode: 'json' }).notNull().$type<Record<string, unknown>>(),
  progress: text({ mode: 'json' }).notNull().$type<Record<string, unknown>>(),
  message: text(),
  /** Starts in a row without any progress: what never comes on is not started for ever. */
  restarts: integer().notNull().default(0),
  createdAt: createdAt(),
  finishedAt: text('finished_at'),
});

/**
 * A request to the services that costs units, written down before it is sent and taken away with the facts that it
 * brought. Whoever asks for the same meanwhile, after a kill as well, sends the same number and does not pay again.
 */
export const paidRequest = sqliteTable(
  'paid_request',
  {
    /** What is asked for, as one text. */
    about: text().primaryKey(),
    requestId: text('request_id').notNull(),
    marketId: integer('market_id').notNull(),
    date: text().notNull(),
    kind: text().notNull(),
    /** Ids of the keywords that were asked for together. */
    keywords: text({ mode: 'json' }).$type<number[]>(),
    createdAt: createdAt(),
  },
  (table) => [index('paid_request_kind').on(table.marketId, table.kind, table.date)],
);

export const lookUp = sqliteTable(
  'look_up',
  {
    id: id(),
    projectId: ofProject(),
    marketId: ofMarket(),
    jobId: integer('job_id'),
    name: text().notNull(),
    /** Day of the facts. */
    date: text().notNull(),
    request: text({ mode: 'json' }).notNull().$type<Record<string, unknown>>(),
    keywords: integer().notNull().default(0),
    units: integer().notNull().default(0),
    createdAt: createdAt(),
    /** Taken out of the list; what it found stays known. */
    removedAt: text('removed_at'),
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

/** A file of own data: what it was taken for and how far it came. */
export const fileImport = sqliteTable('file_import', {
  id: id(),
  projectId: ofProject(),
  marketId: integer('market_id').references(() => market.id),
  jobId: integer('job_id'),
  fileName: text('file_name').notNull(),
  kind: text().notNull().default('performance'),
  storedAs: text('stored_as').notNull(),
  bytes: integer().notNull(),
  reading: text({ mode: 'json' }).notNull().$type<Record<string, unknown>>(),
  /** Records read so far, blank lines among them: the mark of a resumed import. */
  recordsRead: integer('records_read').notNull().default(0),
  rowsKept: integer('rows_kept').notNull().default(0),
  rowsRejected: integer('rows_rejected').notNull().default(0),
  rowsSkipped: integer('rows_skipped').notNull().default(0),
  rowsBlank: integer('rows_blank').notNull().default(0),
  createdAt: createdAt(),
});

export const importRejection = sqliteTable(
  'import_rejection',
  {
    importId: integer('import_id')
      .notNull()
      .references(() => fileImport.id, { onDelete: 'cascade' }),
    /** Which rejection of the file it is: two of them may stand on one line. */
    number: integer().notNull(),
    line: integer().notNull(),
    reason: text().notNull(),
    content: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.importId, table.number] })],
);

/** A file that was written from a pool, so that it can be traced and made again. */
export const fileExport = sqliteTable('file_export', {
  id: id(),
  projectId: ofProject(),
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
    projectId: ofProject(),
    kind: text().notNull(),
    /** The heads of the file, as one text. */
    heads: text().notNull(),
    reading: text({ mode: 'json' }).notNull().$type<Record<string, unknown>>(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.kind, table.heads] })],
);
