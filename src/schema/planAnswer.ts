import { z } from 'zod';
import { TIP_CONSTRUCTION_IDS, TIP_SHAPE_IDS } from '../core/materials/tips';
import { PREHEATER_IDS } from '../core/materials/air';
import { CAUTIONS, type CautionId } from '../core/method/cautions';
import { isSure, type PinBand } from '../core/method/bands';
import type { Spread } from '../core/statistics/percentile';
import { MODEL_VERSION, type FoundPlan, type NoPlan, type Plan } from '../core/method/plan';
import type { Setting } from '../core/method/request';
import type { Binding, Candidate } from '../core/method/search';
import type { Remedy } from '../core/method/remedies';
import type { Step } from '../core/method/steps';
import { celsius, millimetres } from '../core/quantity/convert';

/** A plan as it leaves the core: bench units, null where something never happened. */

const maybe = z.number().nullable();
const spread = z.strictObject({ p10: maybe, p50: maybe, p90: maybe });

const tipAnswer = z.strictObject({
  shape: z.enum(TIP_SHAPE_IDS),
  width_mm: z.number(),
  construction: z.enum(TIP_CONSTRUCTION_IDS),
});

const preheatAnswer = z.strictObject({
  kind: z.enum(PREHEATER_IDS),
  setpoint_C: z.number(),
  soak_s: z.number(),
});

export const optionAnswer = z.strictObject({
  method: z.string(),
  tool: z.string(),
  toolId: z.string(),
  tip: tipAnswer,
  setpoint_C: z.number(),
  preheat: preheatAnswer.nullable(),
  flow_L_min: z.null(),
  standoff_mm: z.null(),
  fluxed: z.boolean(),
  freshSolder: z.boolean(),
  /** Slowest pin. Percentiles where the setting was drawn, else the nominal figure in p50 alone. */
  melt_s: spread,
  liftFrom_s: maybe,
  stop_s: maybe,
  padDose: z.strictObject({ p50: maybe, p90: maybe }),
  laminateDose: maybe,
  partPeak_C: maybe,
  /** Not computed at joint scale. */
  warp_pct: z.null(),
  neighboursAtRisk: z.array(z.string()),
  coolDown_s: maybe,
  feasible: z.boolean(),
});
export type OptionAnswer = z.infer<typeof optionAnswer>;

export const pinAnswer = z.strictObject({
  pad: z.string(),
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

export const stepAnswer = z.strictObject({
  id: z.string(),
  kind: z.enum(['gate', 'do', 'heat', 'wait', 'inspect']),
  title: z.string(),
  detail: z.string(),
  why: z.string(),
  cautions: z.array(z.string()),
  pad: z.string().nullable(),
  dwell: dwellAnswer.nullable(),
  wait_s: z.number().nullable(),
});
export type StepAnswer = z.infer<typeof stepAnswer>;

const methodAnswer = z.strictObject({
  id: z.string(),
  name: z.string(),
  feasible: z.boolean(),
  reasons: z.array(z.string()),
});
const cautionAnswer = z.strictObject({ id: z.string(), text: z.string() });

export const foundAnswer = z.strictObject({
  outcome: z.literal('found'),
  modelVersion: z.string(),
  chosen: optionAnswer,
  frontier: z.array(optionAnswer),
  pins: z.array(pinAnswer),
  meltOrder: z.array(z.string()),
  neighbours: z.array(
    z.strictObject({ ref: z.string(), joint_C: z.number(), body_C: z.number(), ok: z.boolean() }),
  ),
  methods: z.array(methodAnswer),
  materials: z.strictObject({
    solderWire_mm: z.number(),
    wireDiameter_mm: z.number(),
    braid_mm: z.number(),
    braidWidth_mm: z.number(),
    flux_mL: z.number(),
  }),
  cautions: z.array(cautionAnswer),
  steps: z.array(stepAnswer).min(1).max(400),
});
export type FoundAnswer = z.infer<typeof foundAnswer>;

export interface BindingAnswer {
  readonly pad: string;
  readonly limit: Binding['limit'];
  readonly short_s: number | null;
  readonly shortOfLiquidus_K: number | null;
  readonly lastToMelt: string;
}

export interface NoPlanAnswer {
  readonly outcome: 'no-feasible-setting';
  readonly modelVersion: string;
  readonly chosen: null;
  readonly frontier: readonly [];
  readonly nearest: OptionAnswer;
  readonly binding: BindingAnswer;
  readonly remedies: readonly RemedyAnswer[];
  readonly methods: FoundAnswer['methods'];
  readonly cautions: FoundAnswer['cautions'];
}

export interface RemedyAnswer {
  readonly kind: Remedy['kind'];
  readonly works: boolean;
  readonly changes: string;
  readonly achieves: string;
  readonly option: OptionAnswer;
}

export type PlanAnswer =
  FoundAnswer | NoPlanAnswer | { outcome: 'not-converged'; modelVersion: string; pad: string };

export function planAnswerOf(plan: Plan): PlanAnswer {
  switch (plan.outcome) {
    case 'found':
      return foundAnswerOf(plan);
    case 'no-feasible-setting':
      return noPlanAnswerOf(plan);
    case 'not-converged':
      return { outcome: 'not-converged', modelVersion: MODEL_VERSION, pad: plan.pad };
  }
}

export function foundAnswerOf(plan: FoundPlan): FoundAnswer {
  const method = plan.methods[0]!.id;
  const slowest = plan.bands.reduce((a, b) => (b.melt_s.p50 > a.melt_s.p50 ? b : a));
  const shortest = plan.bands.reduce((a, b) => (b.stop_s < a.stop_s ? b : a));
  const worst = (pick: (band: PinBand) => number): number | null => finite(Math.max(...plan.bands.map(pick)));
  const nominal = optionAnswerOf(method, plan.chosen);
  return {
    outcome: 'found',
    modelVersion: MODEL_VERSION,
    chosen: {
      ...nominal,
      melt_s: spreadAnswer(slowest.melt_s),
      liftFrom_s: finite(slowest.liftFrom_s),
      stop_s: shortest.stop_s,
      padDose: { p50: worst((b) => b.padDose.p50), p90: worst((b) => b.padDose.p90) },
      laminateDose: worst((b) => b.laminateDose.p50),
      neighboursAtRisk: plan.neighbours.filter((n) => !n.ok).map((n) => n.ref),
      coolDown_s: plan.coolDown_s,
    },
    frontier: plan.frontier.map((c) => optionAnswerOf(method, c)),
    pins: plan.bands.map(pinAnswerOf),
    meltOrder: [...plan.bands].sort((a, b) => a.melt_s.p50 - b.melt_s.p50).map((b) => b.pad),
    neighbours: plan.neighbours.map((n) => ({
      ref: n.ref,
      joint_C: celsius(n.joint_K),
      body_C: celsius(n.body_K),
      ok: n.ok,
    })),
    methods: methodsAnswer(plan.methods),
    materials: {
      solderWire_mm: millimetres(plan.materials.solderWire_m),
      wireDiameter_mm: millimetres(plan.materials.wireDiameter_m),
      braid_mm: millimetres(plan.materials.braid_m),
      braidWidth_mm: millimetres(plan.materials.braidWidth_m),
      flux_mL: plan.materials.flux_m3 * 1e6,
    },
    cautions: cautionsAnswer(plan.cautions),
    steps: plan.steps.map(stepAnswerOf),
  };
}

function noPlanAnswerOf(plan: NoPlan): NoPlanAnswer {
  const method = plan.methods[0]!.id;
  return {
    outcome: 'no-feasible-setting',
    modelVersion: MODEL_VERSION,
    chosen: null,
    frontier: [],
    nearest: optionAnswerOf(method, plan.nearest),
    binding: { ...plan.binding },
    remedies: plan.remedies.map((r) => remedyAnswerOf(method, r)),
    methods: methodsAnswer(plan.methods),
    cautions: cautionsAnswer(plan.cautions),
  };
}

export function optionAnswerOf(method: string, candidate: Candidate): OptionAnswer {
  const { setting, pins } = candidate;
  const melts = pins.map((pin) => pin.fullMelt_s ?? Infinity);
  return {
    method,
    tool: setting.iron.name,
    toolId: setting.iron.id,
    tip: {
      shape: setting.tip.shape,
      width_mm: millimetres(setting.tip.width_m),
      construction: setting.tip.construction,
    },
    setpoint_C: Math.round(celsius(setting.setpoint_K)),
    preheat: preheatAnswerOf(setting),
    flow_L_min: null,
    standoff_mm: null,
    fluxed: setting.fluxed,
    freshSolder: setting.freshSolder,
    melt_s: { p10: null, p50: finite(Math.max(...melts)), p90: null },
    liftFrom_s: candidate.time_s,
    stop_s: Math.min(...pins.map((pin) => pin.stop_s)),
    padDose: { p50: Math.max(...pins.map((pin) => pin.padDoseAtOff)), p90: null },
    laminateDose: Math.max(...pins.map((pin) => pin.laminateDoseAtOff)),
    partPeak_C: celsius(Math.max(...pins.map((pin) => pin.bodyPeak_K))),
    warp_pct: null,
    neighboursAtRisk: [],
    coolDown_s: null,
    feasible: candidate.feasible,
  };
}

const preheatAnswerOf = ({ preheat }: Setting): OptionAnswer['preheat'] =>
  preheat && { kind: preheat.kind, setpoint_C: celsius(preheat.setpoint_K), soak_s: preheat.soak_s };

export const pinAnswerOf = (band: PinBand): PinAnswer => ({
  pad: band.pad,
  draws: band.draws,
  melt_s: spreadAnswer(band.melt_s),
  liftFrom_s: finite(band.liftFrom_s),
  holdAfterMelt_s: band.holdAfterMelt_s,
  stop_s: band.stop_s,
  stopBecause: band.because,
  chanceSolidAtStop: band.chanceSolidAtStop,
  sure: isSure(band),
  padDose: spreadAnswer(band.padDose),
  laminateDose: spreadAnswer(band.laminateDose),
});

function stepAnswerOf(step: Step): StepAnswer {
  const { dwell } = step;
  return {
    ...step,
    cautions: step.cautions.map((id) => CAUTIONS[id]),
    dwell: dwell && {
      setpoint_C: Math.round(celsius(dwell.setpoint_K)),
      expect_s: [finite(dwell.expect_s[0]), finite(dwell.expect_s[1])],
      liftFrom_s: finite(dwell.liftFrom_s),
      holdAfterMelt_s: dwell.holdAfterMelt_s,
      stop_s: dwell.stop_s,
      ifNotMolten: dwell.ifNotMolten,
    },
  };
}

function remedyAnswerOf(method: string, remedy: Remedy): RemedyAnswer {
  const { setting } = remedy;
  const tip = `${setting.tip.shape} ${millimetres(setting.tip.width_m).toFixed(1)} mm`;
  const at = `${tip} at ${celsius(setting.setpoint_K).toFixed(0)} °C`;
  const changes = {
    preheat: setting.preheat
      ? `Warm the board first: preheater ${celsius(setting.preheat.setpoint_K).toFixed(0)} °C for ${setting.preheat.soak_s} s (board about ${celsius(remedy.board_K).toFixed(0)} °C), ${at}`
      : at,
    'wider-tip': `A wider tip than the bench has: ${at}`,
    'give-up-the-part': `Give the part up: ${at}`,
  }[remedy.kind];
  const achieves = remedy.works
    ? `every pin melts and is off within ${remedy.time_s!.toFixed(1)} s`
    : `still not enough: pin ${remedy.binding!.pad} ${bindingInWords(remedy.binding!)}`;
  const stub: Candidate = {
    setting,
    pins: [],
    feasible: remedy.works,
    time_s: remedy.time_s,
    damage: remedy.damage,
    binding: remedy.binding,
  };
  return {
    kind: remedy.kind,
    works: remedy.works,
    changes,
    achieves,
    option: {
      ...optionAnswerOf(method, stub),
      melt_s: { p10: null, p50: null, p90: null },
      stop_s: null,
      padDose: { p50: remedy.damage, p90: null },
      laminateDose: null,
      partPeak_C: null,
    },
  };
}

/** The binding limit as the end of a sentence that begins with its pin. */
export function bindingInWords(binding: BindingAnswer): string {
  if (binding.limit === 'method') return 'cannot be freed alone while the others hold';
  const which =
    binding.limit === 'melt' || binding.limit === 'longest dwell' ? 'longest dwell' : binding.limit;
  if (binding.shortOfLiquidus_K !== null) {
    return `never melts through: the ${binding.lastToMelt} stays ${binding.shortOfLiquidus_K.toFixed(0)} K below liquidus`;
  }
  return binding.short_s
    ? `meets its ${which} ${binding.short_s.toFixed(1)} s before it could be off`
    : `has too little room before its ${which} once contact and tip vary`;
}

const methodsAnswer = (methods: FoundPlan['methods']): FoundAnswer['methods'] =>
  methods.map((m) => ({ id: m.id, name: m.name, feasible: m.allowed, reasons: [...m.reasons] }));

const cautionsAnswer = (ids: readonly CautionId[]): FoundAnswer['cautions'] =>
  ids.map((id) => ({ id, text: CAUTIONS[id] }));

const finite = (value: number): number | null => (Number.isFinite(value) ? value : null);

const spreadAnswer = (s: Spread): z.infer<typeof spread> => ({
  p10: finite(s.p10),
  p50: finite(s.p50),
  p90: finite(s.p90),
});
