import { sql } from 'drizzle-orm';
import { integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { createdAt, id, revision } from './columns';
import { market, ofProject } from './projects';

/** A report: its sections and what was worded by hand; its figures are made when it is read. */
export const report = sqliteTable('report', {
  id: id(),
  projectId: ofProject(),
  template: text().notNull(),
  document: text({ mode: 'json' }).notNull().$type<Record<string, unknown>>(),
  revision: revision(),
  createdAt: createdAt(),
  changedAt: text('changed_at')
    .notNull()
    .default(sql`(strftime('%Y-%m-%dT%H:%M:%fZ','now'))`),
});

/** A report as it was, with the comparison under it; packed, and never changed. */
export const frozenReport = sqliteTable('frozen_report', {
  id: id(),
  projectId: ofProject(),
  reportId: integer('report_id').references(() => report.id, { onDelete: 'set null' }),
  title: text().notNull(),
  /** The market in words, as the report says it. */
  market: text().notNull(),
  date: text().notNull(),
  compare: text(),
  /** SHA-256 of what is kept, unpacked, in hexadecimal. */
  checksum: text().notNull(),
  /** What is kept as JSON, packed with gzip, in base64. */
  packed: text().notNull(),
  /** Made by itself after captures. */
  planned: integer({ mode: 'boolean' }).notNull().default(false),
  createdAt: createdAt(),
});

/** An address under which a frozen report can be read for a while. It stays here: archives do not have it. */
export const reportShare = sqliteTable('report_share', {
  id: id(),
  projectId: ofProject(),
  frozenId: integer('frozen_id')
    .notNull()
    .references(() => frozenReport.id, { onDelete: 'cascade' }),
  secret: text().notNull().unique(),
  /** Moment from which on it is closed. */
  untilAt: text('until_at').notNull(),
  revokedAt: text('revoked_at'),
  createdAt: createdAt(),
});

/** When a report is made by itself. */
export const reportPlan = sqliteTable('report_plan', {
  reportId: integer('report_id')
    .primaryKey()
    .references(() => report.id, { onDelete: 'cascade' }),
  projectId: ofProject(),
  marketId: integer('market_id')
    .notNull()
    .references(() => market.id),
  rhythm: text({ enum: ['every capture', 'once a week', 'once a month'] }).notNull(),
  /** ISO day of the last one that was made. */
  lastDay: text('last_day'),
});

/** An audit of somebody's target: the room that holds its facts is a project that no list of projects shows. */
export const audit = sqliteTable('audit', {
  projectId: ofProject().primaryKey(),
  reportId: integer('report_id')
    .notNull()
    .references(() => report.id, { onDelete: 'cascade' }),
  marketId: integer('market_id')
    .notNull()
    .references(() => market.id),
  address: text().notNull(),
  date: text().notNull(),
  jobId: integer('job_id').notNull(),
  createdAt: createdAt(),
});
