import { sql } from 'drizzle-orm';
import { index, integer, real, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import type { Goal } from '~/core/method/goals';
import type { CopperClass, JobFacts } from '~/core/outcomes/jobFacts';
import type { Outcome } from '~/core/record/outcomes';
import type { RootCauseId } from '~/core/record/rootCauses';
import { boards } from '../board/board.table';
import { jobs } from './job.table';

/** What statistics count of each closed job, kept in the transaction that changes it. */
export const jobFacts = sqliteTable(
  'job_facts',
  {
    jobId: textColumn('job_id')
      .primaryKey()
      .references(() => jobs.id),
    boardId: textColumn('board_id')
      .notNull()
      .references(() => boards.id),
    siteId: textColumn('site_id').notNull(),
    ref: textColumn('ref').notNull(),
    alloy: textColumn('alloy').notNull(),
    copper: textColumn('copper').$type<CopperClass>().notNull(),
    family: textColumn('family').notNull(),
    goal: textColumn('goal').$type<Goal>().notNull(),
    by: textColumn('by').notNull(),
    method: textColumn('method').notNull(),
    toolId: textColumn('tool_id').notNull(),
    tool: textColumn('tool').notNull(),
    tip: textColumn('tip').notNull(),
    setpoint_C: real('setpoint_c').notNull(),
    outcome: textColumn('outcome').$type<Outcome>().notNull(),
    rootCause: textColumn('root_cause').$type<RootCauseId>(),
    acceptedAt_ms: integer('accepted_at_ms').notNull(),
    closedAt_ms: integer('closed_at_ms').notNull(),
    minutes: real('minutes').notNull(),
    joints: integer('joints').notNull(),
    heats: integer('heats').notNull(),
    lifted: integer('lifted').notNull(),
    torn: integer('torn').notNull(),
    bridged: integer('bridged').notNull(),
    neighbour: integer('neighbour').notNull(),
    part: integer('part').notNull(),
    foretoldDose: real('foretold_dose'),
    dose: real('dose'),
    peak_C: real('peak_c'),
    /** How long hands took over what the figures say; null where that was not told, or not all of it was done. */
    pace: real('pace'),
    /** What solder and flux it was done with, each with its batch where one was told. */
    solder: textColumn('solder').notNull().default(''),
    flux: textColumn('flux').notNull().default(''),
    held: textColumn('held', { mode: 'json' }).$type<JobFacts['held']>().notNull(),
  },
  (table) => [
    index('job_facts_closed').on(table.closedAt_ms),
    index('job_facts_board').on(table.boardId),
    index('job_facts_pace')
      .on(table.closedAt_ms, table.by, table.method, table.pace)
      .where(sql`pace is not null`),
  ],
);
