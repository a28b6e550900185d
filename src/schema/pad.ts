import { sqliteTable, text as textColumn, uniqueIndex } from 'drizzle-orm/sqlite-core';
import { z } from 'zod';
import { connection, type ConnectionRecord } from './connection';
import { recordId, text } from './fields';
import { sites } from './site';

/** One land of a site: its net and how it reaches copper. Its state is the last finding on it. */
export const padRecord = z.strictObject({
  id: recordId,
  siteId: recordId,
  name: text(1, 8),
  net: text(0, 40),
  connections: z.array(connection).max(16),
});
export type PadRecord = z.infer<typeof padRecord>;

export const pads = sqliteTable(
  'pads',
  {
    id: textColumn('id').primaryKey(),
    siteId: textColumn('site_id')
      .notNull()
      .references(() => sites.id),
    name: textColumn('name').notNull(),
    net: textColumn('net').notNull().default(''),
    connections: textColumn('connections', { mode: 'json' }).$type<ConnectionRecord[]>().notNull(),
  },
  (table) => [uniqueIndex('pads_name').on(table.siteId, table.name)],
);
