import { index, integer, real, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import type { Hazard } from '~/core/method/request';
import type { Finish } from '~/core/materials/finishes';
import type { Construction } from '~/schema/values/construction';
import type { WaitingFor } from '~/core/record/waiting';
import type { Outcome } from '~/core/record/outcomes';

export const boards = sqliteTable(
  'boards',
  {
    id: textColumn('id').primaryKey(),
    name: textColumn('name').notNull(),
    owner: textColumn('owner').notNull(),
    fault: textColumn('fault').notNull(),
    triedBefore: textColumn('tried_before').notNull().default(''),
    hazards: textColumn('hazards', { mode: 'json' }).$type<Hazard[]>().notNull(),
    construction: textColumn('construction', { mode: 'json' }).$type<Construction>().notNull(),
    finish: textColumn('finish').$type<Finish>().notNull().default('unknown'),
    madeIn: integer('made_in'),
    asks_V: real('asks_v'),
    fixtures: textColumn('fixtures').notNull().default(''),
    waitingFor: textColumn('waiting_for').$type<WaitingFor>().notNull(),
    nextAction: textColumn('next_action').notNull().default(''),
    outcome: textColumn('outcome').$type<Outcome>(),
    createdAt_ms: integer('created_at_ms').notNull(),
    revision: integer('revision').notNull().default(1),
  },
  (table) => [index('boards_waiting').on(table.waitingFor, table.createdAt_ms)],
);
