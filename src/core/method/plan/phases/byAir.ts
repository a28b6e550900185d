import { airSettingOf, type Candidate } from '../../candidate';
import { proveAirSetting } from '../../air/airBand';
import { arrangementsBeside } from '../../air/airSearch';
import { longestAir_s } from '../../air/airJudge';
import { isSure, type PinBand } from '../../hand/bands';
import { coolDownOf } from '../../air/coolDown';
import { hasCell, keepOutUnderAir } from '../../limits/keepOut';
import { sharedHeat } from '../../air/oneHeat';
import { consumptionOf } from '../../consumption';
import type { Method } from '../../ways/method';
import { ask, type Working } from '../pieces/piece';
import type { OfferOf } from '../../progress';
import type { Ranked } from '../rank';
import type { AirSetting, PhaseRequest } from '../../request';
import { frontier, preference } from '../../limits/frontier';
import { AIR, PLAN } from '../../settings';
import { firstOffer } from './firstOffer';
import { Lessons } from './lessons';
import type { PhasePlan, Sure } from './phasePlan';

/** A sure setting of air, and what superposition alone had made of it. */
interface SureAir extends Sure {
  readonly foretold: Candidate;
}

/** Settings of air by preference, each verified by the whole model, then drawn until one is sure. */
export function* sureByAir(
  request: PhaseRequest,
  candidates: readonly Candidate[],
  tell?: OfferOf,
): Working<SureAir | null> {
  const lessons = new Lessons(request);
  let left: number = AIR.verified;
  for (const candidate of preference(candidates)) {
    if (lessons.speakAgainst(candidate)) continue;
    if (left-- === 0) return null;
    if (tell) yield tell(candidate);
    const { verified, bands } = yield* proveAirSetting(request, airSettingOf(candidate), {
      onlyFeasible: true,
      tell,
    });
    lessons.learn(candidate, verified, bands);
    if (bands?.every(isSure)) return { candidate: verified, bands, foretold: candidate };
  }
  return null;
}

/** The least harmful of each jet over each soak. */
function eachJetOnce(sorted: readonly Candidate[]): Candidate[] {
  const seen = new Set<string>();
  return sorted.filter((candidate) => {
    const { nozzle, flow_m3_s, standoff_m, preheat } = airSettingOf(candidate);
    const jet = JSON.stringify([nozzle, flow_m3_s, standoff_m, preheat?.kind, preheat?.soak_s]);
    return !seen.has(jet) && seen.add(jet);
  });
}

/** The plan of air's first sure setting, or of a gentler one close by. */
export function* proveAir(
  request: PhaseRequest,
  one: Ranked,
  ranked: readonly Ranked[],
): Working<PhasePlan | null> {
  const tell: OfferOf = (best) => firstOffer(request, { ...one, best });
  const first = yield* sureByAir(request, one.candidates, tell);
  if (!first) return null;
  const beside = yield* besideAir(request, first);
  const sure = yield* gentler(request, first, [...one.candidates, ...beside], tell);
  const front = frontier([...one.candidates, ...beside]);
  return yield* airPlan(request, one.method, sure.candidate, sure.bands, front, ranked);
}

/** Settings of arrangements between those that were searched, about one that is sure. */
function* besideAir(request: PhaseRequest, { foretold }: SureAir): Working<readonly Candidate[]> {
  const plans = arrangementsBeside(request, airSettingOf(foretold));
  const answers = yield* ask(
    request,
    plans.map((arrangement) => ({ kind: 'arrangement', arrangement })),
  );
  return answers.flat();
}

/**
 * Of the foretold least harmful that soak no longer and are no slower, the gentlest that keeps its promise too, where that is by
 * more than is told apart; else the one there is. Superposition foretells the order of harm and not its size.
 */
function* gentler(
  request: PhaseRequest,
  first: SureAir,
  candidates: readonly Candidate[],
  tell: OfferOf,
): Working<Sure> {
  const { foretold } = first;
  if (first.candidate.damage < AIR.gentlerBy) return first;
  const soaked_s = airSettingOf(foretold).preheat?.soak_s ?? 0;
  const better = candidates
    .filter(
      (c) =>
        c.feasible &&
        c.damage < foretold.damage &&
        c.time_s! <= foretold.time_s! + PLAN.airResolution_s &&
        (airSettingOf(c).preheat?.soak_s ?? 0) <= soaked_s,
    )
    .sort((a, b) => a.damage - b.damage);
  // One full run each tells which are gentler indeed; only those are drawn.
  const runs = yield* ask(
    request,
    eachJetOnce(better)
      .slice(0, AIR.gentlerTried)
      .map((candidate) => ({ kind: 'air-run', setting: airSettingOf(candidate) })),
  );
  const gentle = runs
    .filter((run) => run.feasible && run.damage <= AIR.gentler * first.candidate.damage)
    .sort((a, b) => a.damage - b.damage);
  for (const candidate of gentle.slice(0, AIR.gentlerDrawn)) {
    const { verified, bands } = yield* proveAirSetting(request, airSettingOf(candidate), {
      onlyFeasible: true,
      tell,
    });
    if (bands?.every(isSure)) return { candidate: verified, bands };
  }
  return first;
}

export function* exploreAir(
  request: PhaseRequest,
  method: Method,
  setting: AirSetting,
  ranked: readonly Ranked[],
): Working<PhasePlan> {
  const tell: OfferOf = (chosen) => ({
    stage: 'first',
    phase: request.phase,
    method: method.id,
    chosen,
    frontier: [],
  });
  const [first] = yield* ask(request, [{ kind: 'air-answer', setting }]);
  yield tell(first!);
  const { verified, bands } = yield* proveAirSetting(request, setting, { onlyFeasible: false, tell });
  return yield* airPlan(request, method, verified, bands!, [], ranked);
}

function* airPlan(
  request: PhaseRequest,
  method: Method,
  verified: Candidate,
  bands: readonly PinBand[],
  front: readonly Candidate[],
  methods: readonly Ranked[],
): Working<PhasePlan> {
  const setting = airSettingOf(verified);
  const air_s = verified.time_s ?? longestAir_s(request);
  const coolDown = yield* coolDownOf(request, setting, air_s);
  const keepOut = hasCell(request) ? yield* keepOutUnderAir(request, setting, air_s) : null;
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
    materials: consumptionOf(request, method, setting),
    keepOut,
    shared,
    coolDown,
    coolDown_s: coolDown.clock_s,
  };
}
