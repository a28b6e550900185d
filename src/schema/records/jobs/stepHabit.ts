import { z } from 'zod';
import { initials, text, whenever_ms } from '~/schema/values/fields';
import { stepEdits } from '~/schema/values/stepEdit';

/** What a workshop always changes about a method's steps; `revision` 0 writes the first one. */
export const stepHabitChange = z.strictObject({
  method: text(1, 40),
  edits: stepEdits,
  by: initials,
  revision: z.int().min(0),
});
export type StepHabitChange = z.infer<typeof stepHabitChange>;

export const stepHabit = stepHabitChange.extend({ at_ms: whenever_ms, revision: z.int().min(1) });
export type StepHabit = z.infer<typeof stepHabit>;
