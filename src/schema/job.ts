import { index, integer, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import { z } from 'zod';
import { GOALS, type Goal } from '~/core/method/goals';
import { boards, OUTCOMES, type Outcome } from './board';
import { moistureInput } from './moisture';
import { initials, oneOf, recordId, text, whenever_ms, wholeNumber } from './fields';
import { foundAnswer, type FoundAnswer } from './planAnswer';
import { WORTHS } from '~/core/method/request';
import {
  choiceInput,
  planInput,
  settingInput,
  type ChoiceInput,
  type PlanInput,
  type SettingInput,
} from './planRequest';
import { stepEdits } from './stepHabit';
import { sites } from './site';

/** Accepting a plan: the setting chosen, and the state of the record it was chosen on. The server solves it again itself. */
export const acceptPlan = z.strictObject({
  siteId: recordId,
  by: initials,
  goal: oneOf(GOALS),
  /** Fingerprint of the inputs the screen planned with; refused when the record has moved on. */
  inputsKey: text(1, 80),
  worth: oneOf(WORTHS).default('ordinary'),
  /** Sites that come off in the same heat. */
  mates: z.array(text(1, 16)).max(20).default([]),
  /** What is known of the water in its body; null: its level is not known. */
  moisture: moistureInput.nullable().default(null),
  /** A method and a setting for each phase of the goal. */
  choices: z.array(choiceInput).min(1).max(2),
  edits: stepEdits.default([]),
});
export type AcceptPlan = z.infer<typeof acceptPlan>;

/** One visit to one site: the accepted plan with everything that produced it. */
export const jobRecord = z.strictObject({
  id: recordId,
  boardId: recordId,
  siteId: recordId,
  goal: oneOf(GOALS),
  by: initials,
  status: oneOf(['running', 'closed']),
  input: planInput,
  /** Of the first phase; `choices` has all of them. */
  setting: settingInput,
  choices: z.array(choiceInput).default([]),
  plan: foundAnswer,
  modelVersion: text(1, 40),
  outcome: oneOf(OUTCOMES).nullable(),
  cause: text(0, 600),
  acceptedAt_ms: whenever_ms,
  closedAt_ms: whenever_ms.nullable(),
  lastSeq: wholeNumber(0, 100_000),
});
export type JobRecord = z.infer<typeof jobRecord>;

export const jobs = sqliteTable(
  'jobs',
  {
    id: textColumn('id').primaryKey(),
    boardId: textColumn('board_id')
      .notNull()
      .references(() => boards.id),
    siteId: textColumn('site_id')
      .notNull()
      .references(() => sites.id),
    goal: textColumn('goal').$type<Goal>().notNull(),
    by: textColumn('by').notNull(),
    status: textColumn('status').$type<'running' | 'closed'>().notNull(),
    input: textColumn('input', { mode: 'json' }).$type<PlanInput>().notNull(),
    setting: textColumn('setting', { mode: 'json' }).$type<SettingInput>().notNull(),
    choices: textColumn('choices', { mode: 'json' }).$type<ChoiceInput[]>().notNull().default([]),
    plan: textColumn('plan', { mode: 'json' }).$type<FoundAnswer>().notNull(),
    modelVersion: textColumn('model_version').notNull(),
    outcome: textColumn('outcome').$type<Outcome>(),
    cause: textColumn('cause').notNull().default(''),
    acceptedAt_ms: integer('accepted_at_ms').notNull(),
    closedAt_ms: integer('closed_at_ms'),
    lastSeq: integer('last_seq').notNull().default(0),
  },
  (table) => [
    index('jobs_board').on(table.boardId, table.acceptedAt_ms),
    index('jobs_status').on(table.status),
  ],
);
