import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { createdAt, id } from './columns';
import { ofProject, target } from './projects';
import { keyword } from './world';

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
    createdAt: createdAt(),
  },
  (table) => [index('note_project').on(table.projectId, table.keywordId)],
);
