import { integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { market, ofProject } from './projects';

/** Visits of own sites by month and source, as somebody brought them. */
export const visitMonth = sqliteTable(
  'visit_month',
  {
    projectId: ofProject(),
    /** `2026-03`. */
    month: text().notNull(),
    source: text().notNull(),
    visits: integer().notNull(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.month, table.source] })],
);

/** When tracked keywords of a market are captured by themselves. */
export const watchPlan = sqliteTable(
  'watch_plan',
  {
    projectId: ofProject(),
    marketId: integer('market_id')
      .notNull()
      .references(() => market.id),
    /** 1 is Monday; none: switched off. */
    weekdays: text({ mode: 'json' }).notNull().$type<number[]>(),
    /** ISO day of the last capture that it started. */
    lastDay: text('last_day'),
    /** Why it did not start one when it should have; empty where all went well. */
    trouble: text().notNull().default(''),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.marketId] })],
);
