import { blob, index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { createdAt, id } from './columns';
import { ofMarket, project } from './projects';

// Bulk facts: columns packed into segments.

/** What one look-up, import or batch of captures says about (market, source, date). Written once, never updated. */
export const segment = sqliteTable(
  'segment',
  {
    id: id(),
    marketId: ofMarket(),
    kind: text({ enum: ['rankings', 'metrics', 'captures', 'performance', 'finds', 'ad terms'] }).notNull(),
    source: text().notNull(),
    date: text().notNull(),
    projectId: integer('project_id').references(() => project.id, { onDelete: 'cascade' }),
    lookUpId: integer('look_up_id'),
    importId: integer('import_id'),
    subject: text(),
    rows: integer().notNull(),
    /** Of all its columns: facts that stand already are known by it. Older segments have none. */
    hash: text(),
    /** A joined segment has taken its place. It stays until the next start: somebody may be reading it. */
    superseded: integer().notNull().default(0),
    /** Part of a file that is not whole yet: counts for nothing until all of it is there. */
    pending: integer().notNull().default(0),
    createdAt: createdAt(),
  },
  (table) => [
    index('segment_market').on(table.marketId, table.kind, table.date),
    index('segment_look_up').on(table.lookUpId),
  ],
);

export const segmentColumn = sqliteTable(
  'segment_column',
  {
    segmentId: integer('segment_id')
      .notNull()
      .references(() => segment.id, { onDelete: 'cascade' }),
    name: text().notNull(),
    block: integer().notNull(),
    type: text({ enum: ['u8', 'i32', 'f32', 'f64'] }).notNull(),
    count: integer().notNull(),
    checksum: integer().notNull(),
    data: blob({ mode: 'buffer' }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.segmentId, table.name, table.block] })],
);
