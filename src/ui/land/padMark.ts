import type { PadStateId } from '~/core/record/padStates';
import type { ConnectionRecord } from '~/schema/values/connection';

/** What is shown of one pad. */
export interface PadMark {
  readonly name: string;
  readonly net: string;
  readonly connections: readonly ConnectionRecord[];
  readonly state: PadStateId;
  /** A line under the pad's number, such as its melt time. */
  readonly note?: string;
  /** Its place among the pads in the order in which they melt. */
  readonly order?: { readonly rank: number; readonly of: number };
}
