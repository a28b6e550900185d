import { ALLOYS } from '~/core/materials/alloys';
import { STILL_AIR, type PreheaterId } from '~/core/materials/air';
import { characteristic_m } from '~/core/thermal/preheat';
import { halvesOf_m, MOST_MACH, outletMach } from '~/core/thermal/surface/jet';
import { preheaterFilm_W_m2K } from '~/core/thermal/surface/preheater';
import { arealHeat_J_m2K } from '~/core/thermal/stackup';
import { isSurface, mass_kg, padNamesOf } from '~/core/packages/form';
import { SURFACE_TRAITS } from '~/core/packages/surfaceFamilies';
import { respond, type UnitResponses } from '~/core/thermal/field/respond';
import type { FieldProgress } from '~/core/thermal/field/run';
import type { Nozzle } from '~/core/thermal/surface/jet';
import type { AirStation } from '../bench';
import type { Candidate } from '../candidate';
import { bodyCounts } from '../goals';
import { relayed } from '~/core/stepwise';
import { ask, type Working } from '../plan/pieces/piece';
import type { AirSetting, PhaseRequest } from '../request';
import { nearestMiss } from '../limits/frontier';
import { AIR, WARMTH } from '../settings';
import { airScenario, groundOf } from './airScenario';
import { airLimits, longestAir_s } from './airJudge';
import { sumReader } from './airSum';
import type { Arrangement } from './arrangement';
import { warmSets_K } from './warmSets';

/**
 * Every setting of hot air on this bench that is worth a thought, answered by superposition: two linear runs of
 * each arrangement of nozzle, flow and preheater, then any pair of temperatures as their sum. Latent heat is left
 * out and films are held, so what is chosen has to be verified by a full run.
 */
export function* searchAir(
  request: PhaseRequest,
  options: { readonly shielded?: boolean } = {},
): Working<Candidate[]> {
  const plans = arrangements(request, options.shielded ?? false);
  const answers = yield* ask(
    request,
    plans.map((arrangement) => ({ kind: 'arrangement', arrangement })),
    { shown: ({ length }) => ({ stage: 'search', done: length, of: plans.length }) },
  );
  return answers.flat();
}

/** One arrangement at every pair of temperatures: all that will do, or the one that came nearest. Null is a pause. */
export function* solveArrangement(
  request: PhaseRequest,
  arrangement: Arrangement,
  pairs: readonly TemperaturePair[] = pairsFor(request, arrangement),
): Generator<null, Candidate[]> {
  const limits = airLimits(request, padNamesOf(request.site.part));
  const responses = yield* relayed(responsesOf(request, arrangement), () => null);
  const read = sumReader(request, arrangement, responses, limits);
  const all: Candidate[] = [];
  for (const { air_K, preheat_K } of pairs) {
    all.push(read(air_K, preheat_K));
    yield null;
  }
  const able = all.filter((candidate) => candidate.feasible);
  return able.length > 0 || all.length === 0 ? able : [nearestMiss(all)];
}

/** One setting by superposition alone: the figures that follow a finger along the frontier. Null is a pause. */
export function* answerAir(request: PhaseRequest, setting: AirSetting): Generator<null, Candidate> {
  const limits = airLimits(request, padNamesOf(request.site.part));
  const responses = yield* relayed(responsesOf(request, setting), () => null);
  const read = sumReader(request, setting, responses, limits, 'every pad');
  return read(setting.air_K, setting.preheat?.setpoint_K ?? null);
}

const responsesOf = (
  request: PhaseRequest,
  arrangement: Arrangement,
): Generator<FieldProgress, UnitResponses> =>
  respond(
    airScenario(request, { ...arrangement, kind: 'air', air_K: MIDDLE_AIR_K }, longestAir_s(request)),
    AIR.filmsAt_K,
    { step_s: AIR.step_s, layers: AIR.responseLayers, finest_m: AIR.responseFinest_m },
  );

/** A jet's own film depends on its temperature a little; unit runs take it in the middle of the range. */
const MIDDLE_AIR_K = (AIR.airRange_K[0] + AIR.airRange_K[1]) / 2;

/**
 * The best-fitting nozzle close by at each flow, drawn back and the next wider one at the greatest flow; each cold and
 * over each preheater, soaked until it settles and quickly under a hotter one.
 */
function arrangements(request: PhaseRequest, shielded: boolean): Arrangement[] {
  const { part } = request.site;
  // Joints that cannot be seen are not hurried: from below as well, wherever the bench can (common practice).
  const hidden = isSurface(part) && SURFACE_TRAITS[part.family].hidden && request.preheaters.length > 0;
  const warms = [
    ...(hidden ? [] : [null]),
    ...request.preheaters.flatMap((p) =>
      [...new Set([soakFor_s(request, p.kind), WARMTH.quick_s])].map((soak_s) => ({
        kind: p.kind,
        setpoint_K: p.setpointRange_K[1],
        soak_s,
      })),
    ),
  ];
  return request.stations.flatMap((station) => {
    const [fits, wider] = nozzlesFor(request, station);
    const flows = flowsOf(request, station);
    const { close, back } = AIR.standoffs_m;
    const most = flows.at(-1)!;
    const jets = [
      ...flows.map((flow_m3_s) => ({ nozzle: fits, flow_m3_s, standoff_m: close })),
      { nozzle: fits, flow_m3_s: most, standoff_m: back },
      ...(wider ? [{ nozzle: wider, flow_m3_s: most, standoff_m: close }] : []),
    ];
    const possible = jets.filter((jet) => outletMach({ ...jet, air_K: AIR.airRange_K[1] }) <= MOST_MACH);
    return possible.flatMap((jet) =>
      warms.map((preheat) => ({
        station,
        ...jet,
        // A body that is to live is not shocked: the region is warmed from farther off first.
        approach_s: bodyCounts(request.goal, request.phase) ? AIR.approach_s : 0,
        preheat,
        shielded,
      })),
    );
  });
}

/**
 * Arrangements beside one that does: half a step of flow either way, and every flow soaked midway between quick and
 * settled. Not longer soaked, for that is another kind of time.
 */
export function arrangementsBeside(request: PhaseRequest, setting: AirSetting): Arrangement[] {
  const { kind: _, air_K: __, preheat, ...jet } = setting;
  const heater = request.preheaters.find((p) => p.kind === preheat?.kind);
  const warm = preheat && heater ? { ...preheat, setpoint_K: heater.setpointRange_K[1] } : null;
  const between_s = warm ? 30 * Math.round((warm.soak_s + WARMTH.quick_s) / 60) : null;
  const midway =
    warm && between_s !== null && between_s < warm.soak_s
      ? flowsOf(request, setting.station).map((flow_m3_s) => ({
          ...jet,
          flow_m3_s,
          preheat: { ...warm, soak_s: between_s },
        }))
      : [];
  return [
    ...midway,
    ...flowsBeside(request, setting).map((flow_m3_s) => ({ ...jet, flow_m3_s, preheat: warm })),
  ].filter((jet) => outletMach({ ...jet, air_K: AIR.airRange_K[1] }) <= MOST_MACH);
}

/** Halfway, as factors go, to the flows that were tried below and above. */
function flowsBeside(request: PhaseRequest, { station, flow_m3_s }: AirSetting): number[] {
  const flows = flowsOf(request, station);
  const at = flows.indexOf(flow_m3_s);
  return [flows[at - 1], flows[at + 1]].flatMap((other) =>
    at < 0 || other === undefined ? [] : [Math.sqrt(other * flow_m3_s)],
  );
}

/** A usual soak's temperature, which its time constant is read at. */
const SOAKED_AT_K = 423.15;

/** How long a preheater is given before the air, by the board's own time constant, in steps of half a minute. */
function soakFor_s({ board }: PhaseRequest, kind: PreheaterId): number {
  const film_W_m2K = preheaterFilm_W_m2K(kind, SOAKED_AT_K, SOAKED_AT_K, 'down', characteristic_m(board));
  const constant_s = arealHeat_J_m2K(board) / (film_W_m2K + STILL_AIR.boardTop.value);
  const [least, most] = AIR.soakRange_s;
  return Math.min(most, Math.max(least, 30 * Math.round((AIR.soakConstants * constant_s) / 30)));
}

/** Nozzles of a station that cover the part, the narrowest first; where none does, its widest. */
export function nozzlesFor(request: PhaseRequest, station: AirStation): [Nozzle, Nozzle | null] {
  const [alongX, alongY] = needed_m(request);
  const area = (nozzle: Nozzle): number => 4 * halvesOf_m(nozzle)[0] * halvesOf_m(nozzle)[1];
  const sorted = [...station.nozzles].sort((a, b) => area(a) - area(b));
  const covering = sorted.filter((n) => halvesOf_m(n)[0] >= alongX && halvesOf_m(n)[1] >= alongY);
  return [covering[0] ?? sorted.at(-1)!, covering[1] ?? null];
}

/** Half of what has to be covered along the board's x and y; air spreads over the rim, so a little less will do. */
function needed_m(request: PhaseRequest): [number, number] {
  const [left, low, right, high] = groundOf(request);
  return [(right - left) / 2 - AIR.nozzleOverlap_m, (high - low) / 2 - AIR.nozzleOverlap_m];
}

function flowsOf(request: PhaseRequest, station: AirStation): number[] {
  const [least, most] = station.flowRange_m3_s;
  const light = isSurface(request.site.part) && mass_kg(request.site.part) < AIR.chipFrom_kg;
  const flows = Array.from({ length: AIR.flows }, (_, i) => {
    const flow = least * (most / least) ** (i / (AIR.flows - 1));
    return light ? Math.max(least, Math.min(flow, AIR.chipFlow_m3_s)) : flow;
  });
  return [...new Set(flows)];
}

/** What two settings stand at: the air's and the preheater's, null where the board is cold. */
export interface TemperaturePair {
  readonly air_K: number;
  readonly preheat_K: number | null;
}

/** Round figures, and both ends of what the station has: one that stands at a single temperature has that one. */
function pairsFor(request: PhaseRequest, arrangement: Arrangement): TemperaturePair[] {
  const [low, high] = arrangement.station.airRange_K;
  // A joint that melts early is not blown at as hot as tin asks: from so far over its own melt.
  const usual_K: number = AIR.airRange_K[0];
  const early_K = Math.max(0, usual_K - ALLOYS[request.site.alloy].liquidus.value - AIR.overMelt_K);
  const least_K = usual_K - AIR.airStep_K * Math.floor(early_K / AIR.airStep_K);
  const [from_K, to_K] = [Math.max(low, least_K), Math.min(high, AIR.airRange_K[1])];
  const round_K: number[] = [];
  for (let air_K = least_K; air_K <= to_K + 1e-6; air_K += AIR.airStep_K)
    if (air_K >= from_K - 1e-6) round_K.push(air_K);
  const airs = [...new Set([from_K, ...round_K, to_K])].filter((air_K) => air_K >= from_K && air_K <= to_K);
  const heater = request.preheaters.find((p) => p.kind === arrangement.preheat?.kind);
  const preheats: (number | null)[] =
    arrangement.preheat && heater ? warmSets_K(request, arrangement.preheat, heater.setpointRange_K) : [null];
  return airs.flatMap((air_K) => preheats.map((preheat_K) => ({ air_K, preheat_K })));
}
