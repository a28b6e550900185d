import type { PadStateId } from '~/core/record/padStates';
import type { ConnectionRecord } from '~/schema/values/connection';
import type { PadMark } from './padMark';

interface PadRow {
  readonly id: string;
  readonly name: string;
  readonly net: string;
  readonly connections: readonly ConnectionRecord[];
}

/** A site's pads for its land drawing: copper and state from the record, a note from the sheet. */
export const padMarks = (
  pads: readonly PadRow[],
  states: Readonly<Record<string, PadStateId>>,
  noteOf: (pad: string) => string | undefined,
  orders: ReadonlyMap<string, NonNullable<PadMark['order']>> = new Map(),
): PadMark[] =>
  pads.map((pad) => ({
    name: pad.name,
    net: pad.net,
    connections: pad.connections,
    state: states[pad.id] ?? 'sound',
    note: noteOf(pad.name),
    order: orders.get(pad.name),
  }));
