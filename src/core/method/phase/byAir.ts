import type { Candidate } from '../candidate';
import { airBands } from '../heat/airBand';
import { longestAir_s } from '../heat/airJudge';
import { answerAir } from '../heat/airSearch';
import { verifyAir } from '../heat/airVerify';
import { isSure, type PinBand } from '../heat/bands';
import { coolDownOf } from '../heat/coolDown';
import { sharedHeat } from '../heat/sharing';
import { materialsFor } from '../materials';
import type { Method } from '../methods/method';
import type { Working } from '../pieces/piece';
import type { Ranked } from '../rank';
import type { AirSetting, PhaseRequest } from '../request';
import { frontier, preference } from '../search';
import { AIR } from '../settings';
import type { PhasePlan } from './phasePlan';

/** Settings of air by preference, each verified by the whole model, then drawn. */
export function* proveAir(
  request: PhaseRequest,
  one: Ranked,
  ranked: readonly Ranked[],
): Working<PhasePlan | null> {
  let left: number = AIR.verified;
  for (const candidate of spread(preference(one.candidates))) {
    if (left-- === 0) return null;
    const verified = yield* verifyAir(request, candidate.setting as AirSetting);
    if (!verified.feasible) continue;
    const bands = yield* airBands(request, verified.setting as AirSetting);
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

export function* exploreAir(
  request: PhaseRequest,
  method: Method,
  setting: AirSetting,
  ranked: readonly Ranked[],
): Working<PhasePlan> {
  yield {
    stage: 'first',
    phase: request.phase,
    method: method.id,
    chosen: answerAir(request, setting),
    frontier: [],
  };
  const verified = yield* verifyAir(request, setting);
  yield { stage: 'first', phase: request.phase, method: method.id, chosen: verified, frontier: [] };
  const bands = yield* airBands(request, setting);
  return yield* airPlan(request, method, verified, bands, [], ranked);
}

function* airPlan(
  request: PhaseRequest,
  method: Method,
  verified: Candidate,
  bands: readonly PinBand[],
  front: readonly Candidate[],
  methods: readonly Ranked[],
): Working<PhasePlan> {
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
