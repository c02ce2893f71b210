import type { KeptJudgement } from '@opsimath/contract/api/judgements';
import { MARKER_SHAPES, VERDICTS } from '@opsimath/core/sift/sieve';
import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { createdAt, id, removedAt, revision } from './columns';
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
  /** Sieves and rescued keywords as they were before the last change of them. */
  before: text({ mode: 'json' }).$type<{ steps: unknown[]; rescued: number[] }>(),
  revision: revision(),
  changedAt: createdAt(),
  removedAt: removedAt(),
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

/** What stood of each keyword before and after one step of judging: it is sent once, and can be taken back exactly. */
export const givenVerdicts = sqliteTable(
  'given_verdicts',
  {
    projectId: ofProject(),
    /** Given by whoever sends it, so that the same step sent twice counts once. */
    id: text().notNull(),
    person: text().notNull().default(''),
    pairs: text({ mode: 'json' }).notNull().$type<{ before: KeptJudgement; after: KeptJudgement }[]>(),
    /** How many keywords somebody had judged anew meanwhile, where a step takes another back. */
    newer: integer().notNull().default(0),
    createdAt: createdAt(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.id] })],
);

export const keywordList = sqliteTable('keyword_list', {
  id: id(),
  projectId: ofProject(),
  marketId: ofMarket(),
  name: text().notNull(),
  locked: integer({ mode: 'boolean' }).notNull().default(false),
  /** Where its keywords came from, in words. */
  origin: text().notNull().default(''),
  /** The look-up and recipe that it was made of, so that it can be made again. */
  source: text({ mode: 'json' }).$type<unknown>(),
  /** How many fit keywords it is to hold. */
  goal: integer(),
  revision: revision(),
  createdAt: createdAt(),
  removedAt: removedAt(),
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

/** Decided by hand: under which keyword another belongs; under itself is a group of its own. */
export const variantChoice = sqliteTable(
  'variant_choice',
  {
    projectId: ofProject(),
    keywordId: ofKeyword(),
    underId: integer('under_id')
      .notNull()
      .references(() => keyword.id),
    createdAt: createdAt(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.keywordId] })],
);

/** What a keyword says in another language, as a machine has it; without text nobody knew. */
export const translation = sqliteTable(
  'translation',
  {
    keywordId: ofKeyword(),
    language: text().notNull(),
    text: text(),
    source: text().notNull(),
    createdAt: createdAt(),
  },
  (table) => [primaryKey({ columns: [table.keywordId, table.language] })],
);

/** A mark that a project puts on keywords without deciding anything. */
export const marker = sqliteTable('marker', {
  id: id(),
  projectId: ofProject(),
  name: text().notNull(),
  shape: text({ enum: MARKER_SHAPES }).notNull(),
  createdAt: createdAt(),
  removedAt: removedAt(),
});

export const markedKeyword = sqliteTable(
  'marked_keyword',
  {
    markerId: integer('marker_id')
      .notNull()
      .references(() => marker.id, { onDelete: 'cascade' }),
    keywordId: ofKeyword(),
  },
  (table) => [primaryKey({ columns: [table.markerId, table.keywordId] })],
);

/** Who let a keyword in although it holds a word that is not to be used. Kept for good. */
export const wordLeave = sqliteTable(
  'word_leave',
  {
    id: id(),
    projectId: ofProject(),
    keywordId: ofKeyword(),
    word: text().notNull(),
    level: text({ enum: ['forbidden', 'doubtful'] }).notNull(),
    verdict: text({ enum: VERDICTS }).notNull(),
    reason: text().notNull().default(''),
    person: text().notNull().default(''),
    at: createdAt(),
  },
  (table) => [index('word_leave_keyword').on(table.projectId, table.keywordId)],
);
