import { padNamesOf } from '~/core/packages/form';
import { cautionsFor } from '../cautions';
import { phasesOf, withoutFit, type Phase } from '../goals';
import { summed } from '../consumption';
import { methodOf, methodsFor } from '../ways';
import type { MethodId } from '../ways/method';
import { overspends, type PadBudget } from '../limits/overspend';
import { partCycles } from '../limits/partCycles';
import { exploreAir, proveAir } from './phases/byAir';
import { exploreHand, proveByHand } from './phases/byHand';
import { infeasible, type NoPlan } from './phases/noPlan';
import type { FoundPlan } from './phases/foundPlan';
import { phaseRequest, type PhasePlan } from './phases/phasePlan';
import { firstOffer } from './phases/firstOffer';
import { tryMethods, warmed } from './phases/tryMethods';
import type { Working } from './pieces/piece';
import { serially } from './pieces/solve';
import type { Progress } from '../progress';
import { paceOf, type WayTimes } from '../pace';
import { rank, timesOf, uncompared, withUnproven, type Ranked } from './rank';
import type { PhaseRequest, PlanRequest, Setting } from '../request';
import { stepsFor } from '../steps/frame';

/** Names the equations and data a plan was made with; raised whenever either changes its answers. */
export const MODEL_VERSION = 'plan-19';

interface NotConverged {
  readonly outcome: 'not-converged';
  readonly pad: string;
}

export type Plan = FoundPlan | NoPlan | NotConverged;

/** A method and its setting for one phase, as a technician has them set. */
export interface Choice {
  readonly phase: Phase;
  readonly method: MethodId;
  readonly setting: Setting;
}

/**
 * Chooses a way for every phase of a job and proves it. Nominal search over the methods and the bench, then the
 * preferred settings of the best method drawn many times until one keeps the chance of a solid pin at its stop
 * small. Yields as it goes; the caller may stop asking at any yield, which is how a plan is cancelled. Pieces that need
 * nothing of each other are handed out, to be solved side by side.
 */
export function* planInPieces(request: PlanRequest): Working<Plan> {
  const done: PhasePlan[] = [];
  for (const phase of phasesOf(request.goal)) {
    const result = yield* planPhase(phaseRequest(request, phase, done));
    if (result.outcome === 'no-feasible-setting' && done.length > 0)
      return { ...result, before: removalAlone(request, done as [PhasePlan, ...PhasePlan[]]) };
    if (result.outcome !== 'found') return result;
    done.push(result.plan);
  }
  return whole(request, done as [PhasePlan, ...PhasePlan[]]);
}

/** A removal whose fit has no setting: the same plan under the goal that it is by itself. */
function removalAlone(request: PlanRequest, phases: readonly [PhasePlan, ...PhasePlan[]]): FoundPlan {
  const goal = withoutFit(request.goal);
  const alone = (p: PhasePlan): PhasePlan => ({ ...p, request: { ...p.request, goal } });
  const [first, ...then] = phases;
  return whole({ ...request, goal }, [alone(first), ...then.map(alone)]);
}

/** Phases of one request that were explored before, by the choices that led to them. */
export type Explored = Map<string, PhasePlan>;

/** Bands and everything that follows from settings a technician asks about, feasible or not. */
export function* exploreInPieces(
  request: PlanRequest,
  choices: readonly Choice[],
  explored: Explored = new Map(),
): Working<FoundPlan> {
  const done: PhasePlan[] = [];
  const led: Choice[] = [];
  for (const phase of phasesOf(request.goal)) {
    const choice = choices.find((c) => c.phase === phase);
    if (!choice) throw new Error(`no setting for phase ${phase}`);
    led.push(choice);
    const key = JSON.stringify(led);
    const known = explored.get(key);
    if (known) {
      done.push(known);
      continue;
    }
    const asked = phaseRequest(request, phase, done);
    const method = methodOf(choice.method);
    const ranked = uncompared(methodsFor(asked).map((m) => ({ method: m, rules: m.rules(asked) })));
    const { setting } = choice;
    const plan =
      setting.kind === 'air'
        ? yield* exploreAir(asked, method, setting, ranked)
        : yield* exploreHand(asked, method, setting, ranked);
    explored.set(key, plan);
    done.push(plan);
  }
  return whole(request, done as [PhasePlan, ...PhasePlan[]]);
}

/** The same on one thread. */
export const plan = (request: PlanRequest): Generator<Progress, Plan> => serially(planInPieces(request));
export const explore = (request: PlanRequest, choices: readonly Choice[]): Generator<Progress, FoundPlan> =>
  serially(exploreInPieces(request, choices));

function whole(request: PlanRequest, phases: readonly [PhasePlan, ...PhasePlan[]]): FoundPlan {
  const steps = stepsFor(
    phases.map((p) => ({
      request: p.request,
      method: p.method,
      setting: p.chosen.setting,
      bands: p.bands,
      bodyPeak_K: Math.max(...p.chosen.pins.map((pin) => pin.bodyPeak_K)),
      rampRatio: p.chosen.rampRatio ?? null,
      coolDown: p.coolDown,
      keepOut: p.keepOut,
      coolDown_s: p.coolDown_s,
    })),
  );
  return {
    outcome: 'found',
    phases,
    partCycles: partCycles(
      request.goal,
      request.history.partCycles,
      phases.map(({ phase, chosen }) => ({
        phase,
        bodyPeak_K: Math.max(...chosen.pins.map((pin) => pin.bodyPeak_K)),
      })),
    ),
    overspends: overspends(budgetsOf(request, phases)),
    consumption: summed(phases.flatMap((p) => p.materials.lines)),
    cautions: cautionsFor(request),
    steps,
    ways: waysTimes(phases),
    // A job counts as of its first way.
    pace: paceOf(request.pace, phases[0].method.id),
  };
}

/** Hands, heat and soaks of every phase as they are ranked by. */
function waysTimes(phases: readonly PhasePlan[]): WayTimes {
  const times = phases.map((p) => timesOf(p.method, p.chosen, padNamesOf(p.request.site.part).length));
  return {
    hands_s: times.reduce((sum, t) => sum + t.hands_s, 0),
    heat_s: times.reduce((sum, t) => sum + t.heat_s, 0),
  };
}

/** What each pad has spent, and what all phases would spend on it. */
function budgetsOf({ history }: PlanRequest, phases: readonly PhasePlan[]): PadBudget[] {
  const planned = new Map<string, { p50: number; p90: number }>();
  for (const band of phases.flatMap((p) => p.bands)) {
    for (const pad of band.pads) {
      const before = planned.get(pad) ?? { p50: 0, p90: 0 };
      planned.set(pad, { p50: before.p50 + band.padDose.p50, p90: before.p90 + band.padDose.p90 });
    }
  }
  return [...planned].map(([pad, dose]) => ({ pad, spent: history.padDose[pad] ?? 0, planned: dose }));
}

type PhaseResult = { readonly outcome: 'found'; readonly plan: PhasePlan } | NoPlan | NotConverged;

function* planPhase(request: PhaseRequest): Working<PhaseResult> {
  const list = yield* tryMethods(request);
  const broken = list.flatMap((t) => t.candidates.flatMap((c) => c.pins)).find((pin) => !pin.converged);
  if (broken) return { outcome: 'not-converged', pad: broken.pad };
  const ranked = rank(request, list);
  const first = ranked[0];
  if (first?.feasible && first.best) yield firstOffer(request, first);

  const proven = yield* firstProven(request, ranked);
  if (proven) return { outcome: 'found', plan: proven };
  // Cold settings that looked able are not sure enough: the same over a preheater, where it was not tried yet.
  const warmer = yield* warmed(request, list);
  if (warmer) {
    const again = rank(request, warmer);
    const warm = yield* firstProven(request, again);
    return warm ? { outcome: 'found', plan: warm } : yield* infeasible(request, again);
  }
  return yield* infeasible(request, ranked);
}

/** The first method in rank that keeps its promises when drawn. */
function* firstProven(request: PhaseRequest, ranked: readonly Ranked[]): Working<PhasePlan | null> {
  const failed = new Set<Ranked>();
  for (const one of ranked) {
    if (!one.feasible) break;
    const proven =
      one.method.heat.kind === 'air'
        ? yield* proveAir(request, one, ranked)
        : yield* proveByHand(request, one.method.heat, one, ranked);
    if (proven) return { ...proven, methods: withUnproven(ranked, failed) };
    failed.add(one);
  }
  return null;
}
