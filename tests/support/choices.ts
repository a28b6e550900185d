import type { Adjustable } from '~/islands/plan/adjust';
import type { ChoiceInput } from '~/schema/exchange/plan/planRequest';

/** A bench as the plan's sheet offers it, and what may be set on it; each test says what it changes. */

export const BENCH_SHEET: Adjustable = {
  tools: [
    {
      id: 'iron',
      name: 'Iron',
      power_W: 70,
      offset_K: 0,
      range_C: [200, 450],
      tips: [
        { shape: 'chisel', width_mm: 1.6, construction: 'cartridge' },
        { shape: 'bevel', width_mm: 3, construction: 'cartridge' },
      ],
    },
  ],
  stations: [
    {
      id: 'air',
      name: 'Hot air',
      spec: {
        kind: 'hot-air',
        airRange_C: [100, 480],
        flowRange_L_min: [10, 120],
        nozzles: [{ diameter_mm: 8 }, { width_mm: 12, height_mm: 12 }],
      },
    },
  ],
  preheat: { kind: 'convective', setpoint_C: 150, soak_s: 120 },
};

export const HAND_CHOICE: ChoiceInput = {
  phase: 'remove',
  method: 'leg-at-a-time',
  setting: {
    kind: 'hand',
    toolId: 'iron',
    tip: { shape: 'chisel', width_mm: 1.6, construction: 'cartridge' },
    setpoint_C: 440,
    perPad_C: { '2': 445 },
    preheat: null,
    fluxed: true,
    freshSolder: true,
  },
};

export const AIR_CHOICE: ChoiceInput = {
  phase: 'remove',
  method: 'hot-air',
  setting: {
    kind: 'air',
    toolId: 'air',
    nozzle: { diameter_mm: 8 },
    setpoint_C: 380,
    flow_L_min: 118,
    standoff_mm: 8,
    preheat: null,
    approach_s: 60,
    shielded: false,
  },
};
