import { cubicMetresPerSecond } from '~/core/quantity/convert';
import { isSurface } from '~/core/packages/form';
import type { SolidTip } from '~/core/thermal/joint/scenario';
import type { Preheat } from '~/core/thermal/preheat';
import { usualPreheat, type AirStation, type Preheater } from '../../bench';
import { keepsPart } from '../../goals';
import type { HandHeat } from '../../hand/handTrial';
import { methodOf, methodsFor } from '../../ways';
import type { Method } from '../../ways/method';
import type { PhaseRequest } from '../../request';
import { REMEDY } from '../../settings';
import type { RemedyKind, Stuck } from './stuck';

/** A changed job, to be solved again. */
export interface Trial {
  readonly kind: RemedyKind;
  readonly method: Method;
  readonly request: PhaseRequest;
  readonly preheat: Preheat | null;
  readonly onBench: boolean;
  readonly shielded?: boolean;
}

/** What benches have that lack it here, to say whether getting one would do. */
const BORROWED_TIP: SolidTip = { shape: 'bevel', width_m: 5e-3, construction: 'cartridge' };
const BORROWED_PREHEATER: Preheater = {
  id: 'borrowed',
  name: 'Warm-air preheater',
  kind: 'convective',
  setpointRange_K: [333.15, 473.15],
};
const BORROWED_STATION: AirStation = {
  id: 'borrowed',
  name: 'Hot-air station',
  airRange_K: [373.15, 753.15],
  flowRange_m3_s: [cubicMetresPerSecond(10), cubicMetresPerSecond(120)],
  nozzles: [5, 8, 12].map((diameter_mm) => ({ shape: 'round', diameter_m: diameter_mm / 1e3 })),
};

/** One change each. */
export function singleTrials(request: PhaseRequest, stuck: Stuck): Trial[] {
  const { method, binding } = stuck;
  const { heat } = method;
  const trials: Trial[] = [];
  if (heat.kind === 'hand' && binding.limit !== 'method') {
    const warm = warmth(request, stuck);
    trials.push(...preheats(request, method));
    trials.push(
      ...wider(request, method, heat).map((t): Trial => ({ ...t, kind: 'wider-tip', preheat: warm })),
    );
    if (!heat.freshSolder) {
      const wetted = { ...method, heat: { ...heat, freshSolder: true } };
      trials.push({ kind: 'fresh-solder', method: wetted, request, preheat: warm, onBench: true });
    }
  }
  if (heat.kind === 'air' && binding.limit === 'neighbour') {
    const onBench = request.supplies.length === 0 || request.supplies.some((s) => s.kind === 'foil');
    trials.push({ kind: 'shield', method, request, preheat: null, shielded: true, onBench });
  }
  if (request.phase === 'remove') {
    const flood = methodOf('low-melt-flood');
    const onBench = request.supplies.some((s) => s.kind === 'low-melt');
    // Where the alloy is in stock it was compared already.
    if (!onBench && flood.suits(request) && request.irons.length > 0) {
      trials.push({ kind: 'low-melt', method: flood, request, preheat: warmth(request, stuck), onBench });
    }
    trials.push(...cuts(request, [null, ...request.preheaters.map(usualPreheat)]));
  }
  if (heat.kind === 'hand' && isSurface(request.site.part) && request.stations.length === 0) {
    const equipped = { ...request, stations: [BORROWED_STATION] };
    trials.push({
      kind: 'hot-air',
      method: methodOf('hot-air'),
      request: equipped,
      preheat: null,
      onBench: false,
    });
  }
  return trials;
}

/** Two changes at once: a board warmed more, under a wider tip or under pins that are cut. */
export function combinedTrials(request: PhaseRequest, { method, binding }: Stuck): Trial[] {
  const { heat } = method;
  if (heat.kind !== 'hand' || binding.limit === 'method') return [];
  const hottest = heatersFor(request).flatMap(({ heater, onBench }) =>
    hotter(heater)
      .slice(-1)
      .map((preheat) => ({ preheat, onBench })),
  );
  return hottest.flatMap(({ preheat, onBench }): Trial[] => [
    ...wider(request, method, heat).map((t): Trial => ({ ...t, kind: 'wider-tip-and-preheat', preheat })),
    ...(request.phase === 'remove' ? cuts(request, [preheat]).map((t) => ({ ...t, onBench })) : []),
  ]);
}

/** A borrowed preheater where the bench has none: its own were tried, as warm as a board stands, before any of this. */
const preheats = (request: PhaseRequest, method: Method): Trial[] =>
  request.preheaters.length > 0
    ? []
    : [usualPreheat(BORROWED_PREHEATER), ...hotter(BORROWED_PREHEATER)].map((preheat): Trial => ({
        kind: 'preheat',
        method,
        request,
        preheat,
        onBench: false,
      }));

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
