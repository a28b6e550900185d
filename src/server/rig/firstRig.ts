import { GENERIC_TOOLS } from '~/schema/presets/toolPresets';
import type { NewTool } from '~/schema/records/rig/tool';
import type { SupplySpec } from '~/schema/values/supplySpec';
import type { Db } from '~/server/store/db';
import { addSupply, anySupply } from '~/server/store/repositories/supplies';
import { ensureTool } from '~/server/store/repositories/tools';

const FRESH = { offset_K: 0, checkedAt_ms: null, hours: 0, clogged: 0 } as const;

/** Generic tools that a bench begins with; none is a make or a model. */
export const STARTING_TOOLS: readonly (NewTool & { readonly id: string })[] = (
  [
    ['iron-cartridge', 'Cartridge station', GENERIC_TOOLS.cartridge],
    ['iron-slip-on', 'Older slip-on iron', GENERIC_TOOLS.slipOn],
    ['gun-vacuum', 'Vacuum desoldering gun', GENERIC_TOOLS.vacuumGun],
    ['tweezers-hot', 'Hot tweezers', GENERIC_TOOLS.hotTweezers],
    ['preheater-air', 'Warm-air preheater', GENERIC_TOOLS.warmAir],
    ['hot-air-station', 'Hot-air station', GENERIC_TOOLS.hotAir],
  ] as const
).map(([id, name, { spec }]) => ({ ...FRESH, id, name, spec }));

interface StartingSupply {
  readonly id: string;
  readonly name: string;
  readonly spec: SupplySpec;
  readonly left: number;
  readonly low: number;
}

/** Generic stock that a bench begins with. */
const STARTING_SUPPLIES: readonly StartingSupply[] = [
  {
    id: 'wire-leaded-08',
    name: 'Wire Sn60Pb40, 0.8 mm',
    spec: { kind: 'wire', alloy: 'sn60pb40', diameter_mm: 0.8 },
    left: 60_000,
    low: 8_000,
  },
  {
    id: 'wire-leaded-05',
    name: 'Wire Sn63Pb37, 0.5 mm',
    spec: { kind: 'wire', alloy: 'sn63pb37', diameter_mm: 0.5 },
    left: 40_000,
    low: 5_000,
  },
  {
    id: 'wire-lead-free-08',
    name: 'Wire lead-free, 0.8 mm',
    spec: { kind: 'wire', alloy: 'sac305', diameter_mm: 0.8 },
    left: 25_000,
    low: 5_000,
  },
  { id: 'braid-15', name: 'Braid 1.5 mm', spec: { kind: 'braid', width_mm: 1.5 }, left: 1_400, low: 300 },
  { id: 'braid-25', name: 'Braid 2.5 mm', spec: { kind: 'braid', width_mm: 2.5 }, left: 900, low: 300 },
  { id: 'flux-gel', name: 'Gel flux', spec: { kind: 'flux' }, left: 22, low: 5 },
  { id: 'solvent-ipa', name: 'Isopropyl alcohol', spec: { kind: 'solvent' }, left: 600, low: 150 },
  {
    id: 'low-melt',
    name: 'Low-melt removal alloy',
    spec: { kind: 'low-melt', alloy: 'in51bi33sn16' },
    left: 9,
    low: 2,
  },
  {
    id: 'paste-leaded',
    name: 'Paste Sn63Pb37',
    spec: { kind: 'paste', alloy: 'sn63pb37' },
    left: 28,
    low: 5,
  },
  { id: 'foil', name: 'Aluminium foil', spec: { kind: 'foil' }, left: 2_400, low: 200 },
  { id: 'tape', name: 'Polyimide tape', spec: { kind: 'tape' }, left: 700, low: 80 },
];

/** What a new bench has: tools as they are missing, stock only where there is none yet. */
export function ensureRig(db: Db, now_ms = Date.now()): void {
  for (const tool of STARTING_TOOLS) ensureTool(db, tool);
  if (anySupply(db)) return;
  for (const { id, ...supply } of STARTING_SUPPLIES) addSupply(db, { ...supply, by: 'Rig' }, now_ms, id);
}
