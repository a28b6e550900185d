import { z } from 'zod';
import { ALLOY_IDS } from '../core/materials/alloys';
import { PREHEATER_IDS } from '../core/materials/air';
import { GOALS, HAZARDS, type PlanRequest, type Setting } from '../core/method/request';
import { kelvin, metres } from '../core/quantity/convert';
import type { Connection } from '../core/thermal/joint/scenario';
import type { Preheat } from '../core/thermal/preheat';
import { connectionOf, connections, type ConnectionRecord } from './connection';
import { boardOf, construction } from './construction';
import { boardSide, oneOf, quantity, text, wholeNumber } from './fields';
import { packageOf, throughHolePackage } from './package';
import { ironOf, ironSpec, preheaterSpec, tip, tipOf } from './tool';

export const padName = z.string().regex(/^(default|[A-Za-z0-9]{1,8})$/, {
  error: 'is not a pad; give a pin number or "default"',
});

export const siteInput = z.strictObject({
  ref: text(1, 16),
  side: boardSide,
  x_mm: quantity('mm', 0, 1000),
  y_mm: quantity('mm', 0, 1000),
  rotation_deg: quantity('°', -360, 360).default(0),
  alloy: oneOf(ALLOY_IDS),
  package: throughHolePackage,
  connections: z.record(padName, connections).default({}),
});

/** A neighbour's package only has to be named: its heat is read off the board beneath it. */
export const neighbourInput = z.strictObject({
  ref: text(1, 16),
  package: z.looseObject({ family: text(1, 24) }).optional(),
  x_mm: quantity('mm', 0, 1000),
  y_mm: quantity('mm', 0, 1000),
  side: boardSide,
  alloy: oneOf(ALLOY_IDS),
});

export const preheatInput = z.strictObject({
  kind: oneOf(PREHEATER_IDS),
  setpoint_C: quantity('°C', 40, 250),
  soak_s: quantity('s', 0, 1800),
});
export type PreheatInput = z.infer<typeof preheatInput>;

const common = {
  ambient_C: quantity('°C', -10, 50).default(23),
  board: construction,
  site: siteInput,
  neighbours: z.array(neighbourInput).max(200).default([]),
};

const benchIron = ironSpec.extend({ id: text(1, 64).optional(), name: text(1, 80).optional() });
const benchPreheater = preheaterSpec.extend({ id: text(1, 64).optional(), name: text(1, 80).optional() });

export const planInput = z
  .strictObject({
    ...common,
    goal: oneOf(GOALS),
    hazards: z.array(oneOf(HAZARDS)).default([]),
    bench: z
      .array(
        z.discriminatedUnion('kind', [benchIron, benchPreheater], {
          error: 'kind must be iron or preheater; other tools are not computed yet',
        }),
      )
      .min(1, { error: 'is empty; put at least one iron on the bench' })
      .max(20)
      .refine((bench) => bench.some((t) => t.kind === 'iron'), {
        error: 'has no iron; put at least one on it',
      }),
    history: z
      .strictObject({
        padDose: z.union([quantity('', 0, 1e6), z.record(padName, quantity('', 0, 1e6))]).default({}),
        laminateDose: quantity('', 0, 1e6).default(0),
        partCycles: wholeNumber(0, 100).default(0),
      })
      .default({ padDose: {}, laminateDose: 0, partCycles: 0 }),
    seed: wholeNumber(0, 2 ** 31).default(1),
  })
  .superRefine((input, context) => checkLayers(input, padNames(input.site.package.pins), context));
export type PlanInput = z.infer<typeof planInput>;

/** What a technician sets on top of a plan request. */
export const settingInput = z.strictObject({
  ironId: text(1, 64),
  tip,
  setpoint_C: quantity('°C', 50, 500),
  preheat: preheatInput.nullable(),
  fluxed: z.boolean(),
  freshSolder: z.boolean(),
});
export type SettingInput = z.infer<typeof settingInput>;

/** Warm-board settings that a plan tries when nothing else will do: a common one for each preheater. */
const USUAL_PREHEAT = { setpoint_C: 150, soak_s: 120 } as const;

/** Given the face worked on, a preheater may name its own; it stands at the other one unless it does. */
export function preheatOf(
  p: (PreheatInput & { readonly side?: 'top' | 'bottom' | undefined }) | null,
  workFace?: 'top' | 'bottom',
): Preheat | null {
  return (
    p && {
      kind: p.kind,
      setpoint_K: kelvin(p.setpoint_C),
      soak_s: p.soak_s,
      ...(p.side !== undefined && p.side === workFace ? { fromWorkFace: true } : {}),
    }
  );
}

export function planRequestOf(input: PlanInput): PlanRequest {
  const { site } = input;
  const pins = padNames(site.package.pins);
  const spent = input.history.padDose;
  return {
    ambient_K: kelvin(input.ambient_C),
    board: boardOf(input.board),
    site: {
      x_m: metres(site.x_mm),
      y_m: metres(site.y_mm),
      rotation_rad: (site.rotation_deg * Math.PI) / 180,
      partSide: site.side,
      part: packageOf(site.package),
      alloy: site.alloy,
      connections: Object.fromEntries(pins.map((pad) => [pad, connectionsOf(input, pad)])),
    },
    neighbours: input.neighbours.map((n) => ({
      ref: n.ref,
      x_m: metres(n.x_mm),
      y_m: metres(n.y_mm),
      side: n.side,
      alloy: n.alloy,
    })),
    goal: input.goal,
    hazards: input.hazards,
    irons: input.bench.flatMap((t, i) =>
      t.kind === 'iron'
        ? [
            ironOf(t.id ?? `iron-${i + 1}`, t.name ?? `Iron ${i + 1}`, {
              kind: t.kind,
              power_W: t.power_W,
              setpointRange_C: t.setpointRange_C,
              tips: t.tips,
            }),
          ]
        : [],
    ),
    preheaters: input.bench.flatMap((t) =>
      t.kind === 'preheater'
        ? [
            preheatOf({
              kind: t.heat,
              setpoint_C: Math.min(USUAL_PREHEAT.setpoint_C, t.setpointRange_C[1]),
              soak_s: USUAL_PREHEAT.soak_s,
            })!,
          ]
        : [],
    ),
    history: {
      padDose: typeof spent === 'number' ? Object.fromEntries(pins.map((pad) => [pad, spent])) : spent,
      laminateDose: input.history.laminateDose,
    },
    seed: input.seed,
  };
}

/** The setting in SI, with its iron looked up on the request's bench; null if it is not there. */
export function settingOf(request: PlanRequest, input: SettingInput): Setting | null {
  const iron = request.irons.find((i) => i.id === input.ironId);
  if (!iron) return null;
  return {
    iron,
    tip: tipOf(input.tip),
    setpoint_K: kelvin(input.setpoint_C),
    preheat: preheatOf(input.preheat),
    fluxed: input.fluxed,
    freshSolder: input.freshSolder,
  };
}

export const padNames = (pins: number): string[] => Array.from({ length: pins }, (_, i) => String(i + 1));

interface WithSite {
  readonly board: { readonly copperLayers: readonly unknown[] };
  readonly site: Pick<z.infer<typeof siteInput>, 'side' | 'connections'>;
}

export function connectionsOf(input: WithSite, pad: string): Connection[] {
  const { connections: given, side } = input.site;
  const solderLayer = side === 'top' ? input.board.copperLayers.length : 1;
  return (given[pad] ?? given['default'] ?? []).map((c) => connectionOf(c, solderLayer));
}

/** Layers that are named must exist; pads that are named must be pins of the part. */
export function checkLayers(input: WithSite, pads: readonly string[], context: z.RefinementCtx): void {
  const count = input.board.copperLayers.length;
  for (const [pad, list] of Object.entries(input.site.connections)) {
    if (pad !== 'default' && !pads.includes(pad)) {
      context.addIssue({
        code: 'custom',
        path: ['site', 'connections', pad],
        message: `is no pin of the part; it has pins ${pads[0]} to ${pads.at(-1)}`,
        input,
      });
    }
    list.forEach((c) => {
      const beyond = layersOf(c).find((layer) => layer > count);
      if (beyond !== undefined) {
        context.addIssue({
          code: 'custom',
          path: ['site', 'connections', pad, 'layers'],
          message: `names layer ${beyond}; the board has layers 1 to ${count}`,
          input,
        });
      }
    });
  }
}

export const layersOf = (c: ConnectionRecord): readonly number[] =>
  c.kind === 'isolated' ? [] : (c.layers ?? []);
