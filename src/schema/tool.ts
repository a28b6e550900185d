import { integer, real, sqliteTable, text as textColumn } from 'drizzle-orm/sqlite-core';
import { z } from 'zod';
import { TIP_CONSTRUCTION_IDS, TIP_SHAPE_IDS } from '../core/materials/tips';
import { kelvin, metres } from '../core/quantity/convert';
import type { AirStation, Bench, GunTool, IronTool, Preheater } from '../core/method/bench';
import type { HollowTip, SolidTip } from '../core/thermal/joint/scenario';
import type { Nozzle } from '../core/thermal/surface/jet';
import { PREHEATER_IDS } from '../core/materials/air';
import { wearOf } from '../core/materials/tips';
import { oneOf, quantity, recordId, text, whenever_ms } from './fields';

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

const hollow = z
  .strictObject({ inner_mm: quantity('mm', 0.4, 4), outer_mm: quantity('mm', 0.8, 8) })
  .refine((n) => n.outer_mm > n.inner_mm, { error: 'has its outer no wider than its bore; swap them' });

export const gunSpec = z.strictObject({
  kind: z.literal('gun'),
  power_W: quantity('W', 5, 400),
  setpointRange_C: setpointRange,
  nozzles: z.array(hollow).min(1, { error: 'is empty; a gun needs at least one nozzle' }).max(30),
});

export const tweezersSpec = z.strictObject({
  kind: z.literal('tweezers'),
  /** Of each jaw. */
  power_W: quantity('W', 5, 400),
  setpointRange_C: setpointRange,
  tips: z.array(tip).min(1, { error: 'is empty; tweezers need at least one pair of tips' }).max(30),
});

export const preheaterSpec = z.strictObject({
  kind: z.literal('preheater'),
  heat: oneOf(PREHEATER_IDS),
  setpointRange_C: setpointRange,
});

export const nozzle = z.union([
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

export const toolSpec = z.discriminatedUnion('kind', [
  ironSpec,
  gunSpec,
  tweezersSpec,
  hotAirSpec,
  preheaterSpec,
]);
export type ToolSpec = z.infer<typeof toolSpec>;
export type IronSpec = z.infer<typeof ironSpec>;

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

export const tools = sqliteTable('tools', {
  id: textColumn('id').primaryKey(),
  name: textColumn('name').notNull(),
  spec: textColumn('spec', { mode: 'json' }).$type<ToolSpec>().notNull(),
  retired: integer('retired', { mode: 'boolean' }).notNull().default(false),
  offset_K: real('offset_k').notNull().default(0),
  checkedAt_ms: integer('checked_at_ms'),
  hours: real('hours').notNull().default(0),
  clogged: real('clogged').notNull().default(0),
  revision: integer('revision').notNull().default(1),
});

export const tipOf = (t: TipRecord): SolidTip => ({
  shape: t.shape,
  width_m: metres(t.width_mm),
  construction: t.construction,
});

/** A tool as a plan is given it: its spec, who it is, and the state it is in. */
const onBench = {
  id: text(1, 64).optional(),
  name: text(1, 80).optional(),
  /** What it really reaches less what it shows. */
  offset_K: quantity('K', -80, 80).optional(),
  /** Contact of its worn tips against new ones. */
  wear: quantity('', 1, 10).optional(),
  /** Share of a gun's bore that is closed. */
  clogged: quantity('', 0, 1).optional(),
};

export const benchTool = z.discriminatedUnion(
  'kind',
  [
    ironSpec.extend(onBench),
    gunSpec.extend(onBench),
    tweezersSpec.extend(onBench),
    hotAirSpec.extend(onBench),
    preheaterSpec.extend(onBench),
  ],
  { error: 'kind must be one of iron, gun, tweezers, hot-air, preheater' },
);
export type BenchToolInput = z.infer<typeof benchTool>;

type Tools = Pick<Bench, 'irons' | 'guns' | 'tweezers' | 'stations' | 'preheaters'>;

/** A tool of the rig as a plan takes it, in the state it is in. */
export const benchToolOf = (tool: ToolRecord): BenchToolInput => ({
  ...tool.spec,
  id: tool.id,
  name: tool.name,
  offset_K: tool.offset_K,
  wear: wearOf(tool.hours),
  clogged: tool.clogged,
});

/** Tools in SI, by kind; one without an id is numbered within its kind. */
export function toolsOf(list: readonly BenchToolInput[]): Tools {
  const tools = {
    irons: [] as IronTool[],
    guns: [] as GunTool[],
    tweezers: [] as IronTool[],
    stations: [] as AirStation[],
    preheaters: [] as Preheater[],
  };
  list.forEach((t, i) => {
    const who = {
      id: t.id ?? `${t.kind}-${i + 1}`,
      name: t.name ?? `${KIND_NAMES[t.kind]} ${i + 1}`,
      offset_K: t.offset_K,
    };
    const range = (r: readonly [number, number]) => [kelvin(r[0]), kelvin(r[1])] as const;
    switch (t.kind) {
      case 'iron':
      case 'tweezers':
        tools[t.kind === 'iron' ? 'irons' : 'tweezers'].push({
          ...who,
          wear: t.wear,
          power_W: t.power_W,
          setpointRange_K: range(t.setpointRange_C),
          tips: t.tips.map(tipOf),
        });
        break;
      case 'gun':
        tools.guns.push({
          ...who,
          wear: t.wear,
          clogged: t.clogged,
          power_W: t.power_W,
          setpointRange_K: range(t.setpointRange_C),
          tips: t.nozzles.map(hollowOf),
        });
        break;
      case 'hot-air':
        tools.stations.push({
          ...who,
          airRange_K: range(t.airRange_C),
          flowRange_m3_s: [t.flowRange_L_min[0] / 60_000, t.flowRange_L_min[1] / 60_000],
          nozzles: t.nozzles.map(nozzleOf),
        });
        break;
      case 'preheater':
        tools.preheaters.push({
          id: who.id,
          name: who.name,
          kind: t.heat,
          setpointRange_K: range(t.setpointRange_C),
        });
        break;
    }
  });
  return tools;
}

export const KIND_NAMES: Readonly<Record<ToolSpec['kind'], string>> = {
  iron: 'Iron',
  gun: 'Desoldering gun',
  tweezers: 'Hot tweezers',
  'hot-air': 'Hot-air station',
  preheater: 'Preheater',
};

const hollowOf = (n: z.infer<typeof hollow>): HollowTip => ({
  shape: 'hollow',
  construction: 'gun',
  width_m: metres(n.outer_mm),
  inner_m: metres(n.inner_mm),
});

export const nozzleWords = (n: NozzleRecord): string =>
  'diameter_mm' in n ? `⌀ ${n.diameter_mm} mm` : `${n.width_mm} × ${n.height_mm} mm`;

export const nozzleOf = (n: NozzleRecord): Nozzle =>
  'diameter_mm' in n
    ? { shape: 'round', diameter_m: metres(n.diameter_mm) }
    : { shape: 'rectangle', width_m: metres(n.width_mm), height_m: metres(n.height_mm) };
