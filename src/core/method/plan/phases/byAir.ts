import { airSettingOf, type Candidate } from '../../candidate';
import { proveAirSetting } from '../../air/airBand';
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
import { AIR } from '../../settings';
import { firstOffer } from './firstOffer';
import { Lessons } from './lessons';
import type { PhasePlan, Sure } from './phasePlan';

/** Settings of air by preference, each verified by the whole model, then drawn until one is sure. */
export function* sureByAir(
  request: PhaseRequest,
  candidates: readonly Candidate[],
  tell?: OfferOf,
): Working<Sure | null> {
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
    if (bands?.every(isSure)) return { candidate: verified, bands };
  }
  return null;
}

/** The plan of air's first sure setting. */
export function* proveAir(
  request: PhaseRequest,
  one: Ranked,
  ranked: readonly Ranked[],
): Working<PhasePlan | null> {
  const tell: OfferOf = (best) => firstOffer(request, { ...one, best });
  const sure = yield* sureByAir(request, one.candidates, tell);
  if (!sure) return null;
  const front = frontier(one.candidates);
  return yield* airPlan(request, one.method, sure.candidate, sure.bands, front, ranked);
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
