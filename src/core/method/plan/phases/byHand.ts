import { STILL_AIR } from '~/core/materials/air';
import { arealHeat_J_m2K } from '~/core/thermal/stackup';
import { handSettingOf, type Candidate } from '../../candidate';
import { isSure, type PinBand } from '../../hand/bands';
import { bandsByHand, Screen } from '../../hand/handBands';
import { tryOut, type HandHeat } from '../../hand/handTrial';
import { hasCell, keepOutByHand } from '../../limits/keepOut';
import { neighbourHeat } from '../../hand/neighbours';
import type { Touch } from '../../hand/touch';
import { consumptionOf } from '../../consumption';
import type { Method } from '../../ways/method';
import type { Working } from '../pieces/piece';
import type { Ranked } from '../rank';
import type { HandSetting, PhaseRequest } from '../../request';
import { coolDown_s, frontierAbout, isTurned, preference } from '../../limits/frontier';
import { PLAN } from '../../settings';
import type { OfferOf } from '../../progress';
import { firstOffer } from './firstOffer';
import type { PhasePlan, Sure } from './phasePlan';

/** Settings of a hand method by preference, each drawn until one is sure. */
export function* sureByHand(
  request: PhaseRequest,
  heat: HandHeat,
  candidates: readonly Candidate[],
  tell?: OfferOf,
): Working<Sure | null> {
  const order = preference(candidates);
  const screen = new Screen();
  for (const turned of [false, true]) {
    let left: number = PLAN.proven;
    for (const candidate of order) {
      const setting = handSettingOf(candidate);
      if (isTurned(candidate) !== turned || candidate.atWorst?.inTime !== true) continue;
      if (left-- === 0) break;
      if (tell) yield tell(candidate);
      const bands = yield* bandsByHand(request, heat, setting, screen);
      if (bands?.every(isSure)) return { candidate, bands };
    }
  }
  return null;
}

/** The plan of a hand method's first sure setting. */
export function* proveByHand(
  request: PhaseRequest,
  heat: HandHeat,
  one: Ranked,
  ranked: readonly Ranked[],
): Working<PhasePlan | null> {
  const tell: OfferOf = (best) => firstOffer(request, { ...one, best });
  const sure = yield* sureByHand(request, heat, one.candidates, tell);
  if (!sure) return null;
  const front = frontierAbout(one.candidates, sure.candidate);
  return handPlan(request, one.method, heat, sure.candidate, sure.bands, front, ranked);
}

export function* exploreHand(
  request: PhaseRequest,
  method: Method,
  setting: HandSetting,
  ranked: readonly Ranked[],
): Working<PhasePlan> {
  if (method.heat.kind === 'air') throw new Error(`${method.id} takes no tool in the hand`);
  const candidate = tryOut(request, method.heat, setting);
  yield { stage: 'first', phase: request.phase, method: method.id, chosen: candidate, frontier: [] };
  const bands = (yield* bandsByHand(request, method.heat, setting, null))!;
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
  const setting = handSettingOf(chosen);
  const touches = distinct(heat, request, setting);
  const stops = new Map(bands.map((band) => [band.pad, band.stop_s]));
  const stop_sOf = (touch: Touch): number => stops.get(touch.name)!;
  return {
    phase: request.phase,
    request,
    method,
    chosen,
    bands,
    frontier: front,
    neighbours: neighbourHeat(request, touches, stop_sOf),
    methods,
    materials: consumptionOf(request, method, setting),
    keepOut: hasCell(request) ? keepOutByHand(request, setting, touches, stop_sOf) : null,
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
