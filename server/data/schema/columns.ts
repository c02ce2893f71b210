import { sql } from 'drizzle-orm';
import { integer, text } from 'drizzle-orm/sqlite-core';

// Columns that many tables have.

export const id = () => integer().primaryKey({ autoIncrement: true });
export const createdAt = () =>
  text('created_at')
    .notNull()
    .default(sql`(strftime('%Y-%m-%dT%H:%M:%fZ','now'))`);
