import { z } from 'zod';
import { TIP_CONSTRUCTION_IDS, TIP_SHAPE_IDS } from '~/core/materials/tips';
import { PREHEATER_IDS } from '~/core/materials/air';
import { oneOf, quantity, text } from './fields';

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

const ironSpec = z.strictObject({
  kind: z.literal('iron'),
  power_W: quantity('W', 5, 400),
  setpointRange_C: setpointRange,
  tips: z.array(tip).min(1, { error: 'is empty; an iron needs at least one tip' }).max(30),
});

export const hollow = z
  .strictObject({ inner_mm: quantity('mm', 0.4, 4), outer_mm: quantity('mm', 0.8, 8) })
  .refine((n) => n.outer_mm > n.inner_mm, { error: 'has its outer no wider than its bore; swap them' });
export type HollowRecord = z.infer<typeof hollow>;

const gunSpec = z.strictObject({
  kind: z.literal('gun'),
  power_W: quantity('W', 5, 400),
  setpointRange_C: setpointRange,
  nozzles: z.array(hollow).min(1, { error: 'is empty; a gun needs at least one nozzle' }).max(30),
});

const tweezersSpec = z.strictObject({
  kind: z.literal('tweezers'),
  /** Of each jaw. */
  power_W: quantity('W', 5, 400),
  setpointRange_C: setpointRange,
  tips: z.array(tip).min(1, { error: 'is empty; tweezers need at least one pair of tips' }).max(30),
});

const preheaterSpec = z.strictObject({
  kind: z.literal('preheater'),
  heat: oneOf(PREHEATER_IDS),
  setpointRange_C: setpointRange,
});

export const nozzle = z.union([
  z.strictObject({ diameter_mm: quantity('mm', 1, 60) }),
  z
    .strictObject({
      width_mm: quantity('mm', 1, 80),
      height_mm: quantity('mm', 1, 80),
      /** A hood blows along slots so wide on its four sides; left out, all of the rectangle is open. */
      slot_mm: quantity('mm', 0.5, 10).optional(),
    })
    .refine(({ width_mm, height_mm, slot_mm }) => !slot_mm || 2 * slot_mm < Math.min(width_mm, height_mm), {
      path: ['slot_mm'],
      error: 'is so wide that its slots meet; give less than half of the hood’s shorter side',
    }),
]);
export type NozzleRecord = z.infer<typeof nozzle>;

const hotAirSpec = z.strictObject({
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
