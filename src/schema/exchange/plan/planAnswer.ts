import { z } from 'zod';
import { TIP_CONSTRUCTION_IDS, TIP_SHAPE_IDS } from '~/core/materials/tips';
import { PREHEATER_IDS } from '~/core/materials/air';
import type { Binding } from '~/core/method/candidate';
import type { Goal, Phase } from '~/core/method/goals';
import type { Remedy } from '~/core/method/plan/remedies/remedy';

/** A plan as it leaves the core: bench units, null where something never happened. */

const maybe = z.number().nullable();
const spread = z.strictObject({ p10: maybe, p50: maybe, p90: maybe });
const PHASES = ['remove', 'reflow', 'fit'] as const satisfies readonly Phase[];

const tipAnswer = z.union([
  z.strictObject({
    shape: z.enum(TIP_SHAPE_IDS),
    width_mm: z.number(),
    construction: z.enum(TIP_CONSTRUCTION_IDS),
  }),
  /** A gun's. */
  z.strictObject({ inner_mm: z.number(), outer_mm: z.number() }),
]);

const nozzleAnswer = z.union([
  z.strictObject({ diameter_mm: z.number() }),
  z.strictObject({ width_mm: z.number(), height_mm: z.number(), slot_mm: z.number().optional() }),
]);

const preheatAnswer = z.strictObject({
  kind: z.enum(PREHEATER_IDS),
  setpoint_C: z.number(),
  soak_s: z.number(),
});

/** A setting as it is asked for (planRequest), with what the other kind of tool has as null, and what it comes to. */
export const optionAnswer = z.strictObject({
  method: z.string(),
  kind: z.enum(['hand', 'air']),
  tool: z.string(),
  toolId: z.string(),
  /** Null for hot air, which has a nozzle. */
  tip: tipAnswer.nullable(),
  nozzle: nozzleAnswer.nullable().default(null),
  /** Of the tip, or of the air. */
  setpoint_C: z.number(),
  /** Pins that the station is turned to another temperature for. */
  perPad_C: z.record(z.string(), z.number()).default({}),
  preheat: preheatAnswer.nullable(),
  flow_L_min: maybe,
  standoff_mm: maybe,
  /** Air from farther off for so long first. */
  approach_s: z.number().default(0),
  shielded: z.boolean().default(false),
  fluxed: z.boolean(),
  freshSolder: z.boolean(),
  /** Slowest pin. Percentiles where the setting was drawn, else the nominal figure in p50 alone. */
  melt_s: spread,
  liftFrom_s: maybe,
  stop_s: maybe,
  padDose: z.strictObject({ p50: maybe, p90: maybe }),
  laminateDose: maybe,
  partPeak_C: maybe,
  /** Steepest rise of the body against what it stands; null for a tool in the hand. */
  rampRatio: maybe.default(null),
  /** Not computed at joint scale. */
  warp_pct: maybe,
  neighboursAtRisk: z.array(z.string()),
  coolDown_s: maybe,
  feasible: z.boolean(),
});
export type OptionAnswer = z.infer<typeof optionAnswer>;

const pinAnswer = z.strictObject({
  pad: z.string(),
  /** Pads under heat together. */
  pads: z.array(z.string()).default([]),
  draws: z.number(),
  melt_s: spread,
  liftFrom_s: maybe,
  holdAfterMelt_s: z.number(),
  stop_s: z.number(),
  stopBecause: z.string(),
  chanceSolidAtStop: z.number(),
  /** Molten and settled before the stop but for an acceptable chance, with room to lift. */
  sure: z.boolean(),
  padDose: spread,
  laminateDose: spread,
  /** The land at its hottest; null in plans of before. */
  padPeak_C: spread.nullable().default(null),
});
export type PinAnswer = z.infer<typeof pinAnswer>;

const dwellAnswer = z.strictObject({
  setpoint_C: z.number(),
  expect_s: z.tuple([maybe, maybe]),
  liftFrom_s: maybe,
  holdAfterMelt_s: z.number(),
  stop_s: z.number(),
  ifNotMolten: z.string(),
});

const stepAnswer = z.strictObject({
  id: z.string(),
  kind: z.enum(['gate', 'do', 'heat', 'wait', 'inspect']),
  title: z.string(),
  detail: z.string(),
  why: z.string(),
  cautions: z.array(z.string()),
  pad: z.string().nullable(),
  dwell: dwellAnswer.nullable(),
  wait_s: z.number().nullable(),
  /** The phase whose setting its heat has. */
  phase: z.enum(PHASES).nullable().default(null),
  /** Pads heated in this step one after another, each with a clock of its own. */
  inTurn: z.array(z.string()).default([]),
  /** Pads that a tip is drawn over under one clock. */
  stroke: z.array(z.string()).default([]),
  /** What the tool's display has to show before anything is heated by it. */
  reads_C: maybe.default(null),
  /** What is different on the board once it is done. */
  effect: z.enum(['part-off', 'part-on']).nullable().default(null),
  /** Shown with the picture of the site as it lies. */
  picture: z.boolean().default(false),
});
export type StepAnswer = z.infer<typeof stepAnswer>;

const methodAnswer = z.strictObject({
  id: z.string(),
  name: z.string(),
  feasible: z.boolean(),
  reasons: z.array(z.string()),
  about: z.string().default(''),
  failure: z.string().default(''),
  leaves: z.string().default(''),
  minutes: maybe.default(null),
  /** Its best setting at nominal values; null where it has none. */
  option: optionAnswer.nullable().default(null),
  frontier: z.array(optionAnswer).default([]),
});
export type MethodAnswer = z.infer<typeof methodAnswer>;

const cautionAnswer = z.strictObject({ id: z.string(), text: z.string() });

const mixtureAnswer = z.strictObject({
  solidus_C: z.number(),
  liquidus_C: z.number(),
  uncertainty_K: z.number(),
  warning: z.string().nullable(),
});

const materialsAnswer = z.strictObject({
  solderWire_mm: z.number(),
  wireDiameter_mm: z.number(),
  braid_mm: z.number(),
  braidWidth_mm: z.number(),
  flux_mL: z.number(),
  solvent_mL: z.number().default(0),
  paste_g: z.number().default(0),
  lowMelt_g: z.number().default(0),
  foil_cm2: z.number().default(0),
  tape_cm2: z.number().default(0),
  mixture: mixtureAnswer.nullable().default(null),
});
export type MaterialsAnswer = z.infer<typeof materialsAnswer>;

/** What a job takes from stock; amounts in the unit named. */
const stockLineAnswer = z.strictObject({
  kind: z.string(),
  supplyId: z.string().nullable(),
  name: z.string(),
  amount: z.number(),
  left: maybe,
  unit: z.enum(['mm', 'g', 'mL', 'cm²']),
  short: z.boolean(),
});
export type StockLineAnswer = z.infer<typeof stockLineAnswer>;

/** What one half of a job takes from stock, in the unit of its line. */
const stockUse = z.strictObject({
  phase: z.enum(PHASES),
  supplyId: z.string().nullable(),
  amount: z.number(),
});

const coolDownAnswer = z.strictObject({
  how: z.string(),
  clock_s: z.number(),
  heldPreheat_s: z.number(),
  bowHot_pct: z.number(),
  bowLeft_pct: z.number(),
  bowLimit_pct: z.number(),
  ok: z.boolean(),
});

/** Parts off in one heat, against a heat for each. */
const sharedAnswer = z.strictObject({
  refs: z.array(z.string()),
  heatsApart: z.number(),
  timeApart_s: z.number(),
  padDoseApart: z.number(),
  time_s: z.number(),
  padDose: z.number(),
});

/** Distance from the site's middle; null: nowhere on the board is cool enough. */
const keepOutAnswer = z.strictObject({ limit_C: z.number(), within_mm: maybe });

const phaseFields = {
  phase: z.enum(PHASES).default('remove'),
  chosen: optionAnswer,
  frontier: z.array(optionAnswer),
  pins: z.array(pinAnswer),
  meltOrder: z.array(z.string()),
  neighbours: z.array(
    z.strictObject({ ref: z.string(), joint_C: z.number(), body_C: z.number(), ok: z.boolean() }),
  ),
  methods: z.array(methodAnswer),
  materials: materialsAnswer,
  coolDown: coolDownAnswer.nullable().default(null),
  shared: sharedAnswer.nullable().default(null),
  /** How far a lithium cell has to stay away; null where none is on the board. */
  keepOut: keepOutAnswer.nullable().default(null),
};
const phaseAnswer = z.strictObject(phaseFields);
export type PhaseAnswer = z.infer<typeof phaseAnswer>;

/** The first phase stands at the top, others follow in `then`. */
export const foundAnswer = z.strictObject({
  outcome: z.literal('found'),
  modelVersion: z.string(),
  ...phaseFields,
  then: z.array(phaseAnswer).default([]),
  consumption: z.array(stockLineAnswer).default([]),
  /** The same by the half of the job that takes it: one that is never done takes nothing. */
  uses: z.array(stockUse).default([]),
  /** Of the part that lives on; null where it goes or a fresh one comes. */
  partCycles: z
    .strictObject({ before: z.number(), after: z.number(), most: z.number(), over: z.boolean() })
    .nullable()
    .default(null),
  /** All of it, from the first press to the last: hands, heat, soaks, cooling and drying; null in plans of before. */
  total_min: z.number().nullable().default(null),
  /** What its ways take of hands and heat, and how fast hands are reckoned to be; null in plans of before. */
  times: z
    .strictObject({
      hands_s: z.number(),
      heat_s: z.number(),
      pace: z.strictObject({
        ratio: z.number(),
        sd: z.number(),
        share: z.number(),
        own: z.number(),
        others: z.number(),
        way: z.strictObject({ ratio: z.number(), jobs: z.number() }),
      }),
    })
    .nullable()
    .default(null),
  /** Pads that it would take past the end of their budget; shares of the whole. */
  overspends: z
    .array(
      z.strictObject({
        pad: z.string(),
        spent: z.number(),
        planned: z.strictObject({ p50: z.number(), p90: z.number() }),
        chance: z.enum(['gone', 'likely', 'possible']),
      }),
    )
    .default([]),
  cautions: z.array(cautionAnswer),
  steps: z.array(stepAnswer).min(1).max(2500),
});
export type FoundAnswer = z.infer<typeof foundAnswer>;

export interface BindingAnswer {
  readonly pad: string;
  readonly limit: Binding['limit'];
  readonly short_s: number | null;
  readonly shortOfLiquidus_K: number | null;
  readonly lastToMelt: string;
  readonly neighbour: { readonly ref: string; readonly body_C: number; readonly joint_C: number } | null;
  /** The end of a sentence that begins with its pin. */
  readonly says: string;
}

export interface RemedyAnswer {
  readonly kind: Remedy['kind'];
  readonly method: string;
  readonly works: boolean;
  readonly onBench: boolean;
  readonly changes: string;
  readonly achieves: string;
  readonly option: OptionAnswer;
}

export interface NoPlanAnswer {
  readonly outcome: 'no-feasible-setting';
  readonly modelVersion: string;
  readonly phase: Phase;
  readonly chosen: null;
  readonly frontier: readonly [];
  /** Null where no tool on the bench could be asked. */
  readonly nearest: OptionAnswer | null;
  readonly binding: BindingAnswer;
  readonly remedies: readonly RemedyAnswer[];
  readonly methods: readonly MethodAnswer[];
  readonly cautions: FoundAnswer['cautions'];
  /** The removal, where only the fit has no setting, under the goal that it is by itself. */
  readonly before: { readonly goal: Goal; readonly plan: FoundAnswer } | null;
}

export type PlanAnswer =
  FoundAnswer | NoPlanAnswer | { outcome: 'not-converged'; modelVersion: string; pad: string };
