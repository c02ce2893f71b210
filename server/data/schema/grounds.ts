import { integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/**
 * How often each thing that answers rest on was changed. Triggers keep it (migration 0012): no write can forget it.
 * `scope`: `p` and a project, `m` and a market, `l` and a look-up, or nothing for what belongs to all.
 */
export const groundRevision = sqliteTable(
  'ground_revision',
  {
    ground: text().notNull(),
    scope: text().notNull(),
    revision: integer().notNull(),
  },
  (table) => [primaryKey({ columns: [table.ground, table.scope] })],
);
