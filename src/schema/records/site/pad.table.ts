import { sqliteTable, text as textColumn, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type { ConnectionRecord } from '~/schema/values/connection';
import { sites } from './site.table';

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
