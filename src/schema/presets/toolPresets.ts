import type { ToolSpec } from '~/schema/values/toolSpec';

/** A generic tool to begin from; none is a make or a model. */
export interface ToolPreset {
  readonly name: string;
  readonly spec: ToolSpec;
}

/** Generic tools by what they are: the bench begins with some, the form for a tool offers all. */
export const GENERIC_TOOLS = {
  cartridge: {
    name: 'Cartridge iron, 70 W',
    spec: {
      kind: 'iron',
      power_W: 70,
      setpointRange_C: [200, 450],
      tips: [
        { shape: 'chisel', width_mm: 1.6, construction: 'cartridge' },
        { shape: 'chisel', width_mm: 2.4, construction: 'cartridge' },
        { shape: 'bevel', width_mm: 3, construction: 'cartridge' },
        { shape: 'conical', width_mm: 0.5, construction: 'cartridge' },
      ],
    },
  },
  heavyCartridge: {
    name: 'Heavy cartridge iron, 150 W',
    spec: {
      kind: 'iron',
      power_W: 150,
      setpointRange_C: [200, 450],
      tips: [
        { shape: 'bevel', width_mm: 5, construction: 'cartridge' },
        { shape: 'knife', width_mm: 4, construction: 'cartridge' },
      ],
    },
  },
  slipOn: {
    name: 'Slip-on iron, 50 W',
    spec: {
      kind: 'iron',
      power_W: 50,
      setpointRange_C: [200, 480],
      tips: [
        { shape: 'chisel', width_mm: 1.6, construction: 'slip-on' },
        { shape: 'chisel', width_mm: 3.2, construction: 'slip-on' },
      ],
    },
  },
  vacuumGun: {
    name: 'Vacuum gun, 100 W',
    spec: {
      kind: 'gun',
      power_W: 100,
      setpointRange_C: [300, 480],
      nozzles: [
        { inner_mm: 0.8, outer_mm: 1.8 },
        { inner_mm: 1, outer_mm: 2.2 },
        { inner_mm: 1.5, outer_mm: 2.8 },
      ],
    },
  },
  hotTweezers: {
    name: 'Hot tweezers, 2 × 40 W',
    spec: {
      kind: 'tweezers',
      power_W: 40,
      setpointRange_C: [200, 420],
      tips: [
        { shape: 'chisel', width_mm: 1, construction: 'cartridge' },
        { shape: 'chisel', width_mm: 2.5, construction: 'cartridge' },
      ],
    },
  },
  hotAir: {
    name: 'Hot-air station',
    spec: {
      kind: 'hot-air',
      airRange_C: [100, 480],
      flowRange_L_min: [10, 120],
      nozzles: [
        { diameter_mm: 5 },
        { diameter_mm: 8 },
        { diameter_mm: 12 },
        { width_mm: 12, height_mm: 12 },
        { width_mm: 18, height_mm: 18 },
        { width_mm: 30, height_mm: 30 },
      ],
    },
  },
  warmAir: {
    name: 'Warm-air preheater',
    spec: { kind: 'preheater', heat: 'convective', setpointRange_C: [60, 200] },
  },
  infrared: {
    name: 'Infrared preheater',
    spec: { kind: 'preheater', heat: 'infrared', setpointRange_C: [80, 350] },
  },
  hotPlate: { name: 'Hot plate', spec: { kind: 'preheater', heat: 'plate', setpointRange_C: [50, 250] } },
} as const satisfies Readonly<Record<string, ToolPreset>>;

export const TOOL_PRESETS: readonly ToolPreset[] = Object.values(GENERIC_TOOLS);
