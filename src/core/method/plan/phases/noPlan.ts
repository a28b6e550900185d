import type { Binding, Candidate } from '../../candidate';
import { cautionsFor, type CautionId } from '../../cautions';
import type { Phase } from '../../goals';
import { methodOf } from '../../ways';
import type { MethodId } from '../../ways/method';
import type { Working } from '../pieces/piece';
import { withUnproven, type Ranked } from '../rank';
import { findRemedies, type Remedy } from '../remedies/remedy';
import type { PhaseRequest } from '../../request';
import type { FoundPlan } from './foundPlan';
import { nearestMiss } from '../../limits/frontier';

export interface NoPlan {
  readonly outcome: 'no-feasible-setting';
  readonly phase: Phase;
  readonly method: MethodId;
  /** The setting that came nearest; null where no tool on the bench could even be asked. */
  readonly nearest: Candidate | null;
  readonly binding: Binding;
  readonly remedies: readonly Remedy[];
  readonly methods: readonly Ranked[];
  readonly cautions: readonly CautionId[];
  /** What can be done of the job all the same: the removal, where only the fit has no setting. */
  readonly before: FoundPlan | null;
}

/** Nothing will do: what came nearest, what stopped it, and what would free it. */
export function* infeasible(request: PhaseRequest, ranked: readonly Ranked[]): Working<NoPlan> {
  const cautions = cautionsFor(request);
  const open = ranked.filter((one) => one.allowed && one.candidates.length > 0);
  const misses = open.map((one) => ({ one, miss: nearestMiss(one.candidates) }));
  const nearest = misses.length ? misses.reduce((a, b) => (nearer(b.miss, a.miss) ? b : a)) : null;
  const method = nearest?.one.method ?? ranked[0]?.method ?? methodOf('joint-by-joint');
  const binding = nearest
    ? (nearest.miss.binding ?? unsureBinding(nearest.miss))
    : ({ pad: '', limit: 'method', short_s: null, shortOfLiquidus_K: null, lastToMelt: '' } as const);
  const remedies = yield* findRemedies(request, { method, binding, nearest: nearest?.miss ?? null });
  return {
    outcome: 'no-feasible-setting',
    phase: request.phase,
    method: method.id,
    nearest: nearest?.miss ?? null,
    binding,
    remedies,
    methods: withUnproven(ranked, new Set(ranked.filter((one) => one.feasible))),
    cautions,
    before: null,
  };
}

/** Strictly: of two alike the first in rank stays. */
const nearer = (a: Candidate, b: Candidate): boolean => a !== b && nearestMiss([b, a]) === a;

/** Feasible at nominal values but not surely so: say which pin has the least room. */
function unsureBinding(candidate: Candidate): Binding {
  const room = (pin: Candidate['pins'][number]): number => pin.stop_s - (pin.off_s ?? Infinity);
  const tightest = candidate.pins.reduce((a, b) => (room(b) < room(a) ? b : a));
  return {
    pad: tightest.pad,
    limit: tightest.because,
    short_s: 0,
    shortOfLiquidus_K: null,
    lastToMelt: tightest.lastToMelt,
  };
}
