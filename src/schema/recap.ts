import { z } from 'zod';
import { initials, oneOf, recordId, text, whenever_ms } from './fields';

const phase = z.strictObject({
  method: z.string(),
  setting: z.string(),
  minutes: z.number(),
  damage: z.number(),
  heat_s: z.number(),
});

const sequence = z.strictObject({
  by: z.enum(['value', 'area']),
  refs: z.array(z.string()),
  minutes: z.number(),
  areaVisits: z.number(),
  trays: z.number(),
  wait_min: z.number(),
  soaks: z.number(),
  mixUps: z.number(),
  heat_s: z.number(),
});
export type SequenceAnswer = z.infer<typeof sequence>;

/** A whole-board job as it leaves the core, in bench units. */
export const recapAnswer = z.strictObject({
  modelVersion: z.string(),
  sites: z
    .array(
      z.strictObject({
        ref: z.string(),
        value: z.string(),
        off: phase.nullable(),
        on: phase.nullable(),
        clinched: z.boolean(),
        needsPreheat: z.boolean(),
        planePins: z.array(z.strictObject({ pad: z.string(), todo: z.string() })),
      }),
    )
    .max(200),
  byValue: sequence,
  byArea: sequence,
  picks: z.array(z.strictObject({ value: z.string(), family: z.string(), refs: z.array(z.string()) })),
});
export type RecapAnswer = z.infer<typeof recapAnswer>;

/** What a screen asks to be kept. */
export const newRecap = z.strictObject({
  name: text(1, 80),
  by: initials,
  order: oneOf(['value', 'area']),
  siteIds: z.array(recordId).min(1, { error: 'is empty; choose at least one site' }).max(200),
  answer: recapAnswer,
});
export type NewRecap = z.infer<typeof newRecap>;

/** A whole-board job that was decided on: its sites in order, and the plan it was made from. */
export const recapRecord = newRecap.extend({
  id: recordId,
  boardId: recordId,
  at_ms: whenever_ms,
});
export type RecapRecord = z.infer<typeof recapRecord>;
