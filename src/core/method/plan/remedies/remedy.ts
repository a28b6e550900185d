import { boardTemperature_K } from '~/core/thermal/preheat';
import type { Binding, Candidate } from '../../candidate';
import { searchAir } from '../../air/airSearch';
import { searchByHand } from '../../hand/handSearch';
import type { MethodId } from '../../ways/method';
import { sureByAir } from '../phases/byAir';
import { sureByHand } from '../phases/byHand';
import { silently, type Working } from '../pieces/piece';
import type { PhaseRequest, Setting } from '../../request';
import { missOf, nearestMiss, preference } from '../../limits/frontier';
import type { Trial } from './trial';
import { combinedTrials, singleTrials } from './trials';
import type { RemedyKind, Stuck } from './stuck';

/** A change that was solved again: what it is, and what it brings. */
export interface Remedy {
  readonly kind: RemedyKind;
  readonly method: MethodId;
  /** Whether a setting stayed sure when it was drawn, as a plan's does. */
  readonly works: boolean;
  /** Whether the bench has what it asks for. */
  readonly onBench: boolean;
  /** The best setting under that change. */
  readonly setting: Setting;
  readonly time_s: number | null;
  readonly damage: number;
  readonly binding: Binding | null;
  /** The neighbour that is taken off first, or along; null where all stay. */
  readonly freed: string | null;
  /** Board temperature at touch-down, K, for preheat. */
  readonly board_K: number;
}

/**
 * Solves the job again under each change that could free it; none is offered unsolved. Changes are put together only
 * where no single one will do with what the bench has.
 */
export function* findRemedies(request: PhaseRequest, stuck: Stuck): Working<Remedy[]> {
  const single = singleTrials(request, stuck);
  const remedies = yield* solvedAgain(request, single, { done: 0, of: single.length });
  if (!remedies.some((r) => r.works && r.onBench)) {
    const combined = combinedTrials(request, stuck);
    const counted = { done: single.length, of: single.length + combined.length };
    remedies.push(...(yield* solvedAgain(request, combined, counted)));
  }
  return bestOfKinds(remedies).sort(
    (a, b) => Number(b.works) - Number(a.works) || Number(b.onBench) - Number(a.onBench),
  );
}

/** One of each kind: what works before what comes nearest. */
function bestOfKinds(remedies: readonly Remedy[]): Remedy[] {
  const kinds = [...new Set(remedies.map((r) => r.kind))];
  return kinds.map((kind) => {
    const same = remedies.filter((r) => r.kind === kind);
    const working = same.filter((r) => r.works);
    return (working.length > 0 ? working : same).reduce((a, b) =>
      working.length > 0 ? (b.damage < a.damage ? b : a) : nearerMiss(a, b),
    );
  });
}

const nearerMiss = (a: Remedy, b: Remedy): Remedy => (missOf(b) < missOf(a) ? b : a);

function* solvedAgain(
  request: PhaseRequest,
  trials: readonly Trial[],
  { done, of }: { readonly done: number; readonly of: number },
): Working<Remedy[]> {
  const remedies: Remedy[] = [];
  for (const [i, trial] of trials.entries()) {
    yield { stage: 'remedies', done: done + i, of };
    const candidates = yield* silently(solved(trial));
    if (candidates.length === 0) continue;
    const sure = yield* silently(surest(trial, candidates));
    const shown = sure ?? preference(candidates)[0] ?? nearestMiss(candidates);
    remedies.push({
      kind: trial.kind,
      method: trial.method.id,
      works: sure !== null,
      onBench: trial.onBench,
      setting: shown.setting,
      time_s: shown.time_s,
      damage: shown.damage,
      binding: shown.binding,
      freed: trial.freed ?? null,
      board_K: boardTemperature_K(request.board, shown.setting.preheat, request.ambient_K),
    });
  }
  return remedies;
}

function* solved({ request, method, preheat, shielded = false }: Trial): Working<Candidate[]> {
  return method.heat.kind === 'air'
    ? yield* searchAir(request, { shielded })
    : yield* searchByHand(request, method.heat, preheat);
}

/** The preferred candidate that stays sure when it is drawn; null where none does. */
function* surest({ request, method }: Trial, candidates: readonly Candidate[]): Working<Candidate | null> {
  return method.heat.kind === 'air'
    ? ((yield* sureByAir(request, candidates))?.candidate ?? null)
    : ((yield* sureByHand(request, method.heat, candidates))?.candidate ?? null);
}
