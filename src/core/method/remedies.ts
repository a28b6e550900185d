import { boardTemperature_K } from '../thermal/preheat';
import type { Progress } from './progress';
import type { PlanRequest, Setting } from './request';
import { nearestMiss, preference, settingsOnBench, tryOut, type Binding, type Candidate } from './search';

export type RemedyKind = 'preheat' | 'wider-tip' | 'give-up-the-part';

/** A change that was solved again: what it is, and what it brings. */
export interface Remedy {
  readonly kind: RemedyKind;
  readonly works: boolean;
  /** The best setting under that change. */
  readonly setting: Setting;
  readonly time_s: number | null;
  readonly damage: number;
  readonly binding: Binding | null;
  /** Board temperature at touch-down, K, for preheat. */
  readonly board_K: number;
}

/** A tip wider than any on the bench, to say whether buying or borrowing one would do. */
const WIDE_TIP = { shape: 'bevel', width_m: 5e-3, construction: 'cartridge' } as const;

/** Solves the job again under each change that could free it; none is offered unsolved. */
export function* findRemedies(
  request: PlanRequest,
  binding: Binding,
  liquidus_K: number,
): Generator<Progress, Remedy[]> {
  const trials: { kind: RemedyKind; request: PlanRequest; settings: Setting[] }[] = request.preheaters.map(
    (preheat) => ({ kind: 'preheat' as const, request, settings: settingsOnBench(request, preheat) }),
  );
  const widest_m = Math.max(...request.irons.flatMap((iron) => iron.tips.map((tip) => tip.width_m)));
  if (widest_m < WIDE_TIP.width_m) {
    const irons = request.irons.map((iron) => ({ ...iron, tips: [WIDE_TIP] }));
    trials.push({ kind: 'wider-tip', request, settings: settingsOnBench({ ...request, irons }, null) });
  }
  if (binding.limit === 'part limit' || binding.limit === 'method') {
    const given = { ...request, goal: 'remove-sacrifice-part' as const };
    trials.push({ kind: 'give-up-the-part', request: given, settings: settingsOnBench(given, null) });
  }

  const remedies: Remedy[] = [];
  for (const trial of trials) {
    const candidates: Candidate[] = [];
    for (const setting of trial.settings) {
      candidates.push(tryOut(trial.request, setting, liquidus_K));
      yield { stage: 'search', done: candidates.length, of: trial.settings.length };
    }
    const best = preference(candidates)[0];
    const shown = best ?? nearestMiss(candidates);
    remedies.push({
      kind: trial.kind,
      works: best !== undefined,
      setting: shown.setting,
      time_s: shown.time_s,
      damage: shown.damage,
      binding: shown.binding,
      board_K: boardTemperature_K(request.board, shown.setting.preheat, request.ambient_K),
    });
  }
  return remedies;
}
