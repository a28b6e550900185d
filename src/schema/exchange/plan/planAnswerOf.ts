import { jobTimes, spreadOfJob } from '~/core/method/pace';
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
import { frontierAbout } from '~/core/method/limits/frontier';
import type { Step } from '~/core/method/steps/step';
import { celsius, millimetres } from '~/core/quantity/convert';
import type { Spread } from '~/core/statistics/percentile';
import { finite, optionAnswerOf } from './optionAnswerOf';
import { bindingAnswerOf, remedyAnswerOf } from './remedyAnswerOf';
import type {
  FoundAnswer,
  MethodAnswer,
  NoPlanAnswer,
  PhaseAnswer,
  PinAnswer,
  PlanAnswer,
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
    total_min:
      Math.round((10 * spreadOfJob(jobTimes(plan.steps, plan.ways, plan.pace), 'whole').p50) / 60) / 10,
    times: { ...plan.ways, pace: plan.pace },
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
  padPeak_C: peakAnswer(band.padPeak_K),
});

const peakAnswer = ({ p10, p50, p90 }: PinBand['padPeak_K']): PinAnswer['padPeak_C'] => ({
  p10: celsius(p10),
  p50: celsius(p50),
  p90: celsius(p90),
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

const cautionsAnswer = (ids: readonly CautionId[]): FoundAnswer['cautions'] =>
  ids.map((id) => ({ id, text: CAUTIONS[id] }));

const spreadAnswer = (s: Spread): PinAnswer['melt_s'] => ({
  p10: finite(s.p10),
  p50: finite(s.p50),
  p90: finite(s.p90),
});
