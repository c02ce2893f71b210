import { sql } from 'drizzle-orm';
import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { createdAt, id, revision } from './columns';
import { market, ofProject } from './projects';
import { task } from './rounds';

/** Proposed copy of a target, there or planned; or keywords, bids and budget of an ad group. */
export const draft = sqliteTable(
  'draft',
  {
    id: id(),
    projectId: ofProject(),
    marketId: integer('market_id')
      .notNull()
      .references(() => market.id),
    kind: text({ enum: ['page', 'video', 'listing', 'channel', 'ad group'] }).notNull(),
    name: text().notNull(),
    /** The target that it is for; empty for one that is only planned. */
    address: text().notNull().default(''),
    taskId: integer('task_id').references(() => task.id, { onDelete: 'set null' }),
    /** Keywords that it is to serve, the lead first. */
    keywords: text({ mode: 'json' }).notNull().$type<number[]>(),
    fields: text({ mode: 'json' }).notNull().$type<Record<string, string>>(),
    /** Limits of its fields where they are not the surface’s own. */
    limits: text({ mode: 'json' }).notNull().$type<Record<string, { most: number; unit: string }>>(),
    /** Items of the check list that were ticked by hand, and own ones. */
    checks: text({ mode: 'json' }).notNull().$type<{ text: string; done: boolean }[]>(),
    /** The same copy for people of another language, with the fields that somebody has checked. */
    second: text({ mode: 'json' }).$type<{
      language: string;
      fields: Record<string, string>;
      checked: string[];
    }>(),
    revision: revision(),
    updatedAt: text('updated_at')
      .notNull()
      .default(sql`(strftime('%Y-%m-%dT%H:%M:%fZ','now'))`),
  },
  (table) => [index('draft_project').on(table.projectId, table.marketId)],
);

/** Copy as it stood when somebody kept it. */
export const draftVersion = sqliteTable(
  'draft_version',
  {
    id: id(),
    draftId: integer('draft_id')
      .notNull()
      .references(() => draft.id, { onDelete: 'cascade' }),
    name: text().notNull().default(''),
    fields: text({ mode: 'json' }).notNull().$type<Record<string, string>>(),
    person: text().notNull().default(''),
    createdAt: createdAt(),
  },
  (table) => [index('draft_version_draft').on(table.draftId)],
);

/** Something that was published, as an event on the timeline. */
export const publishedChange = sqliteTable(
  'published_change',
  {
    id: id(),
    projectId: ofProject(),
    marketId: integer('market_id')
      .notNull()
      .references(() => market.id),
    address: text().notNull(),
    kind: text({ enum: ['edit', 'renewal', 'price', 'picture', 'bid', 'links'] }).notNull(),
    /** ISO day. */
    date: text().notNull(),
    before: text({ mode: 'json' }).notNull().$type<Record<string, string>>(),
    after: text({ mode: 'json' }).notNull().$type<Record<string, string>>(),
    /** Keywords that it aims at, fixed when it was made; the lead first. */
    keywords: text({ mode: 'json' }).notNull().$type<number[]>(),
    draftId: integer('draft_id').references(() => draft.id, { onDelete: 'set null' }),
    taskId: integer('task_id').references(() => task.id, { onDelete: 'set null' }),
    /** Names the request, so that it is carried out once however often it is sent. */
    requestId: text('request_id').notNull().unique(),
    state: text({ enum: ['asked', 'published', 'by hand'] }).notNull(),
    /** When search was asked to look again, and from when it shows the new text. */
    askedAgain: text('asked_again'),
    seenFrom: text('seen_from'),
    person: text().notNull().default(''),
    /** What was done, where no fields tell. */
    note: text().notNull().default(''),
    createdAt: createdAt(),
  },
  (table) => [index('published_change_project').on(table.projectId, table.marketId)],
);
