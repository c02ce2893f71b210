import { SURFACES } from '@opsimath/core/text/surfaces';
import type { Platform } from '@opsimath/contract/source/answers';
import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import { createdAt, id } from './columns';

// Projects, markets, targets and what a project keeps about them.

export const project = sqliteTable('project', {
  id: id(),
  name: text().notNull(),
  settings: text({ mode: 'json' }).notNull().$type<Record<string, unknown>>(),
  /** Of older versions, which archives hold; what changed is told by the grounds now. */
  revision: integer().notNull().default(0),
  /** The same for judgements. */
  verdictsRevision: integer('verdicts_revision').notNull().default(0),
  settingsRevision: integer('settings_revision').notNull().default(1),
  createdAt: createdAt(),
});

/** The project that a row belongs to and goes with. */
export const ofProject = () =>
  integer('project_id')
    .notNull()
    .references(() => project.id, { onDelete: 'cascade' });
/** What a recipe, a list, a note or the settings were at each revision: what a change on an older one rests on. */
export const edition = sqliteTable(
  'edition',
  {
    projectId: ofProject(),
    kind: text({ enum: ['settings', 'recipe', 'list', 'note'] }).notNull(),
    thingId: integer('thing_id').notNull(),
    revision: integer().notNull(),
    state: text({ mode: 'json' }).notNull().$type<Record<string, unknown>>(),
    person: text().notNull().default(''),
    createdAt: createdAt(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.kind, table.thingId, table.revision] })],
);

export const market = sqliteTable('market', {
  id: id(),
  code: text().notNull().unique(),
  surface: text({ enum: SURFACES }).notNull(),
  place: text().notNull(),
  placeName: text('place_name').notNull(),
  language: text().notNull(),
  languageName: text('language_name').notNull(),
  currency: text().notNull(),
  resultsPerPage: integer('results_per_page').notNull(),
  depth: integer().notNull(),
  platform: text({ mode: 'json' }).$type<Platform>(),
  alphabet: text().notNull().default('abcdefghijklmnopqrstuvwxyz0123456789'),
  livePage: text('live_page'),
  /** Code of the market that this is a place within; `null` for the services' own markets. */
  within: text(),
});

/** The market that a row is about. */
export const ofMarket = () =>
  integer('market_id')
    .notNull()
    .references(() => market.id);

export const target = sqliteTable(
  'target',
  {
    id: id(),
    projectId: ofProject(),
    side: text({ enum: ['own', 'rival'] }).notNull(),
    kind: text().notNull(),
    address: text().notNull(),
    name: text().notNull(),
    /** Address of the site, channel or shop it belongs to. */
    parent: text(),
    /** Market in whose words it was found. */
    market: text().notNull().default(''),
    note: text().notNull().default(''),
    /** Said by hand: whether it is like our own target. */
    likeness: text({ enum: ['like', 'unlike'] }),
    /** What nobody else sees: hidden search terms, channel keywords, draft notes. */
    privateFields: text('private_fields', { mode: 'json' })
      .notNull()
      .default({})
      .$type<Record<string, string>>(),
    /** The fact card: type, features, uses, audiences, occasions, materials, price. */
    facts: text({ mode: 'json' }).notNull().default({}).$type<Record<string, string>>(),
    createdAt: createdAt(),
  },
  (table) => [uniqueIndex('target_address').on(table.projectId, table.address)],
);

/** The public record of a target, each time it was seen changed. */
export const targetVersion = sqliteTable(
  'target_version',
  {
    id: id(),
    targetId: integer('target_id')
      .notNull()
      .references(() => target.id, { onDelete: 'cascade' }),
    date: text().notNull(),
    record: text({ mode: 'json' }).notNull().$type<Record<string, unknown>>(),
    createdAt: createdAt(),
  },
  (table) => [index('target_version_target').on(table.targetId, table.date)],
);

/** Words that are not to be used, each with its reason. */
export const bannedWord = sqliteTable(
  'banned_word',
  {
    id: id(),
    projectId: ofProject(),
    key: text().notNull(),
    text: text().notNull(),
    /** A language, or '' for every one. */
    language: text().notNull().default(''),
    /** A surface, or '' for every one. */
    surface: text().notNull().default(''),
    level: text({ enum: ['forbidden', 'doubtful'] }).notNull(),
    reason: text().notNull(),
    createdAt: createdAt(),
  },
  (table) => [uniqueIndex('banned_word_key').on(table.projectId, table.key, table.language, table.surface)],
);

/** Own pages by a sitemap: what there should be to find. */
export const sitemapPage = sqliteTable(
  'sitemap_page',
  {
    projectId: ofProject(),
    address: text().notNull(),
    updated: text(),
    importId: integer('import_id'),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.address] })],
);

/** Whether search knows own addresses, each time it was checked. */
export const indexCheck = sqliteTable(
  'index_check',
  {
    projectId: ofProject(),
    marketId: ofMarket(),
    address: text().notNull(),
    checkedOn: text('checked_on').notNull(),
    state: text({ enum: ['indexed', 'waiting', 'not indexed', 'unknown'] }).notNull(),
    since: text(),
  },
  (table) => [primaryKey({ columns: [table.projectId, table.marketId, table.address, table.checkedOn] })],
);
