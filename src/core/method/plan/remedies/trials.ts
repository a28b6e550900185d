import { boardTemperature_K, type Preheat } from '~/core/thermal/preheat';
import { usualPreheat, type Preheater, type Supply } from '../../bench';
import { keepsPart } from '../../goals';
import type { HandHeat } from '../../hand/handTrial';
import { asWarmAsItStands } from '../../hand/warmths';
import { methodOf, methodsFor } from '../../ways';
import { leadedWireOf, lowMeltOf, USUAL_WIRE_m } from '../../solders';
import type { Method } from '../../ways/method';
import { matesOf, type PhaseRequest } from '../../request';
import { REMEDY } from '../../settings';
import { BORROWED_PREHEATER, BORROWED_TIP } from './borrowed';
import { borrowedTools } from './borrowedTools';
import type { Stuck } from './stuck';
import type { Trial } from './trial';

/** One change each, none against a rule of the way it is solved in. */
export const singleTrials = (request: PhaseRequest, stuck: Stuck): Trial[] =>
  [
    ...changesByHand(request, stuck),
    ...aboutNeighbours(request, stuck),
    ...otherSolders(request, stuck),
    ...(request.phase === 'remove' ? cuts(request, [null, ...request.preheaters.map(usualPreheat)]) : []),
    ...oneAtATime(request, warmth(request, stuck)),
    ...borrowedTools(request, warmth(request, stuck)),
  ].filter(isAllowed);

/** Two changes at once: a board warmed more, under a wider tip or under pins that are cut. */
export function combinedTrials(request: PhaseRequest, { method, binding }: Stuck): Trial[] {
  const { heat } = method;
  if (heat.kind !== 'hand' || binding.limit === 'method') return [];
  const hottest = heatersFor(request).flatMap(({ heater, onBench }) =>
    hotter(heater)
      .slice(-1)
      .map((preheat) => ({ preheat, onBench })),
  );
  return hottest
    .flatMap(({ preheat, onBench }): Trial[] => [
      ...wider(request, method, heat).map((t): Trial => ({ ...t, kind: 'wider-tip-and-preheat', preheat })),
      ...(request.phase === 'remove' ? cuts(request, [preheat]).map((t) => ({ ...t, onBench })) : []),
    ])
    .filter(isAllowed);
}

/** A tool in the hand frees one part, and no trial goes against what its method forbids. */
const isAllowed = ({ method, request }: Trial): boolean =>
  (method.heat.kind === 'air' || matesOf(request).length === 1) &&
  method.rules(request).every((rule) => !rule.forbids);

/** The way that came nearest, with more warmth, a wider tip, or fresh solder. */
function changesByHand(request: PhaseRequest, stuck: Stuck): Trial[] {
  const { method, binding } = stuck;
  const { heat } = method;
  if (heat.kind !== 'hand' || binding.limit === 'method') return [];
  const warm = warmth(request, stuck);
  const trials: Trial[] = [
    ...preheats(request, method),
    ...wider(request, method, heat).map((t): Trial => ({ ...t, kind: 'wider-tip', preheat: warm })),
  ];
  if (!heat.freshSolder) {
    const wetted = { ...method, heat: { ...heat, freshSolder: true } };
    trials.push({ kind: 'fresh-solder', method: wetted, request, preheat: warm, onBench: true });
  }
  return trials;
}

/** Where a neighbour is in the way: foil over it under air, off in the same heat, or off first and back on after. */
function aboutNeighbours(request: PhaseRequest, stuck: Stuck): Trial[] {
  const { method, binding } = stuck;
  if (binding.limit !== 'neighbour') return [];
  const air = method.heat.kind === 'air';
  const common = { method, preheat: air ? null : warmth(request, stuck) };
  const trials: Trial[] = [];
  if (air) {
    const onBench = request.supplies.length === 0 || request.supplies.some((s) => s.kind === 'foil');
    trials.push({ ...common, kind: 'shield', request, shielded: true, onBench });
  }
  const freed = binding.neighbour?.ref;
  if (freed !== undefined) {
    const off = { ...request, neighbours: request.neighbours.filter((n) => n.ref !== freed) };
    trials.push({ ...common, kind: 'neighbour-off', request: off, onBench: true, freed });
    const along = request.neighbours.map((n) => (n.ref === freed && n.part ? { ...n, comesToo: true } : n));
    if (air && request.phase === 'remove' && along.some((n) => n.ref === freed && n.comesToo)) {
      const shared = { ...request, neighbours: along };
      trials.push({ ...common, kind: 'shared-heat', request: shared, onBench: true, freed });
    }
  }
  return trials;
}

/** Alloys that would lower the melting; where one is in stock it was compared already. */
function otherSolders(request: PhaseRequest, stuck: Stuck): Trial[] {
  if (request.phase !== 'remove') return [];
  const lowMelt: Supply = {
    kind: 'low-melt',
    id: 'borrowed',
    name: 'Low-melt alloy',
    alloy: lowMeltOf(request),
    left_kg: null,
  };
  const leaded: Supply = {
    kind: 'wire',
    id: 'borrowed',
    name: 'Tin–lead wire',
    alloy: 'sn60pb40',
    diameter_m: USUAL_WIRE_m,
    left_m: null,
  };
  const preheat = warmth(request, stuck);
  const fetched = (kind: 'low-melt' | 'leaded', method: Method, supply: Supply): Trial => ({
    kind,
    method,
    request: { ...request, supplies: [...request.supplies, supply] },
    preheat,
    onBench: false,
  });
  const trials: Trial[] = [];
  const [low, lead] = [methodOf('low-melt-flood'), methodOf('leaded-flood')];
  if (low.suits(request) && !request.supplies.some((s) => s.kind === 'low-melt'))
    trials.push(fetched('low-melt', low, lowMelt));
  if (lead.suits(request) && !leadedWireOf(request)) trials.push(fetched('leaded', lead, leaded));
  return trials;
}

/** Parts that were to share a heat, each in its own, by the first way that may be used. */
function oneAtATime(request: PhaseRequest, preheat: Preheat | null): Trial[] {
  if (matesOf(request).length === 1) return [];
  const apart = { ...request, neighbours: request.neighbours.map((n) => ({ ...n, comesToo: false })) };
  const open = methodsFor(apart).filter((m) => m.rules(apart).every((rule) => !rule.forbids));
  const ways = [
    open.find((m) => m.heat.kind === 'hand' && m.survival > 0),
    open.find((m) => m.heat.kind === 'air'),
  ];
  return ways.flatMap((method) =>
    method ? [{ kind: 'one-at-a-time', method, request: apart, preheat, onBench: true } as const] : [],
  );
}

/**
 * A borrowed preheater where the bench has none that brings the board as far: its own were tried, as warm as a board
 * stands, before any of this.
 */
function preheats(request: PhaseRequest, method: Method): Trial[] {
  const warm_K = (preheat: Preheat): number => boardTemperature_K(request.board, preheat, request.ambient_K);
  // How far a heater comes is its own, whatever the part on the board would stand.
  const given: PhaseRequest = { ...request, phase: 'remove', goal: 'remove-sacrifice-part' };
  const warmest_K = (heater: Preheater): number =>
    Math.max(warm_K(usualPreheat(heater)), warm_K(asWarmAsItStands(given, heater) ?? usualPreheat(heater)));
  const own_K = Math.max(request.ambient_K, ...request.preheaters.map(warmest_K));
  return [usualPreheat(BORROWED_PREHEATER), ...hotter(BORROWED_PREHEATER)]
    .filter((preheat) => warm_K(preheat) > own_K + REMEDY.warmer_K)
    .map((preheat) => ({ kind: 'preheat', method, request, preheat, onBench: false }));
}

const heatersFor = ({ preheaters }: PhaseRequest) =>
  preheaters.length > 0
    ? preheaters.map((heater) => ({ heater, onBench: true }))
    : [{ heater: BORROWED_PREHEATER, onBench: false }];

const hotter = (heater: Preheater): Preheat[] =>
  REMEDY.preheats
    .filter(({ setpoint_K }) => setpoint_K <= heater.setpointRange_K[1] + 1e-9)
    .map(({ setpoint_K, soak_s }) => ({ kind: heater.kind, setpoint_K, soak_s }));

/** As warm as the search was where it came nearest; else as the bench usually warms. */
const warmth = (request: PhaseRequest, { nearest }: Stuck): Preheat | null =>
  nearest?.setting.preheat ?? (request.preheaters[0] ? usualPreheat(request.preheaters[0]) : null);

/** The same irons with a tip wider than any they have. */
function wider(
  request: PhaseRequest,
  method: Method,
  heat: HandHeat,
): Pick<Trial, 'method' | 'request' | 'onBench'>[] {
  const tools = heat.toolsOf(request);
  const irons = tools.filter((tool) => request.irons.some((iron) => iron.id === tool.id));
  const widest_m = Math.max(0, ...irons.flatMap((iron) => iron.tips.map((tip) => tip.width_m)));
  if (irons.length === 0 || irons.length < tools.length || widest_m >= BORROWED_TIP.width_m) return [];
  const retipped = request.irons.map((iron) => ({ ...iron, tips: [BORROWED_TIP] }));
  return [{ method, request: { ...request, irons: retipped }, onBench: false }];
}

/** Giving the part up, over each of these warmths. */
function cuts(request: PhaseRequest, preheats: readonly (Preheat | null)[]): Trial[] {
  if (!keepsPart(request.goal)) return [];
  const given: PhaseRequest = { ...request, goal: 'remove-sacrifice-part' };
  const cut = methodsFor(given).find(
    (m) => m.survival === 0 && m.rules(given).every((rule) => !rule.forbids),
  );
  if (!cut) return [];
  return preheats.map((preheat) => ({
    kind: 'give-up-the-part',
    method: cut,
    request: given,
    preheat,
    onBench: true,
  }));
}
