import { airSettingOf, handSettingOf, type Candidate } from '../candidate';
import { proveAirSetting } from '../air/airBand';
import { searchAir } from '../air/airSearch';
import { bandsByHand, Screen } from '../hand/handBands';
import { isSure } from '../hand/bands';
import { searchWarmToo } from '../hand/handSearch';
import { tryOut, type HandHeat } from '../hand/handTrial';
import { strainSteps } from '../limits/frontier';
import { methodOf } from '../ways';
import { padNamesOf } from '~/core/packages/form';
import type { HalfGiven } from '../halfGiven';
import type { AirSetting, HandSetting, PhaseRequest } from '../request';
import { ask, silently, type Working } from './pieces/piece';
import { paceOf } from '../pace';
import { minutesFor } from './rank';

/** One half of a job at the setting it was done with, and at the gentlest sure one of the same way; both at nominal values. */
export interface GentlerHalf {
  readonly done: Candidate;
  /** Null: no setting of that way on that bench spends noticeably less and is sure. */
  readonly gentlest: Candidate | null;
  /** How much longer it would have taken, min. */
  readonly longer_min: number;
}

/** So many gentler settings are drawn, from the gentlest up, until one is sure: farther up little is saved. */
const MOST_DRAWN = 4;

/** Solves what was done once more, for what its own way would have cost at its gentlest. */
export function* gentlerHalf({ request, method: id, setting }: HalfGiven): Working<GentlerHalf> {
  const method = methodOf(id);
  const { heat } = method;
  const found = yield* silently(
    heat.kind === 'air'
      ? byAir(request, airSettingOf({ setting }))
      : byHand(request, heat, handSettingOf({ setting })),
  );
  const pads = padNamesOf(request.site.part).length;
  const { ratio } = paceOf(request.pace, id);
  const minutes = (candidate: Candidate): number => minutesFor(method, candidate, pads, ratio);
  return { ...found, longer_min: found.gentlest ? minutes(found.gentlest) - minutes(found.done) : 0 };
}

type Found = Omit<GentlerHalf, 'longer_min'>;

function* byHand(request: PhaseRequest, heat: HandHeat, setting: HandSetting): Working<Found> {
  const done = tryOut(request, heat, setting);
  const able = (yield* searchWarmToo(request, heat)).filter(({ atWorst }) => atWorst?.inTime === true);
  const screen = new Screen();
  for (const candidate of gentlerThan(done, able)) {
    const bands = yield* bandsByHand(request, heat, handSettingOf(candidate), screen);
    if (bands?.every(isSure)) return { done, gentlest: candidate };
  }
  return { done, gentlest: null };
}

function* byAir(request: PhaseRequest, setting: AirSetting): Working<Found> {
  const done = (yield* ask(request, [{ kind: 'air-run', setting }]))[0]!;
  for (const candidate of gentlerThan(done, yield* searchAir(request))) {
    const { verified, bands } = yield* proveAirSetting(request, airSettingOf(candidate), {
      onlyFeasible: true,
    });
    // Superposition foretells the order of harm and not its size.
    if (bands?.every(isSure) && strainSteps(verified) < strainSteps(done))
      return { done, gentlest: verified };
  }
  return { done, gentlest: null };
}

/** Those that spend noticeably less and that no more of the trade's habits speak against, the gentlest first. */
const gentlerThan = (done: Candidate, candidates: readonly Candidate[]): Candidate[] =>
  candidates
    .filter(
      (c) =>
        c.feasible &&
        strainSteps(c) < strainSteps(done) &&
        (c.against?.length ?? 0) <= (done.against?.length ?? 0),
    )
    .sort((a, b) => a.damage - b.damage)
    .slice(0, MOST_DRAWN);
