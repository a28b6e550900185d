import { z } from 'zod';
import type { HeatSeen } from '~/core/learning/heatSeen';
import { oneOf, recordId, text, whenever_ms } from '~/schema/values/fields';

const heatSeen = z.strictObject({
  level: z.number(),
  by: z.strictObject({ contact: z.number(), tipOffset: z.number(), copper: z.number() }),
  ofJob: z.number(),
  own: z.number().positive(),
  pace: z.number(),
  molten: z.boolean(),
}) satisfies z.ZodType<HeatSeen>;

/** What one phase of a closed job told of its tip and its board, by what is known of the model then. */
export const benchHeatsRow = z.strictObject({
  jobId: recordId,
  phase: oneOf(['remove', 'reflow', 'fit']),
  boardId: recordId,
  toolId: recordId,
  /** Which tip it was (`core/learning/lasting`). */
  tip: text(1, 160),
  at_ms: whenever_ms,
  heats: z.array(heatSeen),
});
export type BenchHeatsRow = z.infer<typeof benchHeatsRow>;
export type HeatsKept = BenchHeatsRow['heats'];
