import { sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { ofProject } from './projects';

/** The secret in the address of a project’s feed of alerts. It stays here: archives do not have it. */
export const watchFeed = sqliteTable('watch_feed', {
  projectId: ofProject().primaryKey(),
  secret: text().notNull().unique(),
});
