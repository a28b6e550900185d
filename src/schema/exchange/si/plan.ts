import { phasesOf } from '~/core/method/goals';
import type { Choice } from '~/core/method/plan/plan';
import type { HandSetting, PlanRequest, Setting } from '~/core/method/request';
import { padNamesOf } from '~/core/packages/form';
import { cubicMetresPerSecond, kelvin, metres, radians } from '~/core/quantity/convert';
import type { Preheat } from '~/core/thermal/preheat';
import type {
  ChoiceInput,
  HandSettingInput,
  AirSettingInput,
  PlanInput,
  PreheatInput,
  SettingInput,
} from '../plan/planRequest';
import { fieldBoardOf } from './board';
import { connectionsOf } from './connections';
import { asLabelled } from './moisture';
import { partOf } from './part';
import { supplyOf } from './supplies';
import { anyTipOf, nozzleOf, toolsOf } from './tools';

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
  const part = asLabelled(partOf(site.package), site.moisture);
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
      nets: site.nets,
      polarity: site.polarity,
      undressed: site.undressed,
      lowMeltLeft: site.lowMeltLeft,
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
    pace: input.pace,
    learnt: input.learnt && {
      copper: input.learnt.copper,
      tips: input.learnt.tips.map(({ tip, jobs: _, ...one }) => ({ ...one, tip: anyTipOf(tip) })),
    },
    seed: input.seed,
  };
}

/** The setting in SI, with its tool looked up on the request's bench; null if it is not there. */
export function settingOf(request: PlanRequest, input: SettingInput): Setting | null {
  return input.kind === 'air' ? airSettingOf(request, input) : handSettingOf(request, input);
}

function handSettingOf(request: PlanRequest, input: HandSettingInput): HandSetting | null {
  const tools = [...request.irons, ...request.guns, ...request.tweezers];
  const tool = tools.find((t) => t.id === input.toolId);
  if (!tool) return null;
  return {
    kind: 'hand',
    tool,
    tip: anyTipOf(input.tip),
    setpoint_K: kelvin(input.setpoint_C),
    perPad_K: Object.fromEntries(Object.entries(input.perPad_C).map(([pad, t_C]) => [pad, kelvin(t_C)])),
    preheat: preheatOf(input.preheat),
    fluxed: input.fluxed,
    freshSolder: input.freshSolder,
  };
}

function airSettingOf(request: PlanRequest, input: AirSettingInput): Setting | null {
  const station = request.stations.find((s) => s.id === input.toolId);
  if (!station) return null;
  return {
    kind: 'air',
    station,
    nozzle: nozzleOf(input.nozzle),
    air_K: kelvin(input.setpoint_C),
    flow_m3_s: cubicMetresPerSecond(input.flow_L_min),
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
