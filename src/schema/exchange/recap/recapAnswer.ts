import { z } from 'zod';
import { optionAnswer } from '../plan/planAnswer';

/** Fields with a default were not there when the first of these were kept. */
const phase = z.strictObject({
  method: z.string(),
  setting: z.string(),
  /** What is set; null where an early version kept its words alone. */
  option: optionAnswer.nullable().default(null),
  minutes: z.number(),
  damage: z.number(),
  heat_s: z.number(),
});

const leg = z.strictObject({
  ref: z.string(),
  /** What is done before it, in its order. */
  before: z.array(z.strictObject({ what: z.string(), minutes: z.number() })),
  /** Of what comes before: until a warm neighbour has cooled. */
  wait_min: z.number().default(0),
  own_min: z.number(),
  minutes: z.number(),
});

const sequence = z.strictObject({
  by: z.enum(['value', 'area']),
  refs: z.array(z.string()),
  legs: z.array(leg).max(200).default([]),
  /** Once before the first and once after the last: discharging; cleaning, drying and the supply. */
  before_min: z.number().default(0),
  after_min: z.number().default(0),
  minutes: z.number(),
  areaVisits: z.number(),
  trays: z.number(),
  stations: z.number().default(0),
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
  picks: z.array(
    z.strictObject({
      value: z.string(),
      family: z.string(),
      refs: z.array(z.string()),
      lookAlikes: z.array(z.string()).default([]),
    }),
  ),
});
export type RecapAnswer = z.infer<typeof recapAnswer>;
