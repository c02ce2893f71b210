import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { createdAt, id, revision } from './columns';
import { ofProject, target } from './projects';
import { keyword, place } from './world';

/** What somebody wrote down, and on what. */
export const note = sqliteTable(
  'note',
  {
    id: id(),
    projectId: ofProject(),
    kind: text({ enum: ['keyword', 'target', 'word', 'slot'] }).notNull(),
    /** Of a keyword, or of the result page that a slot stands on. */
    keywordId: integer('keyword_id').references(() => keyword.id),
    targetId: integer('target_id').references(() => target.id, { onDelete: 'cascade' }),
    /** Day of the captured page. */
    date: text(),
    /** The word as a key, or the slot's address. */
    subject: text(),
    text: text().notNull(),
    person: text().notNull().default(''),
    /** A pasted picture as a data address. */
    picture: text(),
    revision: revision(),
    createdAt: createdAt(),
  },
  (table) => [index('note_project').on(table.projectId, table.keywordId)],
);

/** What somebody saw on looking at a result: traits of its opening line or picture. No row: nobody looked. */
export const resultReading = sqliteTable(
  'result_reading',
  {
    projectId: ofProject(),
    placeId: integer('place_id')
      .notNull()
      .references(() => place.id),
    about: text({ enum: ['opening', 'picture'] }).notNull(),
    traits: text({ mode: 'json' }).notNull().$type<string[]>(),
    readAt: createdAt(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.placeId, table.about] })],
);

/** A position that somebody saw and typed in; it may be personal to who looked. */
export const handPosition = sqliteTable(
  'hand_position',
  {
    id: id(),
    projectId: ofProject(),
    keywordId: integer('keyword_id')
      .notNull()
      .references(() => keyword.id),
    targetId: integer('target_id')
      .notNull()
      .references(() => target.id, { onDelete: 'cascade' }),
    date: text().notNull(),
    organic: integer(),
    paid: integer(),
    person: text().notNull().default(''),
    createdAt: createdAt(),
  },
  (table) => [index('hand_position_keyword').on(table.projectId, table.keywordId)],
);

/** What a search is for, as somebody said it whatever the rules say. */
export const saidPurpose = sqliteTable(
  'said_purpose',
  {
    projectId: ofProject(),
    keywordId: integer('keyword_id')
      .notNull()
      .references(() => keyword.id),
    purpose: text().notNull(),
    person: text().notNull().default(''),
    createdAt: createdAt(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.keywordId] })],
);

/** What somebody chose to do about a keyword instead of what is worth most. */
export const chosenAction = sqliteTable(
  'chosen_action',
  {
    projectId: ofProject(),
    keywordId: integer('keyword_id')
      .notNull()
      .references(() => keyword.id),
    action: text().notNull(),
    person: text().notNull().default(''),
    createdAt: createdAt(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.keywordId] })],
);
