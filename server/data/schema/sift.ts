import { VERDICTS } from '@opsimath/core/sift/sieve';
import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { createdAt, id } from './columns';
import { ofMarket, ofProject } from './projects';
import { keyword } from './world';

// Judgements: recipes, verdicts, lists.

export const recipe = sqliteTable('recipe', {
  id: id(),
  projectId: ofProject(),
  name: text().notNull(),
  steps: text({ mode: 'json' }).notNull().$type<unknown[]>(),
  rescued: text({ mode: 'json' }).notNull().$type<number[]>(),
  goal: integer().notNull(),
  changedAt: createdAt(),
});

const ofKeyword = () =>
  integer('keyword_id')
    .notNull()
    .references(() => keyword.id);

export const verdict = sqliteTable(
  'verdict',
  {
    projectId: ofProject(),
    keywordId: ofKeyword(),
    verdict: text({ enum: VERDICTS }).notNull(),
    parked: integer({ mode: 'boolean' }).notNull().default(false),
    reason: text().notNull().default(''),
    person: text().notNull().default(''),
    decidedAt: createdAt(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.keywordId] })],
);

export const keywordList = sqliteTable('keyword_list', {
  id: id(),
  projectId: ofProject(),
  marketId: ofMarket(),
  name: text().notNull(),
  locked: integer({ mode: 'boolean' }).notNull().default(false),
  /** Where its keywords came from, in words. */
  origin: text().notNull().default(''),
  createdAt: createdAt(),
});

const ofList = () =>
  integer('list_id')
    .notNull()
    .references(() => keywordList.id, { onDelete: 'cascade' });

export const listMember = sqliteTable(
  'list_member',
  { listId: ofList(), keywordId: ofKeyword() },
  (table) => [primaryKey({ columns: [table.listId, table.keywordId] })],
);

/** Who changed what in a list. */
export const listChange = sqliteTable(
  'list_change',
  {
    id: id(),
    listId: ofList(),
    person: text().notNull().default(''),
    what: text().notNull(),
    at: createdAt(),
  },
  (table) => [index('list_change_list').on(table.listId)],
);
