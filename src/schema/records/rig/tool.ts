import { z } from 'zod';
import { wearOf } from '~/core/materials/tips';
import { quantity, recordId, text, whenever_ms } from '~/schema/values/fields';
import { toolSpec, type BenchToolInput } from '~/schema/values/toolSpec';

/** One tool at the bench. */
export const newTool = z.strictObject({
  name: text(1, 80),
  spec: toolSpec,
  /** What it really reached less what it showed when it was last checked. */
  offset_K: quantity('K', -80, 80).default(0),
  checkedAt_ms: whenever_ms.nullable().default(null),
  /** Hours on its tips, or on its nozzle, since they were new. */
  hours: quantity('h', 0, 20_000).default(0),
  /** Share of a gun's bore that is closed. */
  clogged: quantity('', 0, 1).default(0),
});
export type NewTool = z.infer<typeof newTool>;

export const toolRecord = newTool.extend({
  id: recordId,
  retired: z.boolean(),
  revision: z.int().min(1),
});
export type ToolRecord = z.infer<typeof toolRecord>;

/** A change to a tool, against the revision it was read at. */
export const toolChange = newTool.extend({ retired: z.boolean(), revision: z.int().min(1) });
export type ToolChange = z.infer<typeof toolChange>;

/** A tool of the rig as a plan takes it, in the state it is in. */
export const benchToolOf = (
  tool: Pick<ToolRecord, 'id' | 'name' | 'spec' | 'offset_K' | 'hours' | 'clogged'>,
): BenchToolInput => ({
  ...tool.spec,
  id: tool.id,
  name: tool.name,
  offset_K: tool.offset_K,
  wear: wearOf(tool.hours),
  clogged: tool.clogged,
});
