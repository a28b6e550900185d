import { integer, sqliteTable, text as textColumn, uniqueIndex } from 'drizzle-orm/sqlite-core';
import { z } from 'zod';
import { boards } from './board';
import { recordId, text, wholeNumber } from './fields';

/** Sites that are worked or looked at together: a bank of memory, all capacitors of one value. */
export const newSiteGroup = z.strictObject({
  name: text(1, 60),
  siteIds: z
    .array(recordId)
    .min(1, { error: 'is empty; take at least one site' })
    .max(5000)
    .refine((ids) => new Set(ids).size === ids.length, { error: 'names a site twice' }),
});
export type NewSiteGroup = z.infer<typeof newSiteGroup>;

export const siteGroupRecord = newSiteGroup.extend({
  id: recordId,
  boardId: recordId,
  revision: wholeNumber(1, 1_000_000),
});
export type SiteGroupRecord = z.infer<typeof siteGroupRecord>;

export const siteGroups = sqliteTable(
  'site_groups',
  {
    id: textColumn('id').primaryKey(),
    boardId: textColumn('board_id')
      .notNull()
      .references(() => boards.id),
    name: textColumn('name').notNull(),
    siteIds: textColumn('site_ids', { mode: 'json' }).$type<string[]>().notNull(),
    revision: integer('revision').notNull().default(1),
  },
  (table) => [uniqueIndex('site_groups_name').on(table.boardId, table.name)],
);
