import { isSurface } from '../packages/form';
import { boardTemperature_K } from '../thermal/preheat';
import type { SolidTip } from '../thermal/joint/scenario';
import { usualPreheat, type Preheater } from './bench';
import type { Binding, Candidate } from './candidate';
import { keepsPart } from './goals';
import { searchAir } from './heat/airSearch';
import { searchByHand } from './heat/handSearch';
import type { Method, MethodId } from './methods/method';
import { methodOf, methodsFor } from './methods';
import type { Working } from './pieces/piece';
import type { PhaseRequest, Setting } from './request';
import { nearestMiss, preference } from './search';
import type { Preheat } from '../thermal/preheat';

export type RemedyKind =
  'preheat' | 'wider-tip' | 'low-melt' | 'give-up-the-part' | 'shield' | 'fresh-solder' | 'hot-air';

/** A change that was solved again: what it is, and what it brings. */
export interface Remedy {
  readonly kind: RemedyKind;
  readonly method: MethodId;
  readonly works: boolean;
  /** Whether the bench has what it asks for. */
  readonly onBench: boolean;
  /** The best setting under that change. */
  readonly setting: Setting;
  readonly time_s: number | null;
  readonly damage: number;
  readonly binding: Binding | null;
  /** Board temperature at touch-down, K, for preheat. */
  readonly board_K: number;
}

/** A tip wider than any on the bench, to say whether buying or borrowing one would do. */
const WIDE_TIP: SolidTip = { shape: 'bevel', width_m: 5e-3, construction: 'cartridge' };

/** A warm-air preheater as benches have them, to say whether getting one would do. */
const BORROWED: Preheater = {
  id: 'borrowed',
  name: 'Warm-air preheater',
  kind: 'convective',
  setpointRange_K: [333.15, 473.15],
};

interface Trial {
  readonly kind: RemedyKind;
  readonly method: Method;
  readonly request: PhaseRequest;
  readonly preheat: Preheat | null;
  readonly onBench: boolean;
  readonly shielded?: boolean;
}

/** Solves the job again under each change that could free it; none is offered unsolved. */
export function* findRemedies(request: PhaseRequest, method: Method, binding: Binding): Working<Remedy[]> {
  const remedies: Remedy[] = [];
  for (const trial of trialsFor(request, method, binding)) {
    const candidates = yield* solved(trial);
    if (candidates.length === 0) continue;
    const best = preference(candidates)[0];
    const shown = best ?? nearestMiss(candidates);
    remedies.push({
      kind: trial.kind,
      method: trial.method.id,
      works: best !== undefined,
      onBench: trial.onBench,
      setting: shown.setting,
      time_s: shown.time_s,
      damage: shown.damage,
      binding: shown.binding,
      board_K: boardTemperature_K(request.board, shown.setting.preheat, request.ambient_K),
    });
  }
  return remedies.sort((a, b) => Number(b.works) - Number(a.works) || Number(b.onBench) - Number(a.onBench));
}

function* solved(trial: Trial): Working<Candidate[]> {
  const { heat } = trial.method;
  return heat.kind === 'air'
    ? yield* searchAir(trial.request, { shielded: trial.shielded ?? false })
    : yield* searchByHand(trial.request, heat, trial.preheat);
}

function trialsFor(request: PhaseRequest, method: Method, binding: Binding): Trial[] {
  const trials: Trial[] = [];
  const { heat } = method;
  if (heat.kind === 'hand' && binding.limit !== 'method') {
    // A preheater that is there was part of the search already.
    if (request.preheaters.length === 0) {
      trials.push({ kind: 'preheat', method, request, preheat: usualPreheat(BORROWED), onBench: false });
    }
    const widest_m = Math.max(0, ...request.irons.flatMap((iron) => iron.tips.map((tip) => tip.width_m)));
    if (
      method.id !== 'gun' &&
      method.id !== 'tweezers' &&
      request.irons.length > 0 &&
      widest_m < WIDE_TIP.width_m
    ) {
      const irons = request.irons.map((iron) => ({ ...iron, tips: [WIDE_TIP] }));
      trials.push({
        kind: 'wider-tip',
        method,
        request: { ...request, irons },
        preheat: null,
        onBench: false,
      });
    }
    if (!heat.freshSolder) {
      const wetted = { ...method, heat: { ...heat, freshSolder: true } };
      trials.push({ kind: 'fresh-solder', method: wetted, request, preheat: null, onBench: true });
    }
  }
  if (heat.kind === 'air' && binding.limit === 'neighbour') {
    trials.push({
      kind: 'shield',
      method,
      request,
      preheat: null,
      shielded: true,
      onBench: request.supplies.length === 0 || request.supplies.some((s) => s.kind === 'foil'),
    });
  }
  if (request.phase === 'remove') {
    const flood = methodOf('low-melt-flood');
    const hasAlloy = request.supplies.some((s) => s.kind === 'low-melt');
    if (method.id !== flood.id && flood.suits(request) && request.irons.length > 0) {
      trials.push({ kind: 'low-melt', method: flood, request, preheat: null, onBench: hasAlloy });
    }
    trials.push(...cuts(request));
  }
  if (heat.kind === 'hand' && isSurface(request.site.part) && request.stations.length > 0) {
    trials.push({ kind: 'hot-air', method: methodOf('hot-air'), request, preheat: null, onBench: true });
  }
  return trials;
}

/** Giving the part up: cold first, then over each preheater. */
function cuts(request: PhaseRequest): Trial[] {
  if (!keepsPart(request.goal)) return [];
  const given: PhaseRequest = { ...request, goal: 'remove-sacrifice-part' };
  const cut = methodsFor(given).find(
    (m) => m.survival === 0 && m.rules(given).every((rule) => !rule.forbids),
  );
  if (!cut) return [];
  const warm = request.preheaters[0];
  return [
    { kind: 'give-up-the-part', method: cut, request: given, preheat: null, onBench: true },
    ...(warm
      ? [
          {
            kind: 'give-up-the-part' as const,
            method: cut,
            request: given,
            preheat: usualPreheat(warm),
            onBench: true,
          },
        ]
      : []),
  ];
}
