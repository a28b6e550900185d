import { index, integer, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import type { Role } from '~/core/record/roles';

export const people = sqliteTable('people', {
  id: textColumn('id').primaryKey(),
  initials: textColumn('initials').notNull().unique(),
  name: textColumn('name').notNull(),
  role: textColumn('role').$type<Role>().notNull(),
  /** Argon2id, with its salt and costs. */
  passphraseHash: textColumn('passphrase_hash').notNull(),
  left: integer('left', { mode: 'boolean' }).notNull().default(false),
  revision: integer('revision').notNull().default(1),
});

/** Who is signed in where. What a browser holds is not kept here, only its digest. */
export const sessions = sqliteTable(
  'sessions',
  {
    digest: textColumn('digest').primaryKey(),
    personId: textColumn('person_id')
      .notNull()
      .references(() => people.id),
    openedAt_ms: integer('opened_at_ms').notNull(),
    seenAt_ms: integer('seen_at_ms').notNull(),
  },
  (table) => [index('sessions_person').on(table.personId)],
);
