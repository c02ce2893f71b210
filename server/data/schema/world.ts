import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import { id } from './columns';
import { ofMarket, ofProject } from './projects';

// What is known of the searched world: keywords and places.

export const keyword = sqliteTable(
  'keyword',
  {
    id: id(),
    marketId: ofMarket(),
    key: text().notNull(),
    text: text().notNull(),
  },
  (table) => [uniqueIndex('keyword_key').on(table.marketId, table.key)],
);

/** Keywords whose positions a project follows. */
export const tracked = sqliteTable(
  'tracked',
  {
    projectId: ofProject(),
    keywordId: integer('keyword_id')
      .notNull()
      .references(() => keyword.id),
    since: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.keywordId] })],
);

/** Anything ever seen in a slot or a look-up: an address with its latest public figures. */
export const place = sqliteTable(
  'place',
  {
    id: id(),
    address: text().notNull().unique(),
    kind: text().notNull(),
    parent: text(),
    owner: text().notNull(),
    authority: integer(),
    published: text(),
    updated: text(),
    versionId: integer('version_id'),
    seen: text(),
  },
  (table) => [index('place_parent').on(table.parent)],
);

/** The words of a place as once captured. */
export const placeVersion = sqliteTable(
  'place_version',
  {
    id: id(),
    placeId: integer('place_id')
      .notNull()
      .references(() => place.id),
    hash: text().notNull(),
    title: text().notNull(),
    description: text().notNull(),
  },
  (table) => [uniqueIndex('place_version_words').on(table.placeId, table.hash)],
);

/** The whole public record of a place, each time it was seen changed. */
export const placeRecord = sqliteTable(
  'place_record',
  {
    id: id(),
    placeId: integer('place_id')
      .notNull()
      .references(() => place.id),
    date: text().notNull(),
    record: text({ mode: 'json' }).notNull().$type<Record<string, unknown>>(),
  },
  (table) => [uniqueIndex('place_record_date').on(table.placeId, table.date)],
);

/** Units sold at a sales rank, as the source says. */
export const salesCurve = sqliteTable(
  'sales_curve',
  {
    marketId: ofMarket(),
    date: text().notNull(),
    category: text().notNull(),
    points: text({ mode: 'json' }).notNull().$type<{ rank: number; units: number }[]>(),
  },
  (table) => [primaryKey({ columns: [table.marketId, table.date, table.category] })],
);
