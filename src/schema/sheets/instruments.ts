import type { ChannelPlace } from '~/core/record/channelPlace';
import type { Channel, Hello, InstrumentKind, Knob } from '~/schema/exchange/instruments/wire';

/** How a device stands: what it says is taken, or why it is not. */
export type InstrumentState = 'live' | 'silent' | 'gone' | 'nonsense' | 'flood';

/** A channel as the device names it, and what a person said of it since. */
interface ChannelLine extends Channel {
  readonly place: ChannelPlace;
  /** Added to what it reads already, K. */
  readonly offset_K: number;
  readonly checkedAt_ms: number | null;
  readonly revision: number;
}

/** A device as a screen is told of it. */
export interface InstrumentLine {
  readonly id: string;
  readonly kind: InstrumentKind;
  readonly name: string;
  readonly simulated: boolean;
  /** The job whose site lies under a simulated tool; null: none does. */
  readonly laidFor: string | null;
  readonly channels: readonly ChannelLine[];
  readonly knobs: readonly Knob[];
  readonly faults: Hello['faults'];
  /** How its knobs and faults stand, by their ids. */
  readonly turned: Readonly<Record<string, number | string | boolean>>;
  readonly state: InstrumentState;
  readonly lastSeen_ms: number;
  /** The last reading of each channel; null where it has none. */
  readonly latest: Readonly<Record<string, number | null>>;
}

/** One reading on its way to a screen; numbered over all devices, so that a broken line goes on where it was. */
export interface Sample {
  readonly n: number;
  readonly instrument: string;
  readonly at_ms: number;
  readonly v: Readonly<Record<string, number | null>>;
}
