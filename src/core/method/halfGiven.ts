import type { AirSetting, HandSetting, PhaseRequest } from './request';
import type { MethodId } from './ways/method';

/** One phase of a job, as it was planned. Plain data. */
export interface HalfGiven {
  readonly request: PhaseRequest;
  readonly method: MethodId;
  readonly setting: HandSetting | AirSetting;
}
