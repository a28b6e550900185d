import { integer, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import { z } from 'zod';
import { TIP_CONSTRUCTION_IDS, TIP_SHAPE_IDS } from '../core/materials/tips';
import { kelvin, metres } from '../core/quantity/convert';
import type { IronTool } from '../core/method/request';
import { PREHEATER_IDS } from '../core/materials/air';
import { oneOf, quantity, recordId, text } from './fields';

export const tip = z.strictObject({
  shape: oneOf(TIP_SHAPE_IDS),
  width_mm: quantity('mm', 0.1, 12),
  construction: oneOf(TIP_CONSTRUCTION_IDS),
});
export type TipRecord = z.infer<typeof tip>;

const setpointRange = z
  .tuple([quantity('°C', 50, 500), quantity('°C', 50, 500)], {
    error: 'must be a pair [lowest, highest] in °C',
  })
  .refine(([low, high]) => low <= high, { error: 'has its lowest above its highest; swap them' });

export const ironSpec = z.strictObject({
  kind: z.literal('iron'),
  power_W: quantity('W', 5, 400),
  setpointRange_C: setpointRange,
  tips: z.array(tip).min(1, { error: 'is empty; an iron needs at least one tip' }).max(30),
});

export const preheaterSpec = z.strictObject({
  kind: z.literal('preheater'),
  heat: oneOf(PREHEATER_IDS),
  setpointRange_C: setpointRange,
});

const nozzle = z.union([
  z.strictObject({ diameter_mm: quantity('mm', 1, 60) }),
  z.strictObject({ width_mm: quantity('mm', 1, 80), height_mm: quantity('mm', 1, 80) }),
]);
export type NozzleRecord = z.infer<typeof nozzle>;

export const hotAirSpec = z.strictObject({
  kind: z.literal('hot-air'),
  airRange_C: setpointRange,
  flowRange_L_min: z
    .tuple([quantity('L/min', 1, 400), quantity('L/min', 1, 400)])
    .refine(([low, high]) => low <= high, { error: 'has its lowest above its highest; swap them' }),
  nozzles: z.array(nozzle).min(1, { error: 'is empty; a station needs at least one nozzle' }).max(40),
});
export type HotAirSpec = z.infer<typeof hotAirSpec>;

export const toolSpec = z.discriminatedUnion('kind', [ironSpec, preheaterSpec, hotAirSpec]);
export type ToolSpec = z.infer<typeof toolSpec>;
export type IronSpec = z.infer<typeof ironSpec>;

/** One tool at the bench. */
export const toolRecord = z.strictObject({
  id: recordId,
  name: text(1, 80),
  spec: toolSpec,
  retired: z.boolean(),
  revision: z.int().min(1),
});
export type ToolRecord = z.infer<typeof toolRecord>;

export const tools = sqliteTable('tools', {
  id: textColumn('id').primaryKey(),
  name: textColumn('name').notNull(),
  spec: textColumn('spec', { mode: 'json' }).$type<ToolSpec>().notNull(),
  retired: integer('retired', { mode: 'boolean' }).notNull().default(false),
  revision: integer('revision').notNull().default(1),
});

export const tipOf = (t: TipRecord): IronTool['tips'][number] => ({
  shape: t.shape,
  width_m: metres(t.width_mm),
  construction: t.construction,
});

export const ironOf = (id: string, name: string, spec: IronSpec): IronTool => ({
  id,
  name,
  power_W: spec.power_W,
  setpointRange_K: [kelvin(spec.setpointRange_C[0]), kelvin(spec.setpointRange_C[1])],
  tips: spec.tips.map(tipOf),
});
