import { z } from 'zod';

/**
 * What a job keeps of the plan it was accepted with: what Run walks, what the report tells and statistics count. A shape
 * of its own, frozen: today's questions and answers may change without an old job becoming unreadable. A new version
 * is a new shape here and a step in `jobPlanVersions`; nothing that is here is ever changed. Keys that nobody knows are
 * passed over.
 */
export const JOB_PLAN_VERSION = 3;

const maybe = z.number().nullable();
const spread = z.object({ p10: maybe, p50: maybe, p90: maybe });
const preheat = z.object({ kind: z.string(), setpoint_C: z.number(), soak_s: z.number() });
const tip = z.union([
  z.object({ shape: z.string(), width_mm: z.number(), construction: z.string() }),
  z.object({ inner_mm: z.number(), outer_mm: z.number() }),
]);
const nozzle = z.union([
  z.object({ diameter_mm: z.number() }),
  z.object({ width_mm: z.number(), height_mm: z.number(), slot_mm: z.number().optional() }),
]);

/** The setting of one phase, and what it was foretold to come to. */
const setting = z.object({
  method: z.string(),
  tool: z.string(),
  toolId: z.string(),
  tip: tip.nullable(),
  nozzle: nozzle.nullable().default(null),
  setpoint_C: z.number(),
  perPad_C: z.record(z.string(), z.number()).default({}),
  preheat: preheat.nullable(),
  flow_L_min: maybe,
  standoff_mm: maybe,
  melt_s: spread,
  padDose: z.object({ p50: maybe, p90: maybe }),
  laminateDose: maybe,
  partPeak_C: maybe,
  warp_pct: maybe.default(null),
  coolDown_s: maybe.default(null),
});

/** One touch, or all pads that are heated together. */
const pin = z.object({
  pad: z.string(),
  pads: z.array(z.string()).default([]),
  melt_s: spread,
  liftFrom_s: maybe,
  stop_s: z.number(),
  padDose: spread,
  /** The land at its hottest; plans of before do not say. */
  padPeak_C: spread.nullable().default(null),
});

/** How long it was foretold to take; plans of before do not say. */
const times = z.object({
  /** Of hands by the figures alone, of heat and soaks, of clocks at which a hand stays. */
  figures_s: z.number(),
  heat_s: z.number(),
  clocks_s: z.number(),
  /** All of it, at the pace that was reckoned with. */
  work_s: z.object({ p10: z.number(), p50: z.number(), p90: z.number() }),
});

const phase = z.object({
  phase: z.enum(['remove', 'reflow', 'fit']).default('remove'),
  chosen: setting,
  pins: z.array(pin).min(1),
  neighbours: z
    .array(z.object({ ref: z.string(), joint_C: z.number(), body_C: z.number(), ok: z.boolean() }))
    .default([]),
  /** How the board comes down after air; null for tools in the hand. */
  coolDown: z
    .object({
      how: z.string(),
      clock_s: z.number(),
      heldPreheat_s: z.number(),
      bowHot_pct: z.number(),
      bowLeft_pct: z.number(),
      bowLimit_pct: z.number(),
      ok: z.boolean(),
    })
    .nullable()
    .default(null),
});

const dwell = z.object({
  setpoint_C: z.number(),
  expect_s: z.tuple([maybe, maybe]),
  liftFrom_s: maybe,
  holdAfterMelt_s: z.number(),
  stop_s: z.number(),
  ifNotMolten: z.string(),
});

const jobStep = z.object({
  id: z.string(),
  kind: z.enum(['gate', 'do', 'heat', 'wait', 'inspect']),
  title: z.string(),
  detail: z.string(),
  why: z.string(),
  cautions: z.array(z.string()),
  pad: z.string().nullable(),
  dwell: dwell.nullable(),
  wait_s: z.number().nullable(),
  phase: z.enum(['remove', 'reflow', 'fit']).nullable().default(null),
  /** Pads heated in this step one after another, each with a clock of its own; empty where there is one clock. */
  inTurn: z.array(z.string()),
  /** Pads that a tip is drawn over under one clock; empty where it stands still. */
  stroke: z.array(z.string()),
  /** What the tool's display has to show; plans of before did not ask for it. */
  reads_C: maybe.default(null),
  /** What is different on the board once it is done. */
  effect: z.enum(['part-off', 'part-on']).nullable(),
  picture: z.boolean().default(false),
});
export type JobStep = z.infer<typeof jobStep>;

/** What a job was to take from stock. */
const stockLine = z.object({
  kind: z.string(),
  supplyId: z.string().nullable(),
  name: z.string(),
  amount: z.number(),
  unit: z.enum(['mm', 'g', 'mL', 'cm²']),
});

export const jobPlan = z.object({
  version: z.literal(JOB_PLAN_VERSION),
  modelVersion: z.string(),
  /** The site as it was planned for. */
  site: z.object({ ref: z.string(), side: z.enum(['top', 'bottom']), family: z.string() }),
  phases: z.array(phase).min(1),
  consumption: z.array(stockLine),
  /** By the half of the job that takes it; plans of before have it for the whole alone. */
  uses: z
    .array(
      z.object({
        phase: z.enum(['remove', 'reflow', 'fit']),
        supplyId: z.string().nullable(),
        amount: z.number(),
      }),
    )
    .default([]),
  cautions: z.array(z.object({ id: z.string(), text: z.string() })),
  times: times.nullable().default(null),
  steps: z.array(jobStep).min(1).max(2500),
});
export type JobPlan = z.infer<typeof jobPlan>;
