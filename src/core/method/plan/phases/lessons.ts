import { padNamesOf } from '~/core/packages/form';
import { airSettingOf, type Candidate } from '../../candidate';
import { airLimits } from '../../air/airJudge';
import { isSure, type PinBand } from '../../hand/bands';
import { judgeNeighbour, type NeighbourLimit } from '../../limits/neighbours';
import type { AirSetting, PhaseRequest } from '../../request';
import { AIR } from '../../settings';

/**
 * What full runs taught about settings that superposition alone had judged: by how much it foretold a neighbour too
 * cool, and which times under air were tried. It spares full runs that would end the same way.
 */
export class Lessons {
  private readonly limits: readonly NeighbourLimit[];
  /** K that a neighbour's joint and body were hotter than foretold. */
  private readonly missed = new Map<string, { readonly joint_K: number; readonly body_K: number }>();
  private tried_s: number | null = null;
  /** Settings that take as long leave pads solid at the longest dwell once contact, copper and air vary. */
  private tooSlow_s = Infinity;
  /** Settings that were drawn and were not sure: one ten kelvin beside them would end the same way. */
  private readonly unsure: AirSetting[] = [];

  constructor(request: PhaseRequest) {
    this.limits = airLimits(request, padNamesOf(request.site.part)).neighbours;
  }

  learn(foretold: Candidate, verified: Candidate, bands: readonly PinBand[] | null): void {
    const stuck = bands?.find((band) => !isSure(band) && band.because === 'longest dwell');
    if (stuck) {
      // Far air is as long for all of them: what can be quicker is what comes after it.
      const { approach_s } = airSettingOf(foretold);
      const near_s = Math.max(0, foretold.time_s! - approach_s);
      this.tooSlow_s = Math.min(this.tooSlow_s, approach_s + AIR.quicker * near_s);
    }
    if (bands !== null) this.unsure.push(airSettingOf(foretold));
    // Where a neighbour stood in the way, another setting of much the same time may spare it.
    this.tried_s = verified.binding?.limit === 'neighbour' ? null : foretold.time_s;
    for (const was of verified.neighbours ?? []) {
      const thought = foretold.neighbours?.find((n) => n.ref === was.ref);
      if (!thought) continue;
      const known = this.missed.get(was.ref) ?? { joint_K: 0, body_K: 0 };
      this.missed.set(was.ref, {
        joint_K: Math.max(known.joint_K, was.joint_K - thought.joint_K),
        body_K: Math.max(known.body_K, was.body_K - thought.body_K),
      });
    }
  }

  speakAgainst(candidate: Candidate): boolean {
    return (
      candidate.time_s! >= this.tooSlow_s ||
      this.isTried(candidate) ||
      this.unsure.some((was) => isBeside(was, airSettingOf(candidate))) ||
      !(candidate.neighbours ?? []).every((n) => this.staysCool(n))
    );
  }

  /** Too like the last one to be worth another full run. */
  private isTried({ time_s }: Candidate): boolean {
    const { tried_s } = this;
    return tried_s !== null && Math.abs(time_s! - tried_s) <= AIR.tellApart * tried_s;
  }

  private staysCool({ ref, joint_K, body_K }: NonNullable<Candidate['neighbours']>[number]): boolean {
    const limit = this.limits.find((l) => l.ref === ref);
    const missed = this.missed.get(ref) ?? { joint_K: 0, body_K: 0 };
    return !limit || judgeNeighbour(limit, joint_K + missed.joint_K, body_K + missed.body_K).ok;
  }
}

/** Same jet over the same warmth, to within a step of either. */
const isBeside = (a: AirSetting, b: AirSetting): boolean =>
  a.nozzle === b.nozzle &&
  a.flow_m3_s === b.flow_m3_s &&
  a.standoff_m === b.standoff_m &&
  Math.abs(a.air_K - b.air_K) < AIR.beside_K &&
  a.preheat?.kind === b.preheat?.kind &&
  Math.abs((a.preheat?.setpoint_K ?? 0) - (b.preheat?.setpoint_K ?? 0)) < AIR.beside_K;
