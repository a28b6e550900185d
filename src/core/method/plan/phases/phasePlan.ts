import { socketFor } from '~/core/packages/socket';
import type { Candidate } from '../../candidate';
import type { Phase } from '../../goals';
import type { NeighbourHeat } from '../../limits/neighbours';
import type { PinBand } from '../../hand/bands';
import type { CoolDown } from '../../air/wayDown';
import type { KeepOut } from '../../limits/keepOut';
import type { SharedHeat } from '../../air/oneHeat';
import type { Consumption } from '../../consumption';
import type { Method } from '../../ways/method';
import type { Ranked } from '../rank';
import type { PhaseRequest, PlanRequest } from '../../request';

/** One phase solved: what is done, with what, and what it costs. */
export interface PhasePlan {
  readonly phase: Phase;
  readonly request: PhaseRequest;
  readonly method: Method;
  readonly chosen: Candidate;
  readonly bands: readonly PinBand[];
  readonly frontier: readonly Candidate[];
  readonly neighbours: readonly NeighbourHeat[];
  readonly methods: readonly Ranked[];
  readonly materials: Consumption;
  readonly coolDown: CoolDown | null;
  readonly coolDown_s: number | null;
  /** How far a lithium cell has to stay away; null where none is on the board. */
  readonly keepOut: KeepOut | null;
  /** What the parts that come off together save; null where one comes off alone. */
  readonly shared: SharedHeat | null;
}

/** A setting that stayed sure when it was drawn, and its bands. */
export interface Sure {
  readonly candidate: Candidate;
  readonly bands: readonly PinBand[];
}

/** What a phase is asked on: what the phases before it spent, and a socket in the part's place where one is fitted. */
export function phaseRequest(
  request: PlanRequest,
  phase: Phase,
  before: readonly Pick<PhasePlan, 'bands'>[],
): PhaseRequest {
  const padDose: Record<string, number> = { ...request.history.padDose };
  let { laminateDose } = request.history;
  for (const { bands } of before) {
    for (const band of bands) {
      for (const pad of band.pads) padDose[pad] = (padDose[pad] ?? 0) + band.padDose.p50;
    }
    laminateDose += Math.max(...bands.map((band) => band.laminateDose.p50));
  }
  const { site } = request;
  const socket = request.goal === 'fit-socket' ? socketFor(site.part) : null;
  return {
    ...request,
    phase,
    site: socket ? { ...site, part: socket } : site,
    // One at a time goes back on what came off together.
    neighbours:
      phase === 'fit' ? request.neighbours.map((n) => ({ ...n, comesToo: false })) : request.neighbours,
    history: { padDose, laminateDose, partCycles: request.history.partCycles + before.length },
  };
}
