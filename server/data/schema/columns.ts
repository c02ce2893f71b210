import { sql } from 'drizzle-orm';
import { integer, text } from 'drizzle-orm/sqlite-core';

// Columns that many tables have.

export const id = () => integer().primaryKey({ autoIncrement: true });
export const createdAt = () =>
  text('created_at')
    .notNull()
    .default(sql`(strftime('%Y-%m-%dT%H:%M:%fZ','now'))`);
/** Grows with every change; a change that rests on an older one is merged or refused. */
export const revision = () => integer().notNull().default(1);
/** Moment at which somebody took it away; it can be brought back as it was. */
export const removedAt = () => text('removed_at');
