import { index, integer, primaryKey, real, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { createdAt, id, revision } from './columns';
import { market, ofProject } from './projects';
import { keyword } from './world';

/** A batch of work for a period, limited by count and by the days of its people. */
export const round = sqliteTable('round', {
  id: id(),
  projectId: ofProject(),
  name: text().notNull(),
  /** ISO days, both included. */
  starts: text().notNull(),
  ends: text().notNull(),
  /** Most pieces of work. */
  most: integer().notNull(),
  people: text({ mode: 'json' }).notNull().$type<{ name: string; days: number }[]>(),
  createdAt: createdAt(),
});

/** A piece of work that somebody picked, with what it was foretold to bring when it was. */
export const task = sqliteTable(
  'task',
  {
    id: id(),
    projectId: ofProject(),
    marketId: integer('market_id')
      .notNull()
      .references(() => market.id),
    /** None: put off, or dropped. */
    roundId: integer('round_id').references(() => round.id, { onDelete: 'set null' }),
    /** Order within its round. */
    place: real().notNull().default(0),
    action: text().notNull(),
    keywordId: integer('keyword_id')
      .notNull()
      .references(() => keyword.id),
    /** The target that it is done to; empty for one that is only planned, and for bids. */
    address: text().notNull().default(''),
    title: text().notNull().default(''),
    /** Keywords that it serves, with clicks and value a month as they were foretold. */
    serves: text({ mode: 'json' }).notNull().$type<{ keyword: number; clicks: number; value: number }[]>(),
    clicks: real().notNull(),
    value: real().notNull(),
    low: real().notNull(),
    high: real().notNull(),
    effort: real().notNull(),
    reason: text().notNull().default(''),
    /** Day of the comparison that foretold it. */
    foretold: text().notNull(),
    person: text().notNull().default(''),
    due: text(),
    /** Which kind of work the keyword is put to. */
    use: text({ enum: ['organic', 'paid', 'both'] })
      .notNull()
      .default('both'),
    state: text({ enum: ['in', 'put off', 'dropped', 'out'] })
      .notNull()
      .default('in'),
    /** When something put off comes up again, and why it was put off or dropped. */
    until: text(),
    why: text().notNull().default(''),
    revision: revision(),
    createdAt: createdAt(),
  },
  (table) => [index('task_round').on(table.projectId, table.roundId)],
);

/** Which of our targets is to answer a keyword, where somebody said so; an empty address: a new one. */
export const answering = sqliteTable(
  'answering',
  {
    projectId: ofProject(),
    keywordId: integer('keyword_id')
      .notNull()
      .references(() => keyword.id),
    address: text().notNull(),
    person: text().notNull().default(''),
    createdAt: createdAt(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.keywordId] })],
);
