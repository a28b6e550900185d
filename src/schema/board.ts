import { index, integer, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import { z } from 'zod';
import { HAZARDS, type Hazard } from '~/core/method/request';
import { FINISHES, type Finish } from '~/core/materials/finishes';
import { construction, type Construction } from './construction';
import { initials, oneOf, recordId, text, whenever_ms, wholeNumber } from './fields';

/** What a board waits for; the bench is sorted by it. */
export const WAITING_FOR = ['you', 'heat', 'drying', 'cure', 'parts', 'owner', 'closed'] as const;
export type WaitingFor = (typeof WAITING_FOR)[number];

export const OUTCOMES = ['fixed', 'improved', 'unchanged', 'worse', 'scrapped', 'parked'] as const;
export type Outcome = (typeof OUTCOMES)[number];

const FINISH_IDS = Object.keys(FINISHES) as [Finish, ...Finish[]];

/** What a person tells of a board when it comes in. */
export const newBoard = z.strictObject({
  name: text(1, 80),
  owner: initials,
  fault: text(1, 600),
  triedBefore: text(0, 1000).default(''),
  hazards: z.array(oneOf(HAZARDS)).max(HAZARDS.length).default([]),
  construction,
  finish: oneOf(FINISH_IDS).default('unknown'),
  /** Year it was made; null where nobody knows. */
  madeIn: wholeNumber(1950, 2100).nullable().default(null),
  /** Screws, links, cables and whatever must go back where it was. */
  fixtures: text(0, 1000).default(''),
});
export type NewBoard = z.infer<typeof newBoard>;

export const boardRecord = newBoard.extend({
  id: recordId,
  waitingFor: oneOf(WAITING_FOR),
  nextAction: text(0, 200),
  outcome: oneOf(OUTCOMES).nullable(),
  createdAt_ms: whenever_ms,
  revision: z.int().min(1),
});
export type BoardRecord = z.infer<typeof boardRecord>;

/** A change of what is told of a board, against the revision it was read at. */
export const boardChange = newBoard.extend({ revision: z.int().min(1) });
export type BoardChange = z.infer<typeof boardChange>;

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
    fixtures: textColumn('fixtures').notNull().default(''),
    waitingFor: textColumn('waiting_for').$type<WaitingFor>().notNull(),
    nextAction: textColumn('next_action').notNull().default(''),
    outcome: textColumn('outcome').$type<Outcome>(),
    createdAt_ms: integer('created_at_ms').notNull(),
    revision: integer('revision').notNull().default(1),
  },
  (table) => [index('boards_waiting').on(table.waitingFor, table.createdAt_ms)],
);
