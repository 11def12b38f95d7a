import { integer, text } from 'drizzle-orm/sqlite-core';

/** Every row carries its revision, which is its ETag, and when it was made and last changed. */
export const tracked = {
  id: integer('id').primaryKey({ autoIncrement: true }),
  rev: integer('rev').notNull().default(1),
  createdAt: text('created_at').notNull(),
  updatedAt: text('updated_at').notNull(),
};
