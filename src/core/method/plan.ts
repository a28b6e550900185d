import { STILL_AIR } from '../materials/air';
import { socketFor } from '../packages/socket';
import { arealHeat_J_m2K } from '../thermal/stackup';
import { PESSIMISTIC_CONTACT } from '../thermal/joint/draws';
import type { Binding, Candidate } from './candidate';
import { cautionsFor, type CautionId } from './cautions';
import { phasesOf, type Phase } from './goals';
import { airBands } from './heat/airBand';
import { longestAir_s, type NeighbourHeat } from './heat/airJudge';
import { answerAir, searchAir } from './heat/airSearch';
import { verifyAir } from './heat/airVerify';
import { isSure, pinBand, type PinBand } from './heat/bands';
import { coolDownOf, type CoolDown } from './heat/coolDown';
import { allowanceFor, forecastTouch } from './heat/forecast';
import { searchPreheated, searchWarmToo, tryOut, type HandHeat } from './heat/handSearch';
import { neighbourHeat } from './heat/neighbours';
import { sharedHeat, type SharedHeat } from './heat/sharing';
import { materialsFor, summed, type Draw, type Materials } from './materials';
import { methodOf, methodsFor } from './methods';
import { forbids, type Method, type MethodId, type Rule } from './methods/method';
import type { Progress } from './progress';
import { rank, tried, uncompared, type Ranked, type Tried } from './rank';
import { findRemedies, type Remedy } from './remedies';
import {
  matesOf,
  type AirSetting,
  type HandSetting,
  type PhaseRequest,
  type PlanRequest,
  type Setting,
} from './request';
import { coolDown_s, frontier, frontierAbout, nearestMiss, preference } from './search';
import { AIR, PLAN } from './settings';
import { stepsFor } from './steps/frame';
import type { Step } from './steps/step';

/** Names the equations and data a plan was made with; raised whenever either changes its answers. */
export const MODEL_VERSION = 'plan-4';

/** One phase solved: what is done, with what, and what it costs. */
export interface PhasePlan {
  readonly phase: Phase;
  readonly request: PhaseRequest;
  readonly method: Method;
  readonly chosen: Candidate;
  readonly bands: readonly PinBand[];
  readonly frontier: readonly Candidate[];
  readonly neighbours: readonly NeighbourHeat[];
  readonly methods: readonly Ranked[];
  readonly materials: Materials;
  readonly coolDown: CoolDown | null;
  readonly coolDown_s: number | null;
  /** What the parts that come off together save; null where one comes off alone. */
  readonly shared: SharedHeat | null;
}

export interface FoundPlan {
  readonly outcome: 'found';
  readonly phases: readonly [PhasePlan, ...PhasePlan[]];
  readonly draws: readonly Draw[];
  readonly cautions: readonly CautionId[];
  readonly steps: readonly Step[];
}

export interface NoPlan {
  readonly outcome: 'no-feasible-setting';
  readonly phase: Phase;
  readonly method: MethodId;
  /** The setting that came nearest; null where no tool on the bench could even be asked. */
  readonly nearest: Candidate | null;
  readonly binding: Binding;
  readonly remedies: readonly Remedy[];
  readonly methods: readonly Ranked[];
  readonly cautions: readonly CautionId[];
}

export interface NotConverged {
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
 * small. Yields as it goes; the caller may stop asking at any yield, which is how a plan is cancelled.
 */
export function* plan(request: PlanRequest): Generator<Progress, Plan> {
  const done: PhasePlan[] = [];
  for (const phase of phasesOf(request.goal)) {
    const result = yield* planPhase(phaseRequest(request, phase, done));
    if (result.outcome !== 'found') return result;
    done.push(result.plan);
  }
  return whole(request, done as [PhasePlan, ...PhasePlan[]]);
}

/** Bands and everything that follows from settings a technician asks about, feasible or not. */
export function* explore(request: PlanRequest, choices: readonly Choice[]): Generator<Progress, FoundPlan> {
  const done: PhasePlan[] = [];
  for (const phase of phasesOf(request.goal)) {
    const choice = choices.find((c) => c.phase === phase);
    if (!choice) throw new Error(`no setting for phase ${phase}`);
    const asked = phaseRequest(request, phase, done);
    const method = methodOf(choice.method);
    const ranked = uncompared(methodsFor(asked).map((m) => ({ method: m, rules: m.rules(asked) })));
    const { setting } = choice;
    done.push(
      setting.kind === 'air'
        ? yield* exploreAir(asked, method, setting, ranked)
        : yield* exploreHand(asked, method, setting, ranked),
    );
  }
  return whole(request, done as [PhasePlan, ...PhasePlan[]]);
}

function whole(request: PlanRequest, phases: readonly [PhasePlan, ...PhasePlan[]]): FoundPlan {
  return {
    outcome: 'found',
    phases,
    draws: summed(phases.flatMap((p) => p.materials.draws)),
    cautions: cautionsFor(request),
    steps: stepsFor(
      phases.map((p) => ({
        request: p.request,
        method: p.method,
        setting: p.chosen.setting,
        bands: p.bands,
        bodyPeak_K: Math.max(...p.chosen.pins.map((pin) => pin.bodyPeak_K)),
        coolDown: p.coolDown,
        coolDown_s: p.coolDown_s,
      })),
    ),
  };
}

/** What a phase is asked on: what the phases before it spent, and a socket in the part's place where one is fitted. */
export function phaseRequest(
  request: PlanRequest,
  phase: Phase,
  before: readonly Pick<PhasePlan, 'bands'>[],
): PhaseRequest {
  const padDose: Record<string, number> = { ...request.history.padDose };
  let { laminateDose } = request.history;
  for (const { bands } of before) {
    for (const band of bands) {
      for (const pad of band.pads) padDose[pad] = (padDose[pad] ?? 0) + band.padDose.p50;
    }
    laminateDose += Math.max(...bands.map((band) => band.laminateDose.p50));
  }
  const { site } = request;
  const socket = request.goal === 'fit-socket' ? socketFor(site.part) : null;
  return {
    ...request,
    phase,
    site: socket ? { ...site, part: socket } : site,
    // One at a time goes back on what came off together.
    neighbours:
      phase === 'fit' ? request.neighbours.map((n) => ({ ...n, comesToo: false })) : request.neighbours,
    history: { padDose, laminateDose, partCycles: request.history.partCycles + before.length },
  };
}

type PhaseResult = { readonly outcome: 'found'; readonly plan: PhasePlan } | NoPlan | NotConverged;

function* planPhase(request: PhaseRequest): Generator<Progress, PhaseResult> {
  const list = yield* tryMethods(request);
  const broken = list.flatMap((t) => t.candidates.flatMap((c) => c.pins)).find((pin) => !pin.converged);
  if (broken) return { outcome: 'not-converged', pad: broken.pad };
  const ranked = rank(request, list);
  const first = ranked[0];
  if (first?.feasible && first.best) yield firstWord(request, first);

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
function* firstProven(
  request: PhaseRequest,
  ranked: readonly Ranked[],
): Generator<Progress, PhasePlan | null> {
  for (const one of ranked) {
    if (!one.feasible) break;
    const proven =
      one.method.heat.kind === 'air'
        ? yield* proveAir(request, one, ranked)
        : yield* proveByHand(request, one.method.heat, one, ranked);
    if (proven) return proven;
  }
  return null;
}

/** Hand methods over every preheater, in place of cold; null where all of them were tried warm already. */
function* warmed(request: PhaseRequest, list: readonly Tried[]): Generator<Progress, Tried[] | null> {
  const answers = new Map<string, Candidate[]>();
  let any = false;
  const again: Tried[] = [];
  for (const one of list) {
    const { heat } = one.method;
    const warm = one.candidates.some((c) => c.setting.preheat !== null);
    if (heat.kind !== 'hand' || !one.allowed || warm || request.preheaters.length === 0) {
      again.push(one);
      continue;
    }
    any = true;
    const known = answers.get(heat.key) ?? (yield* searchPreheated(request, heat));
    answers.set(heat.key, known);
    again.push(tried(one.method, one.rules, known));
  }
  return any ? again : null;
}

const firstWord = (request: PhaseRequest, { method, best, candidates }: Ranked): Progress => ({
  stage: 'first',
  phase: request.phase,
  method: method.id,
  chosen: best!,
  frontier: frontierAbout(candidates, best!),
});

/** Every method at nominal values, tools in the hand first: they answer soonest. Methods that ask alike share. */
function* tryMethods(request: PhaseRequest): Generator<Progress, Tried[]> {
  const methods = methodsFor(request);
  const answers = new Map<string, Candidate[]>();
  const list: Tried[] = [];
  const ordered = [...methods].sort((a, b) => Number(a.heat.kind === 'air') - Number(b.heat.kind === 'air'));
  for (const method of ordered) {
    const rules = [...method.rules(request), ...apartFromOthers(request, method)];
    if (rules.some((rule) => rule.forbids)) {
      list.push(tried(method, rules, []));
      continue;
    }
    if (method.heat.kind === 'air') {
      list.push(tried(method, rules, yield* searchAir(request)));
      continue;
    }
    const { key } = method.heat;
    const known = answers.get(key) ?? (yield* searchWarmToo(request, method.heat));
    answers.set(key, known);
    list.push(tried(method, rules, known));
    const soFar = rank(request, list)[0];
    if (soFar?.feasible && soFar.best) yield firstWord(request, soFar);
  }
  return list;
}

/** Parts that are to come off in one heat need a heat that covers them all. */
const apartFromOthers = (request: PhaseRequest, method: Method): Rule[] =>
  method.heat.kind === 'hand' && matesOf(request).length > 1
    ? [forbids('A tool in the hand frees one part: the others would need a heat of their own.')]
    : [];

/** Settings of a hand method by preference, each drawn until one is sure. */
function* proveByHand(
  request: PhaseRequest,
  heat: HandHeat,
  one: Ranked,
  ranked: readonly Ranked[],
): Generator<Progress, PhasePlan | null> {
  let left: number = PLAN.proven;
  for (const candidate of preference(one.candidates)) {
    const setting = candidate.setting as HandSetting;
    if (!survivesBadContact(request, heat, setting)) continue;
    if (left-- === 0) return null;
    const bands = yield* bandsOf(request, heat, setting, isHopeless);
    if (bands?.every(isSure)) {
      const front = frontierAbout(one.candidates, candidate);
      return handPlan(request, one.method, heat, candidate, bands, front, ranked);
    }
  }
  return null;
}

function* exploreHand(
  request: PhaseRequest,
  method: Method,
  setting: HandSetting,
  ranked: readonly Ranked[],
): Generator<Progress, PhasePlan> {
  if (method.heat.kind === 'air') throw new Error(`${method.id} takes no tool in the hand`);
  const candidate = tryOut(request, method.heat, setting);
  yield { stage: 'first', phase: request.phase, method: method.id, chosen: candidate, frontier: [] };
  const bands = (yield* bandsOf(request, method.heat, setting, () => false))!;
  return handPlan(request, method, method.heat, candidate, bands, [], ranked);
}

function handPlan(
  request: PhaseRequest,
  method: Method,
  heat: HandHeat,
  chosen: Candidate,
  bands: readonly PinBand[],
  front: readonly Candidate[],
  methods: readonly Ranked[],
): PhasePlan {
  const setting = chosen.setting as HandSetting;
  const touches = distinct(heat, request, setting);
  const stops = new Map(bands.map((band) => [band.pad, band.stop_s]));
  return {
    phase: request.phase,
    request,
    method,
    chosen,
    bands,
    frontier: front,
    neighbours: neighbourHeat(request, touches, (touch) => stops.get(touch.name)!),
    methods,
    materials: materialsFor(request, method, setting),
    shared: null,
    coolDown: null,
    coolDown_s: coolDown_s(
      request,
      setting,
      arealHeat_J_m2K(request.board),
      STILL_AIR.boardTop.value + STILL_AIR.boardBottom.value,
    ),
  };
}

const distinct = (heat: HandHeat, request: PhaseRequest, setting: HandSetting) =>
  heat.touchesOf(request, setting).slice(0, MOST_NEIGHBOUR_TOUCHES);

/** Neighbours are read from this many touches at most: on large parts the outer pins alone would do. */
const MOST_NEIGHBOUR_TOUCHES = 44;

/**
 * One run at the pessimistic tenth of contact and tip, on the hardest touch: it only spares the draws on settings
 * that they would refuse anyway.
 */
function survivesBadContact(request: PhaseRequest, heat: HandHeat, setting: HandSetting): boolean {
  const touch = heat.touchesOf(request, setting).at(-1)!;
  const forecast = forecastTouch(touch, allowanceFor(request, touch.pads), { factors: PESSIMISTIC_CONTACT });
  return forecast.off_s !== null && forecast.off_s <= touch.longest_s;
}

/** A band that more draws will hardly bring back under the acceptable chance: two standard errors over. */
function isHopeless({ chanceSolidAtStop: chance, draws }: PinBand): boolean {
  return chance - 2 * Math.sqrt((chance * (1 - chance)) / draws) > PLAN.acceptableMiss;
}

/** Streams the bands of all touches; touches alike share one. Null once given up. */
function* bandsOf(
  request: PhaseRequest,
  heat: HandHeat,
  setting: HandSetting,
  giveUp: (band: PinBand) => boolean,
): Generator<Progress, PinBand[] | null> {
  const { phase } = request;
  const touches = heat.touchesOf(request, setting);
  const known = new Map<string, PinBand>();
  // The hardest touch first: it is the one that rules a setting out.
  for (const touch of [...touches].reverse()) {
    if (known.has(touch.likeness)) continue;
    const steps = pinBand(touch, allowanceFor(request, touch.pads), {
      draws: PLAN.draws,
      seed: request.seed,
    });
    let next = steps.next();
    while (!next.done) {
      yield { stage: 'band', phase, setting, band: next.value };
      if (giveUp(next.value)) return null;
      next = steps.next();
    }
    yield { stage: 'band', phase, setting, band: next.value };
    known.set(touch.likeness, next.value);
  }
  return touches.map((touch) => ({ ...known.get(touch.likeness)!, pad: touch.name, pads: touch.pads }));
}

/** Settings of air by preference, each verified by the whole model, then drawn. */
function* proveAir(
  request: PhaseRequest,
  one: Ranked,
  ranked: readonly Ranked[],
): Generator<Progress, PhasePlan | null> {
  let left: number = AIR.verified;
  for (const candidate of spread(preference(one.candidates))) {
    if (left-- === 0) return null;
    const verified = yield* verifyAir(request, candidate.setting as AirSetting);
    if (!verified.feasible) continue;
    const bands = yield* drawAir(request, verified.setting as AirSetting);
    if (!bands.every(isSure)) continue;
    return yield* airPlan(request, one.method, verified, bands, frontier(one.candidates), ranked);
  }
  return null;
}

/** The best, and then others that differ from it enough to be worth another full run. */
function spread(candidates: readonly Candidate[]): Candidate[] {
  const kept: Candidate[] = [];
  for (const candidate of candidates) {
    const last = kept.at(-1);
    if (!last || Math.abs(candidate.time_s! - last.time_s!) > AIR.tellApart * last.time_s!)
      kept.push(candidate);
  }
  return kept;
}

function* exploreAir(
  request: PhaseRequest,
  method: Method,
  setting: AirSetting,
  ranked: readonly Ranked[],
): Generator<Progress, PhasePlan> {
  yield {
    stage: 'first',
    phase: request.phase,
    method: method.id,
    chosen: answerAir(request, setting),
    frontier: [],
  };
  const verified = yield* verifyAir(request, setting);
  yield { stage: 'first', phase: request.phase, method: method.id, chosen: verified, frontier: [] };
  const bands = yield* drawAir(request, setting);
  return yield* airPlan(request, method, verified, bands, [], ranked);
}

function* drawAir(request: PhaseRequest, setting: AirSetting): Generator<Progress, readonly PinBand[]> {
  const drawing = airBands(request, setting);
  let next = drawing.next();
  while (!next.done) {
    if (next.value) {
      // The slowest pad stands for all of them while the draws come in.
      const slowest = next.value.reduce((a, b) => (b.melt_s.p50 > a.melt_s.p50 ? b : a));
      yield { stage: 'band', phase: request.phase, setting, band: slowest };
    } else {
      yield { stage: 'verify', done: 0, of: 1 };
    }
    next = drawing.next();
  }
  return next.value;
}

function* airPlan(
  request: PhaseRequest,
  method: Method,
  verified: Candidate,
  bands: readonly PinBand[],
  front: readonly Candidate[],
  methods: readonly Ranked[],
): Generator<Progress, PhasePlan> {
  const setting = verified.setting as AirSetting;
  const air_s = verified.time_s ?? longestAir_s(request);
  const coolDown = yield* coolDownOf(request, setting, air_s);
  const padDose = Math.max(...verified.pins.map((pin) => pin.padDoseAtOff));
  const shared = yield* sharedHeat(request, setting, { time_s: air_s, padDose });
  return {
    phase: request.phase,
    request,
    method,
    chosen: verified,
    bands,
    frontier: front,
    neighbours: verified.neighbours ?? [],
    methods,
    materials: materialsFor(request, method, setting),
    shared,
    coolDown,
    coolDown_s: coolDown.clock_s,
  };
}

/** Nothing will do: what came nearest, what stopped it, and what would free it. */
function* infeasible(request: PhaseRequest, ranked: readonly Ranked[]): Generator<Progress, NoPlan> {
  const cautions = cautionsFor(request);
  const open = ranked.filter((one) => one.allowed && one.candidates.length > 0);
  const misses = open.map((one) => ({ one, miss: nearestMiss(one.candidates) }));
  const nearest = misses.length ? misses.reduce((a, b) => (nearer(b.miss, a.miss) ? b : a)) : null;
  const method = nearest?.one.method ?? ranked[0]?.method ?? methodOf('joint-by-joint');
  const binding = nearest
    ? (nearest.miss.binding ?? unsureBinding(nearest.miss))
    : ({ pad: '', limit: 'method', short_s: null, shortOfLiquidus_K: null, lastToMelt: '' } as const);
  const remedies = yield* findRemedies(request, method, binding);
  return {
    outcome: 'no-feasible-setting',
    phase: request.phase,
    method: method.id,
    nearest: nearest?.miss ?? null,
    binding,
    remedies,
    methods: ranked,
    cautions,
  };
}

/** Strictly: of two alike the first in rank stays. */
const nearer = (a: Candidate, b: Candidate): boolean => a !== b && nearestMiss([b, a]) === a;

/** Feasible at nominal values but not surely so: say which pin has the least room. */
function unsureBinding(candidate: Candidate): Binding {
  const room = (pin: Candidate['pins'][number]): number => pin.stop_s - (pin.off_s ?? Infinity);
  const tightest = candidate.pins.reduce((a, b) => (room(b) < room(a) ? b : a));
  return {
    pad: tightest.pad,
    limit: tightest.because,
    short_s: 0,
    shortOfLiquidus_K: null,
    lastToMelt: tightest.lastToMelt,
  };
}
