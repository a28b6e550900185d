import { z } from 'zod';

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
