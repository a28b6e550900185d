import { integer, primaryKey, real, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import type { ChannelPlace } from '~/core/record/channelPlace';

export const instrumentChannels = sqliteTable(
  'instrument_channels',
  {
    instrument: textColumn('instrument').notNull(),
    channel: textColumn('channel').notNull(),
    name: textColumn('name').notNull(),
    place: textColumn('place').$type<ChannelPlace>().notNull(),
    offset_K: real('offset_k').notNull(),
    checkedAt_ms: integer('checked_at_ms'),
    by: textColumn('by').notNull(),
    at_ms: integer('at_ms').notNull(),
    revision: integer('revision').notNull(),
  },
  (table) => [primaryKey({ columns: [table.instrument, table.channel] })],
);
