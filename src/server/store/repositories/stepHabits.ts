import { and, eq } from 'drizzle-orm';
import { stepHabit, type StepHabit, type StepHabitChange } from '~/schema/records/jobs/stepHabit';
import { stepHabits } from '~/schema/records/jobs/stepHabit.table';
import type { Db } from '../db';
import { Conflict } from '../errors';

export const listHabits = (db: Db): StepHabit[] =>
  db
    .select()
    .from(stepHabits)
    .all()
    .map((row) => stepHabit.parse(row));

/** Writes what a workshop always changes about a method's steps, if nobody else has meanwhile. */
export function keepHabit(db: Db, change: StepHabitChange, now_ms: number): StepHabit {
  return db.transaction((tx) => {
    const habit: StepHabit = { ...change, revision: change.revision + 1, at_ms: now_ms };
    const written =
      change.revision === 0
        ? tx.insert(stepHabits).values(habit).onConflictDoNothing().run()
        : tx
            .update(stepHabits)
            .set(habit)
            .where(and(eq(stepHabits.method, change.method), eq(stepHabits.revision, change.revision)))
            .run();
    if (written.changes === 1) return habit;
    throw new Conflict('another screen has changed this workshop’s steps; reload and change them again', {
      now: listHabits(db).find((h) => h.method === change.method),
    });
  });
}
