import { asWritten, nozzleRecordOf, tipRecordOf } from '../si/tools';
import { bindingInWords, touchInWords } from '~/core/method/bindingWords';
import type { Candidate, Binding } from '~/core/method/candidate';
import { CAUTIONS, type CautionId } from '~/core/method/cautions';
import { isSure, type PinBand } from '~/core/method/hand/bands';
import type { CoolDown } from '~/core/method/air/wayDown';
import type { NeighbourHeat } from '~/core/method/limits/neighbours';
import { stockLineAnswerOf, materialsAnswerOf } from './materialsAnswerOf';
import type { NoPlan } from '~/core/method/plan/phases/noPlan';
import type { PhasePlan } from '~/core/method/plan/phases/phasePlan';
import { MODEL_VERSION, type Plan } from '~/core/method/plan/plan';
import type { FoundPlan } from '~/core/method/plan/phases/foundPlan';
import type { Ranked } from '~/core/method/plan/rank';
import type { Remedy } from '~/core/method/plan/remedies/remedy';
import type { Setting } from '~/core/method/request';
import { frontierAbout } from '~/core/method/limits/frontier';
import type { Step } from '~/core/method/steps/step';
import { celsius, litresPerMinute, millimetres, wholeCelsius } from '~/core/quantity/convert';
import type { Spread } from '~/core/statistics/percentile';
import type {
  BindingAnswer,
  FoundAnswer,
  MethodAnswer,
  NoPlanAnswer,
  OptionAnswer,
  PhaseAnswer,
  PinAnswer,
  PlanAnswer,
  RemedyAnswer,
  StepAnswer,
} from './planAnswer';

/** Core plans in bench units. */

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
  const [first, ...then] = plan.phases.map(phaseAnswerOf) as [PhaseAnswer, ...PhaseAnswer[]];
  return {
    outcome: 'found',
    modelVersion: MODEL_VERSION,
    ...first,
    then,
    consumption: plan.consumption.map(stockLineAnswerOf),
    uses: plan.phases.flatMap(({ phase, materials }) =>
      materials.lines.map(stockLineAnswerOf).map(({ supplyId, amount }) => ({ phase, supplyId, amount })),
    ),
    partCycles: plan.partCycles,
    overspends: plan.overspends.map((over) => ({ ...over, planned: { ...over.planned } })),
    cautions: cautionsAnswer(plan.cautions),
    steps: plan.steps.map(stepAnswerOf),
  };
}

function phaseAnswerOf(plan: PhasePlan): PhaseAnswer {
  const { bands, chosen, coolDown } = plan;
  const slowest = bands.reduce((a, b) => (b.melt_s.p50 > a.melt_s.p50 ? b : a));
  const worst = (pick: (band: PinBand) => number): number | null => finite(Math.max(...bands.map(pick)));
  return {
    phase: plan.phase,
    chosen: {
      ...optionAnswerOf(plan.method.id, chosen),
      melt_s: spreadAnswer(slowest.melt_s),
      liftFrom_s: finite(slowest.liftFrom_s),
      // One pin's window, from its melt to its own stop: others may stop sooner, and have melted sooner.
      stop_s: slowest.stop_s,
      padDose: { p50: worst((b) => b.padDose.p50), p90: worst((b) => b.padDose.p90) },
      laminateDose: worst((b) => b.laminateDose.p50),
      neighboursAtRisk: plan.neighbours.filter((n) => !n.ok).map((n) => n.ref),
      warp_pct: coolDown && 100 * Math.max(coolDown.bowHot, coolDown.bowLeft),
      coolDown_s: plan.coolDown_s,
    },
    frontier: plan.frontier.map((c) => optionAnswerOf(plan.method.id, c)),
    pins: bands.map(pinAnswerOf),
    meltOrder: [...bands].sort((a, b) => a.melt_s.p50 - b.melt_s.p50).map((b) => b.pad),
    neighbours: plan.neighbours.map(neighbourAnswerOf),
    // Taken again by hand, the chosen way stands on what was proved of it and not on its nominal best.
    methods: plan.methods.map((m) => ({
      ...methodAnswerOf(m),
      ...(m.best && m.method.id === plan.method.id ? { option: optionAnswerOf(m.method.id, chosen) } : {}),
    })),
    materials: materialsAnswerOf(plan.materials),
    coolDown: coolDown && coolDownAnswerOf(coolDown),
    keepOut: plan.keepOut && {
      limit_C: celsius(plan.keepOut.limit_K),
      within_mm: plan.keepOut.within_m === null ? null : millimetres(plan.keepOut.within_m),
    },
    shared: plan.shared && {
      refs: [...plan.shared.refs],
      heatsApart: plan.shared.apart.heats,
      timeApart_s: plan.shared.apart.time_s,
      padDoseApart: plan.shared.apart.padDose,
      time_s: plan.shared.together.time_s,
      padDose: plan.shared.together.padDose,
    },
  };
}

function noPlanAnswerOf(plan: NoPlan): NoPlanAnswer {
  return {
    outcome: 'no-feasible-setting',
    modelVersion: MODEL_VERSION,
    phase: plan.phase,
    chosen: null,
    frontier: [],
    nearest: plan.nearest && optionAnswerOf(plan.method, plan.nearest),
    binding: bindingAnswerOf(plan.binding),
    remedies: plan.remedies.map(remedyAnswerOf),
    methods: plan.methods.map(methodAnswerOf),
    cautions: cautionsAnswer(plan.cautions),
    before: plan.before && {
      goal: plan.before.phases[0].request.goal,
      plan: foundAnswerOf(plan.before),
    },
  };
}

export function optionAnswerOf(method: string, candidate: Candidate): OptionAnswer {
  const { pins } = candidate;
  // None where nothing was left of the search that could be told by pin.
  const slowest = pins.reduce<(typeof pins)[number] | null>(
    (a, b) => (a && (a.fullMelt_s ?? Infinity) >= (b.fullMelt_s ?? Infinity) ? a : b),
    null,
  );
  const worst = (pick: (pin: Candidate['pins'][number]) => number): number | null =>
    finite(Math.max(...pins.map(pick)));
  return {
    method,
    ...toolAnswerOf(candidate.setting),
    preheat: preheatAnswerOf(candidate.setting),
    melt_s: { p10: null, p50: slowest?.fullMelt_s ?? null, p90: null },
    liftFrom_s: candidate.time_s,
    stop_s: slowest && finite(slowest.stop_s),
    padDose: { p50: worst((pin) => pin.padDoseAtOff), p90: null },
    laminateDose: worst((pin) => pin.laminateDoseAtOff),
    partPeak_C: finite(celsius(Math.max(...pins.map((pin) => pin.bodyPeak_K)))),
    rampRatio: candidate.rampRatio ?? null,
    warp_pct: null,
    neighboursAtRisk: (candidate.neighbours ?? []).filter((n) => !n.ok).map((n) => n.ref),
    coolDown_s: null,
    feasible: candidate.feasible,
  };
}

type ToolAnswer = Pick<
  OptionAnswer,
  | 'kind'
  | 'tool'
  | 'toolId'
  | 'tip'
  | 'nozzle'
  | 'setpoint_C'
  | 'perPad_C'
  | 'flow_L_min'
  | 'standoff_mm'
  | 'approach_s'
  | 'shielded'
  | 'fluxed'
  | 'freshSolder'
>;

function toolAnswerOf(setting: Setting): ToolAnswer {
  if (setting.kind === 'air') {
    return {
      kind: 'air',
      tool: setting.station.name,
      toolId: setting.station.id,
      tip: null,
      nozzle: nozzleRecordOf(setting.nozzle),
      setpoint_C: Math.round(celsius(setting.air_K)),
      perPad_C: {},
      flow_L_min: asWritten(litresPerMinute(setting.flow_m3_s)),
      standoff_mm: asWritten(millimetres(setting.standoff_m)),
      approach_s: setting.approach_s,
      shielded: setting.shielded,
      fluxed: true,
      freshSolder: false,
    };
  }
  return {
    kind: 'hand',
    tool: setting.tool.name,
    toolId: setting.tool.id,
    tip: tipRecordOf(setting.tip),
    nozzle: null,
    setpoint_C: Math.round(celsius(setting.setpoint_K)),
    perPad_C: Object.fromEntries(
      Object.entries(setting.perPad_K ?? {}).map(([pad, t_K]) => [pad, Math.round(celsius(t_K))]),
    ),
    flow_L_min: null,
    standoff_mm: null,
    approach_s: 0,
    shielded: false,
    fluxed: setting.fluxed,
    freshSolder: setting.freshSolder,
  };
}

const preheatAnswerOf = ({ preheat }: Setting): OptionAnswer['preheat'] =>
  preheat && {
    kind: preheat.kind,
    setpoint_C: asWritten(celsius(preheat.setpoint_K)),
    soak_s: preheat.soak_s,
  };

export const pinAnswerOf = (band: PinBand): PinAnswer => ({
  pad: band.pad,
  pads: [...band.pads],
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

const neighbourAnswerOf = (n: NeighbourHeat): PhaseAnswer['neighbours'][number] => ({
  ref: n.ref,
  joint_C: celsius(n.joint_K),
  body_C: celsius(n.body_K),
  ok: n.ok,
});

const methodAnswerOf = ({ method, feasible, reasons, price, best, candidates }: Ranked): MethodAnswer => ({
  id: method.id,
  name: method.name,
  feasible,
  reasons: [...reasons],
  about: method.about,
  failure: method.failure,
  leaves: method.leaves,
  minutes: price?.minutes ?? null,
  option: best && optionAnswerOf(method.id, best),
  frontier: (best ? frontierAbout(candidates, best) : []).map((c) => optionAnswerOf(method.id, c)),
});

const coolDownAnswerOf = (c: CoolDown): NonNullable<PhaseAnswer['coolDown']> => ({
  how: c.how,
  clock_s: c.clock_s,
  heldPreheat_s: c.heldPreheat_s,
  bowHot_pct: 100 * c.bowHot,
  bowLeft_pct: 100 * c.bowLeft,
  bowLimit_pct: 100 * c.bowLimit,
  ok: c.ok,
});

function stepAnswerOf(step: Step): StepAnswer {
  const { dwell, reads_K, ...said } = step;
  return {
    ...said,
    reads_C: reads_K === null ? null : Math.round(celsius(reads_K)),
    cautions: step.cautions.map((id) => CAUTIONS[id]),
    inTurn: [...step.inTurn],
    stroke: [...step.stroke],
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

const bindingAnswerOf = (of: Binding): BindingAnswer => {
  const { neighbour, ...binding } = of;
  return {
    ...binding,
    says: bindingInWords(of),
    neighbour: neighbour
      ? { ref: neighbour.ref, body_C: celsius(neighbour.body_K), joint_C: celsius(neighbour.joint_K) }
      : null,
  };
};

function remedyAnswerOf(remedy: Remedy): RemedyAnswer {
  const stub: Candidate = {
    setting: remedy.setting,
    pins: [],
    feasible: remedy.works,
    time_s: remedy.time_s,
    damage: remedy.damage,
    binding: remedy.binding,
  };
  const binding = remedy.binding && bindingAnswerOf(remedy.binding);
  return {
    kind: remedy.kind,
    method: remedy.method,
    works: remedy.works,
    onBench: remedy.onBench,
    changes: changesInWords(remedy),
    achieves: remedy.works
      ? `every pin melts and is off within ${remedy.time_s!.toFixed(1)} s, at ${(100 * remedy.damage).toPrecision(2)} % of the worst pad’s budget`
      : binding
        ? `still not enough: ${touchInWords(binding.pad)} ${binding.says}`
        : 'still not enough: it does at nominal values, but not surely once contact and tip vary',
    option: {
      ...optionAnswerOf(remedy.method, stub),
      melt_s: { p10: null, p50: null, p90: null },
      stop_s: null,
      padDose: { p50: remedy.damage, p90: null },
      laminateDose: null,
      partPeak_C: null,
    },
  };
}

function changesInWords(remedy: Remedy): string {
  const { setting } = remedy;
  const at = toolInWords(setting);
  const warm = setting.preheat
    ? `preheater ${wholeCelsius(setting.preheat.setpoint_K)} °C for ${setting.preheat.soak_s} s (board about ${wholeCelsius(remedy.board_K)} °C)`
    : null;
  const away = remedy.onBench ? '' : ' (not on this bench)';
  switch (remedy.kind) {
    case 'preheat':
      return warm ? `Warm the board first${away}: ${warm}, ${at}` : at;
    case 'wider-tip':
    case 'wider-tip-and-preheat':
      return `A wider tip${away}: ${at}${warm ? `, board warmed: ${warm}` : ''}`;
    case 'low-melt':
      return `Low-melt alloy in every joint${away}: ${at}`;
    case 'leaded':
      return `Leaded solder into the lead-free joints${away}: ${at}${warm ? `, ${warm}` : ''}`;
    case 'give-up-the-part':
      return `Give the part up and cut it away: ${at}${warm ? `, board warmed: ${warm}` : ''}`;
    case 'shield':
      return `Foil over the neighbours${away}: ${at}${warm ? `, ${warm}` : ''}`;
    case 'fresh-solder':
      return `Fresh solder on every joint first: ${at}`;
    case 'hot-air':
      return `Hot air over the whole part${away}: ${at}${warm ? `, ${warm}` : ''}`;
    case 'hot-air-and-preheat':
      return `Hot air, the board warmed from below${away}: ${at}${warm ? `, ${warm}` : ''}`;
    case 'iron':
      return `An iron${away}: ${at}${warm ? `, ${warm}` : ''}`;
    case 'gun':
      return `A desoldering gun${away}: ${at}${warm ? `, ${warm}` : ''}`;
    case 'tweezers':
      return `Hot tweezers${away}: ${at}${warm ? `, ${warm}` : ''}`;
    case 'neighbour-off':
      return `${remedy.freed} off first, back on after: ${at}${warm ? `, ${warm}` : ''}`;
    case 'one-at-a-time':
      return `One part at a time: ${at}${warm ? `, ${warm}` : ''}`;
  }
}

function toolInWords(setting: Setting): string {
  if (setting.kind === 'air') {
    return `air ${wholeCelsius(setting.air_K)} °C, ${litresPerMinute(setting.flow_m3_s).toFixed(0)} L/min`;
  }
  return `${setting.tip.shape} ${millimetres(setting.tip.width_m).toFixed(1)} mm at ${wholeCelsius(setting.setpoint_K)} °C`;
}

const cautionsAnswer = (ids: readonly CautionId[]): FoundAnswer['cautions'] =>
  ids.map((id) => ({ id, text: CAUTIONS[id] }));

const finite = (value: number): number | null => (Number.isFinite(value) ? value : null);

const spreadAnswer = (s: Spread): PinAnswer['melt_s'] => ({
  p10: finite(s.p10),
  p50: finite(s.p50),
  p90: finite(s.p90),
});
