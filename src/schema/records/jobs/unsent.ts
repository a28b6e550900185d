import { z } from 'zod';
import { initials, recordId, text, whenever_ms } from '~/schema/values/fields';
import { writableEvent } from './runEvent';

/** An entry as a screen keeps it until the server has it: what, by whom, and when it was pressed by the server's clock. */
const unsentEntry = z.strictObject({
  clientId: recordId,
  by: initials,
  at_ms: whenever_ms,
  event: writableEvent,
});
export type UnsentEntry = z.infer<typeof unsentEntry>;

/** What a screen keeps of a job through a reload. */
export const keptOutbox = z.strictObject({
  unsent: z.array(unsentEntry).max(10_000),
  aside: z.array(unsentEntry.extend({ reason: text(0, 600) })).max(10_000),
});
