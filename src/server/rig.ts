import type { ToolRecord } from '../schema/tool';
import type { Db } from './db';
import { ensureTool } from './repositories/tools';

/** Generic tools that a bench begins with; none is a make or a model. */
const STARTING_RIG: readonly Omit<ToolRecord, 'revision' | 'retired'>[] = [
  {
    id: 'iron-cartridge',
    name: 'Cartridge station',
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
  {
    id: 'iron-slip-on',
    name: 'Older slip-on iron',
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
  {
    id: 'preheater-air',
    name: 'Warm-air preheater',
    spec: { kind: 'preheater', heat: 'convective', setpointRange_C: [60, 200] },
  },
  {
    id: 'hot-air-station',
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
];

export function ensureRig(db: Db): void {
  for (const tool of STARTING_RIG) ensureTool(db, tool);
}
