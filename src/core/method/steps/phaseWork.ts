import type { CoolDown } from '../air/wayDown';
import type { KeepOut } from '../limits/keepOut';
import type { PinBand } from '../hand/bands';
import type { Method } from '../ways/method';
import type { PhaseRequest, Setting } from '../request';

/** One phase as far as its steps need it. */
export interface PhaseWork {
  readonly request: PhaseRequest;
  readonly method: Method;
  readonly setting: Setting;
  readonly bands: readonly PinBand[];
  readonly bodyPeak_K: number;
  /** Steepest rise of the body against what it stands; null where nothing can shock one. */
  readonly rampRatio: number | null;
  readonly coolDown: CoolDown | null;
  readonly keepOut: KeepOut | null;
  readonly coolDown_s: number | null;
}
