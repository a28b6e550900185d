import type { ToolSpec } from '~/schema/values/toolSpec';

/** A generic tool of each kind to begin from; none is a make or a model. */
export interface ToolPreset {
  readonly name: string;
  readonly spec: ToolSpec;
}

export const TOOL_PRESETS: readonly ToolPreset[] = [
  {
    name: 'Cartridge iron, 70 W',
    spec: {
      kind: 'iron',
      power_W: 70,
      setpointRange_C: [200, 450],
      tips: [{ shape: 'chisel', width_mm: 2.4, construction: 'cartridge' }],
    },
  },
  {
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
  {
    name: 'Slip-on iron, 50 W',
    spec: {
      kind: 'iron',
      power_W: 50,
      setpointRange_C: [200, 480],
      tips: [{ shape: 'chisel', width_mm: 3.2, construction: 'slip-on' }],
    },
  },
  {
    name: 'Vacuum gun, 100 W',
    spec: {
      kind: 'gun',
      power_W: 100,
      setpointRange_C: [300, 480],
      nozzles: [
        { inner_mm: 1, outer_mm: 2.2 },
        { inner_mm: 1.5, outer_mm: 2.8 },
      ],
    },
  },
  {
    name: 'Hot tweezers, 2 × 40 W',
    spec: {
      kind: 'tweezers',
      power_W: 40,
      setpointRange_C: [200, 420],
      tips: [{ shape: 'chisel', width_mm: 1, construction: 'cartridge' }],
    },
  },
  {
    name: 'Hot-air station',
    spec: {
      kind: 'hot-air',
      airRange_C: [100, 480],
      flowRange_L_min: [10, 120],
      nozzles: [{ diameter_mm: 8 }, { width_mm: 18, height_mm: 18 }],
    },
  },
  {
    name: 'Warm-air preheater',
    spec: { kind: 'preheater', heat: 'convective', setpointRange_C: [60, 200] },
  },
  {
    name: 'Infrared preheater',
    spec: { kind: 'preheater', heat: 'infrared', setpointRange_C: [80, 350] },
  },
  { name: 'Hot plate', spec: { kind: 'preheater', heat: 'plate', setpointRange_C: [50, 250] } },
];
