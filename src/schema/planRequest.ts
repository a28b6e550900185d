import { z } from 'zod';
import { ALLOY_IDS } from '../core/materials/alloys';
import { PREHEATER_IDS } from '../core/materials/air';
import { GOALS, phasesOf, type Phase } from '../core/method/goals';
import { METHODS } from '../core/method/methods';
import type { MethodId } from '../core/method/methods/method';
import type { Choice } from '../core/method/plan';
import { HAZARDS, WORTHS, type HandSetting, type PlanRequest, type Setting } from '../core/method/request';
import { socketFor } from '../core/packages/socket';
import { padNamesOf } from '../core/packages/form';
import { PAD_STATE_IDS } from '../core/record/padStates';
import { kelvin, metres } from '../core/quantity/convert';
import type { Connection } from '../core/thermal/joint/scenario';
import type { Preheat } from '../core/thermal/preheat';
import { connectionOf, connections, type ConnectionRecord } from './connection';
import { boardSide, oneOf, quantity, text, wholeNumber } from './fields';
import { fieldBoardOf, mappedBoard } from './mappedBoard';
import { moistureInput } from './moisture';
import { anyPackage, partOf } from './package';
import { supplyInput, supplyOf } from './supplyInput';
import { benchTool, nozzle, nozzleOf, tip, tipOf, toolsOf } from './tool';

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
  package: anyPackage,
  connections: z.record(padName, connections).default({}),
  /** What was last found at its pads. */
  padStates: z.record(padName, oneOf(PAD_STATE_IDS)).default({}),
  /** Leads bent over on the solder side. */
  clinched: z.boolean().default(false),
  moisture: moistureInput.optional(),
});

export const neighbourInput = z.strictObject({
  ref: text(1, 16),
  /** Without one it is a chip of the commonest size. */
  package: anyPackage.optional(),
  x_mm: quantity('mm', 0, 1000),
  y_mm: quantity('mm', 0, 1000),
  rotation_deg: quantity('°', -360, 360).default(0),
  side: boardSide,
  alloy: oneOf(ALLOY_IDS),
  connections: z.record(padName, connections).default({}),
  /** It comes off in the same heat. */
  comesToo: z.boolean().default(false),
});

export const preheatInput = z.strictObject({
  kind: oneOf(PREHEATER_IDS),
  setpoint_C: quantity('°C', 40, 350),
  soak_s: quantity('s', 0, 1800),
});
export type PreheatInput = z.infer<typeof preheatInput>;

export const planInput = z
  .strictObject({
    ambient_C: quantity('°C', -10, 50).default(23),
    board: mappedBoard,
    site: siteInput,
    neighbours: z.array(neighbourInput).max(200).default([]),
    goal: oneOf(GOALS),
    /** What losing the part would weigh. */
    worth: oneOf(WORTHS).default('ordinary'),
    hazards: z.array(oneOf(HAZARDS)).default([]),
    bench: z
      .array(benchTool)
      .min(1, { error: 'is empty; put at least one tool on the bench' })
      .max(40)
      .refine((bench) => bench.some((t) => t.kind !== 'preheater'), {
        error: 'has only preheaters; put an iron, a gun, tweezers or a hot-air station on it',
      }),
    supplies: z.array(supplyInput).max(100).default([]),
    history: z
      .strictObject({
        padDose: z.union([quantity('', 0, 1e6), z.record(padName, quantity('', 0, 1e6))]).default({}),
        laminateDose: quantity('', 0, 1e6).default(0),
        partCycles: wholeNumber(0, 100).default(0),
      })
      .default({ padDose: {}, laminateDose: 0, partCycles: 0 }),
    /** How methods have gone before on such parts. */
    record: z
      .array(
        z.strictObject({
          method: text(1, 40),
          jobs: wholeNumber(0, 100_000),
          harmed: wholeNumber(0, 100_000),
        }),
      )
      .max(40)
      .default([]),
    seed: wholeNumber(0, 2 ** 31).default(1),
  })
  .superRefine((input, context) => {
    const part = partOf(input.site.package);
    const pads = padNamesOf(part);
    checkLayers(input, pads, context);
    const refuse = (path: (string | number)[], message: string) =>
      context.addIssue({ code: 'custom', path, message, input });
    for (const pad of Object.keys(input.site.padStates)) {
      if (!pads.includes(pad))
        refuse(['site', 'padStates', pad], `is no pin of the part; it has pins ${pads[0]} to ${pads.at(-1)}`);
    }
    if (input.goal === 'fit-socket' && !socketFor(part))
      refuse(['goal'], `is "fit-socket", and a ${input.site.package.family} has no socket; give fit`);
    input.neighbours.forEach((n, i) => {
      if (n.comesToo && !n.package)
        refuse(
          ['neighbours', i, 'package'],
          'is missing; what comes off too must be known: give its package',
        );
    });
  });
export type PlanInput = z.infer<typeof planInput>;

/** What a technician sets on a tool in the hand. */
export const handSettingInput = z.strictObject({
  kind: z.literal('hand').default('hand'),
  ironId: text(1, 64),
  tip: z.union([tip, z.strictObject({ inner_mm: quantity('mm', 0.4, 4), outer_mm: quantity('mm', 0.8, 8) })]),
  setpoint_C: quantity('°C', 50, 500),
  /** Pins that the station is turned to another temperature for. */
  perPad_C: z.record(padName, quantity('°C', 50, 500)).default({}),
  preheat: preheatInput.nullable(),
  fluxed: z.boolean(),
  freshSolder: z.boolean(),
});
export type HandSettingInput = z.infer<typeof handSettingInput>;

/** What a technician sets for hot air. */
export const airSettingInput = z.strictObject({
  kind: z.literal('air'),
  stationId: text(1, 64),
  nozzle,
  air_C: quantity('°C', 100, 550),
  flow_L_min: quantity('L/min', 1, 400),
  standoff_mm: quantity('mm', 0.5, 100),
  preheat: preheatInput.nullable(),
  approach_s: quantity('s', 0, 600),
  shielded: z.boolean(),
});
export type AirSettingInput = z.infer<typeof airSettingInput>;

export const settingInput = z.union([airSettingInput, handSettingInput]);
export type SettingInput = z.infer<typeof settingInput>;

const METHOD_IDS = METHODS.map((method) => method.id) as [MethodId, ...MethodId[]];

/** A method and its setting for one phase of a job. */
export const choiceInput = z.strictObject({
  phase: oneOf(['remove', 'reflow', 'fit'] as const satisfies readonly Phase[]),
  method: oneOf(METHOD_IDS),
  setting: settingInput,
});
export type ChoiceInput = z.infer<typeof choiceInput>;

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

const radians = (rotation_deg: number): number => (rotation_deg * Math.PI) / 180;

export function planRequestOf(input: PlanInput): PlanRequest {
  const { site } = input;
  const part = partOf(site.package);
  const pins = padNamesOf(part);
  const spent = input.history.padDose;
  return {
    ambient_K: kelvin(input.ambient_C),
    board: fieldBoardOf(input.board),
    site: {
      ref: site.ref,
      x_m: metres(site.x_mm),
      y_m: metres(site.y_mm),
      rotation_rad: radians(site.rotation_deg),
      partSide: site.side,
      part,
      alloy: site.alloy,
      connections: Object.fromEntries(pins.map((pad) => [pad, connectionsOf(input, pad)])),
      padStates: site.padStates,
      clinched: site.clinched,
    },
    neighbours: input.neighbours.map((n) => {
      const own = n.package ? partOf(n.package) : null;
      return {
        ref: n.ref,
        x_m: metres(n.x_mm),
        y_m: metres(n.y_mm),
        rotation_rad: radians(n.rotation_deg),
        side: n.side,
        alloy: n.alloy,
        part: own,
        connections: own
          ? Object.fromEntries(
              padNamesOf(own).map((pad) => [pad, connectionsOf({ board: input.board, site: n }, pad)]),
            )
          : undefined,
        comesToo: n.comesToo,
      };
    }),
    goal: input.goal,
    worth: input.worth,
    hazards: input.hazards,
    ...toolsOf(input.bench),
    supplies: input.supplies.map(supplyOf),
    history: {
      padDose: typeof spent === 'number' ? Object.fromEntries(pins.map((pad) => [pad, spent])) : spent,
      laminateDose: input.history.laminateDose,
      partCycles: input.history.partCycles,
    },
    moisture: site.moisture
      ? {
          level: site.moisture.level,
          exposed_s: site.moisture.outOfBag_h * 3600,
          bake_C: site.moisture.bake_C,
        }
      : null,
    record: input.record,
    seed: input.seed,
  };
}

/** The setting in SI, with its tool looked up on the request's bench; null if it is not there. */
export function settingOf(request: PlanRequest, input: SettingInput): Setting | null {
  return input.kind === 'air' ? airSettingOf(request, input) : handSettingOf(request, input);
}

function handSettingOf(request: PlanRequest, input: HandSettingInput): HandSetting | null {
  const tools = [...request.irons, ...request.guns, ...request.tweezers];
  const iron = tools.find((i) => i.id === input.ironId);
  if (!iron) return null;
  return {
    kind: 'hand',
    iron,
    tip:
      'inner_mm' in input.tip
        ? {
            shape: 'hollow',
            construction: 'gun',
            inner_m: metres(input.tip.inner_mm),
            width_m: metres(input.tip.outer_mm),
          }
        : tipOf(input.tip),
    setpoint_K: kelvin(input.setpoint_C),
    perPad_K: Object.fromEntries(Object.entries(input.perPad_C).map(([pad, t_C]) => [pad, kelvin(t_C)])),
    preheat: preheatOf(input.preheat),
    fluxed: input.fluxed,
    freshSolder: input.freshSolder,
  };
}

function airSettingOf(request: PlanRequest, input: AirSettingInput): Setting | null {
  const station = request.stations.find((s) => s.id === input.stationId);
  if (!station) return null;
  return {
    kind: 'air',
    station,
    nozzle: nozzleOf(input.nozzle),
    air_K: kelvin(input.air_C),
    flow_m3_s: input.flow_L_min / 60_000,
    standoff_m: metres(input.standoff_mm),
    preheat: preheatOf(input.preheat),
    approach_s: input.approach_s,
    shielded: input.shielded,
  };
}

/** Choices in SI, in the order of the goal's phases; null where a tool is not on the bench. */
export function choicesOf(request: PlanRequest, inputs: readonly ChoiceInput[]): Choice[] | null {
  const choices = phasesOf(request.goal).map((phase): Choice | null => {
    const input = inputs.find((c) => c.phase === phase);
    const setting = input && settingOf(request, input.setting);
    return input && setting ? { phase, method: input.method, setting } : null;
  });
  return choices.every((c) => c !== null) ? choices : null;
}

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
