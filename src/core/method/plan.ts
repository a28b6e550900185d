import { ALLOYS } from '../materials/alloys';
import { FLUX, WIRE } from '../materials/consumables';
import { STILL_AIR } from '../materials/air';
import { braidLength_m, jointVolume_m3, wireLength_m } from '../solder/volumes';
import { arealHeat_J_m2K } from '../thermal/stackup';
import { PESSIMISTIC_CONTACT } from '../thermal/joint/draws';
import { isSure, pinBand, type PinBand } from './bands';
import { cautionsFor, type CautionId } from './cautions';
import { allowanceFor, forecastPin } from './forecast';
import { neighbourHeat, type NeighbourHeat } from './neighbours';
import { findRemedies, type Remedy } from './remedies';
import { ironMethod, type Method } from './methods';
import type { Progress } from './progress';
import { likeness, padOrder, scenarioFor, type PlanRequest, type Setting } from './request';
import {
  coolDown_s,
  frontier,
  nearestMiss,
  preference,
  settingsOnBench,
  tryOut,
  type Binding,
  type Candidate,
} from './search';
import { PLAN } from './settings';
import { stepsFor, type Step } from './steps';

/** Names the equations and data a plan was made with; raised whenever either changes its answers. */
export const MODEL_VERSION = 'joint-3';

export interface Materials {
  readonly solderWire_m: number;
  readonly wireDiameter_m: number;
  readonly braid_m: number;
  readonly braidWidth_m: number;
  readonly flux_m3: number;
}

export interface FoundPlan {
  readonly outcome: 'found';
  readonly chosen: Candidate;
  readonly bands: readonly PinBand[];
  readonly frontier: readonly Candidate[];
  readonly neighbours: readonly NeighbourHeat[];
  readonly methods: readonly Method[];
  readonly materials: Materials;
  readonly cautions: readonly CautionId[];
  readonly steps: readonly Step[];
  readonly coolDown_s: number | null;
}

export interface NoPlan {
  readonly outcome: 'no-feasible-setting';
  /** The setting that came nearest. */
  readonly nearest: Candidate;
  readonly binding: Binding;
  readonly remedies: readonly Remedy[];
  readonly methods: readonly Method[];
  readonly cautions: readonly CautionId[];
}

export interface NotConverged {
  readonly outcome: 'not-converged';
  readonly pad: string;
}

export type Plan = FoundPlan | NoPlan | NotConverged;

/**
 * Chooses a setting for one job and proves it with bands: nominal search over the bench, then the
 * preferred settings drawn many times until one keeps the chance of a solid pin at its stop small.
 * Yields as it goes; the caller may stop asking at any yield, which is how a plan is cancelled.
 */
export function* plan(request: PlanRequest): Generator<Progress, Plan> {
  const cautions = cautionsFor(request);
  const method = ironMethod(request);
  const settings = settingsOnBench(request, null);
  const liquidus_K = ALLOYS[request.site.alloy].liquidus.value;
  const candidates: Candidate[] = [];
  for (const setting of settings) {
    candidates.push(tryOut(request, setting, liquidus_K));
    yield { stage: 'search', done: candidates.length, of: settings.length };
  }
  const broken = candidates.flatMap((c) => c.pins).find((pin) => pin.run.outcome === 'not-converged');
  if (broken) return { outcome: 'not-converged', pad: broken.pad };

  const front = frontier(candidates);
  const ranked = preference(candidates);
  if (ranked[0] && method.allowed) yield { stage: 'first', chosen: ranked[0], frontier: front };

  for (const candidate of method.allowed ? ranked : []) {
    if (!survivesBadContact(request, candidate.setting)) continue;
    const bands = yield* bandsOf(request, candidate.setting, isHopeless);
    if (bands?.every(isSure)) return found(request, candidate, bands, front, cautions);
  }

  const nearest = nearestMiss(candidates);
  const binding = method.allowed ? (nearest.binding ?? unsureBinding(nearest)) : methodBinding(nearest);
  const remedies = yield* findRemedies(request, binding, liquidus_K);
  return { outcome: 'no-feasible-setting', nearest, binding, remedies, methods: [method], cautions };
}

/** Bands and everything that follows from one setting a technician asks about, feasible or not. */
export function* explore(request: PlanRequest, setting: Setting): Generator<Progress, FoundPlan> {
  const candidate = tryOut(request, setting, ALLOYS[request.site.alloy].liquidus.value);
  yield { stage: 'first', chosen: candidate, frontier: [] };
  const bands = (yield* bandsOf(request, setting, () => false))!;
  return found(request, candidate, bands, [], cautionsFor(request));
}

/**
 * One run at the pessimistic tenth of contact and tip, on the hardest pin: it only spares the draws
 * on settings that they would refuse anyway.
 */
function survivesBadContact(request: PlanRequest, setting: Setting): boolean {
  const pad = padOrder(request).at(-1)!;
  const forecast = forecastPin(scenarioFor(request, setting, pad), allowanceFor(request, pad), {
    factors: PESSIMISTIC_CONTACT,
  });
  return forecast.off_s !== null && forecast.off_s <= PLAN.longestDwell_s;
}

/** A band that more draws will hardly bring back under the acceptable chance: two standard errors over. */
function isHopeless({ chanceSolidAtStop: chance, draws }: PinBand): boolean {
  return chance - 2 * Math.sqrt((chance * (1 - chance)) / draws) > PLAN.acceptableMiss;
}

/** Streams the bands of all pins; pins alike in copper and budget share one. Null once given up. */
function* bandsOf(
  request: PlanRequest,
  setting: Setting,
  giveUp: (band: PinBand) => boolean,
): Generator<Progress, PinBand[] | null> {
  const known = new Map<string, PinBand>();
  // The hardest pin first: it is the one that rules a setting out.
  for (const pad of padOrder(request).reverse()) {
    const allowance = allowanceFor(request, pad);
    const key = likeness(request, pad);
    const twin = known.get(key);
    if (twin) {
      known.set(pad, { ...twin, pad });
      continue;
    }
    const steps = pinBand(scenarioFor(request, setting, pad), allowance, {
      draws: PLAN.draws,
      seed: request.seed,
    });
    let next = steps.next();
    while (!next.done) {
      yield { stage: 'band', setting, band: next.value };
      if (giveUp(next.value)) return null;
      next = steps.next();
    }
    yield { stage: 'band', setting, band: next.value };
    known.set(key, next.value);
    known.set(pad, next.value);
  }
  return padOrder(request).map((pad) => known.get(pad)!);
}

function found(
  request: PlanRequest,
  chosen: Candidate,
  bands: readonly PinBand[],
  front: readonly Candidate[],
  cautions: readonly CautionId[],
): FoundPlan {
  const cool_s = coolDown_s(
    request,
    chosen.setting,
    arealHeat_J_m2K(request.board),
    STILL_AIR.boardTop.value + STILL_AIR.boardBottom.value,
  );
  return {
    outcome: 'found',
    chosen,
    bands,
    frontier: front,
    neighbours: neighbourHeat(request, chosen.setting, bands),
    methods: [ironMethod(request)],
    materials: materialsFor(request),
    cautions,
    steps: stepsFor(request, chosen.setting, bands, cool_s),
    coolDown_s: cool_s,
  };
}

function materialsFor(request: PlanRequest): Materials {
  const { part } = request.site;
  const joints = part.pins;
  const held_m3 = joints * jointVolume_m3(part, request.board.thickness_m, request.board.copper.length > 1);
  const fresh_m3 = joints * WIRE.addedToJoint.value;
  const wireDiameter_m = 0.8e-3;
  // Braid about as wide as the land, in the widths it is sold in.
  const braidWidth_m = [1.5e-3, 2e-3, 2.5e-3, 3e-3].find((w) => w >= part.landDiameter_m) ?? 3e-3;
  const removing = request.goal === 'remove-keep-part' || request.goal === 'remove-sacrifice-part';
  return {
    wireDiameter_m,
    solderWire_m: wireLength_m(request.goal === 'fit' ? held_m3 : fresh_m3, wireDiameter_m),
    braidWidth_m,
    braid_m: removing ? braidLength_m(held_m3 + fresh_m3, braidWidth_m) : 0,
    flux_m3: joints * (Math.PI / 4) * part.landDiameter_m ** 2 * FLUX.film.value,
  };
}

/** Feasible at nominal values but not surely so: say which pin has the least room. */
function unsureBinding(candidate: Candidate): Binding {
  const room = (pin: Candidate['pins'][number]): number => pin.stop_s - (pin.off_s ?? Infinity);
  const tightest = candidate.pins.reduce((a, b) => (room(b) < room(a) ? b : a));
  return {
    pad: tightest.pad,
    limit: tightest.because,
    short_s: 0,
    shortOfLiquidus_K: null,
    lastToMelt: tightest.run.lastToMelt,
  };
}

const methodBinding = (nearest: Candidate): Binding => ({
  ...unsureBinding(nearest),
  limit: 'method',
  short_s: null,
});
