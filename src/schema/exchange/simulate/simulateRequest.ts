import { z } from 'zod';
import { SHIELD_IDS } from '~/core/materials/surfaces';
import { padNamesOf } from '~/core/packages/form';
import { cubicMetresPerSecond, kelvin, metres, radians } from '~/core/quantity/convert';
import type { JointScenario } from '~/core/thermal/joint/scenario';
import { place, placed, room_C } from '../placed';
import { mappedBoard } from '~/schema/values/mappedBoard';
import { fieldBoardOf } from '../si/board';
import { MOST_MACH, outletMach, type Nozzle } from '~/core/thermal/surface/jet';
import { padPlaces } from '~/core/packages/placement';
import { boardAbout } from '~/core/thermal/surroundings';
import { connections } from '~/schema/values/connection';
import { boardSide, oneOf, quantity, text } from '~/schema/values/fields';
import { moistureInput } from '~/schema/values/moisture';
import { anyPackage, type PackageRecord } from '~/schema/values/package';
import { packageOf, partOf } from '../si/part';
import { nozzleOf } from '../si/tools';
import { checkLayers, checkPlace, padName, preheatInput } from '../plan/planRequest';
import { connectionsOf } from '../si/connections';
import { preheatOf } from '../si/plan';
import { tip } from '~/schema/values/toolSpec';
import { tipOf } from '../si/tools';

const site = z.strictObject({
  ...placed,
  package: anyPackage,
  connections: z.record(padName, connections).default({}),
  moisture: moistureInput.optional(),
});

/** A neighbour; without a package it is a chip of the commonest size. */
const neighbour = z.strictObject({ ...placed, package: anyPackage.optional() });

const hand = {
  setpoint_C: quantity('°C', 100, 500),
  power_W: quantity('W', 5, 400),
  fluxed: z.boolean().default(true),
  freshSolder: z.boolean().default(true),
  pad: text(1, 8),
};

const ironLoad = z.strictObject({ kind: z.literal('iron'), ...hand, tip });

const gunLoad = z.strictObject({
  kind: z.literal('gun'),
  ...hand,
  nozzleInner_mm: quantity('mm', 0.4, 4),
  nozzleOuter_mm: quantity('mm', 0.8, 8),
  triggerAt_s: quantity('s', 0.1, 60),
});

const tweezersLoad = z.strictObject({
  kind: z.literal('tweezers'),
  ...hand,
  pad: text(1, 8).optional(),
  tip,
});

const air = {
  air_C: quantity('°C', 20, 550),
  flow_L_min: quantity('L/min', 1, 400),
  standoff_mm: quantity('mm', 0.5, 100),
};

const hotAirLoad = z
  .strictObject({
    kind: z.literal('hot-air'),
    ...air,
    nozzle_mm: quantity('mm', 1, 60).optional(),
    nozzleWidth_mm: quantity('mm', 1, 80).optional(),
    nozzleHeight_mm: quantity('mm', 1, 80).optional(),
    /** A hood's: it blows along slots so wide on the four sides of that rectangle. */
    nozzleSlot_mm: quantity('mm', 0.5, 10).optional(),
    /** Changes at times after the air is on; `off` turns it off. */
    schedule: z
      .array(
        z.strictObject({
          at_s: quantity('s', 0, 3600),
          air_C: air.air_C.optional(),
          flow_L_min: air.flow_L_min.optional(),
          standoff_mm: air.standoff_mm.optional(),
          off: z.boolean().optional(),
          preheat_C: quantity('°C', 20, 350).optional(),
        }),
      )
      .max(60)
      .default([]),
  })
  .superRefine((load, context) => {
    const round = load.nozzle_mm !== undefined;
    const sides = load.nozzleWidth_mm !== undefined && load.nozzleHeight_mm !== undefined;
    const part = load.nozzleWidth_mm !== undefined || load.nozzleHeight_mm !== undefined;
    const refuse = (path: string, message: string) =>
      context.addIssue({ code: 'custom', path: [path], message, input: load });
    if (!round && !sides)
      refuse('nozzle_mm', 'is missing; give nozzle_mm, or nozzleWidth_mm and nozzleHeight_mm');
    const slot_mm = load.nozzleSlot_mm;
    if (
      slot_mm !== undefined &&
      sides &&
      2 * slot_mm >= Math.min(load.nozzleWidth_mm!, load.nozzleHeight_mm!)
    )
      refuse(
        'nozzleSlot_mm',
        `is ${slot_mm} mm, so wide that its slots meet; give less than half of the shorter side`,
      );
    if (slot_mm !== undefined && !sides)
      refuse('nozzleSlot_mm', 'stands alone; give nozzleWidth_mm and nozzleHeight_mm of the hood too');
    if (round && part) refuse('nozzle_mm', 'stands beside a width and height; give one or the other');
    checkOutlet(load, refuse);
    load.schedule.forEach((entry, i) => {
      if (i > 0 && entry.at_s <= load.schedule[i - 1]!.at_s) {
        context.addIssue({
          code: 'custom',
          path: ['schedule', i, 'at_s'],
          message: `is ${entry.at_s} s, not after the entry before it; put the schedule in order of time`,
          input: load,
        });
      }
    });
  });

interface Outlet {
  readonly air_C: number;
  readonly flow_L_min: number;
  readonly nozzle_mm?: number | undefined;
  readonly nozzleWidth_mm?: number | undefined;
  readonly nozzleHeight_mm?: number | undefined;
  readonly nozzleSlot_mm?: number | undefined;
}

/** The nozzle that a load names; null where it names none whole. */
export function outletOf({
  nozzle_mm,
  nozzleWidth_mm,
  nozzleHeight_mm,
  nozzleSlot_mm,
}: Omit<Outlet, 'air_C' | 'flow_L_min'>): Nozzle | null {
  if (nozzle_mm !== undefined) return nozzleOf({ diameter_mm: nozzle_mm });
  if (nozzleWidth_mm === undefined || nozzleHeight_mm === undefined) return null;
  return nozzleOf({ width_mm: nozzleWidth_mm, height_mm: nozzleHeight_mm, slot_mm: nozzleSlot_mm });
}

/** No pump drives air through an outlet near the speed of sound. */
function checkOutlet(load: Outlet, refuse: (path: string, message: string) => void): void {
  const nozzle = outletOf(load);
  if (!nozzle) return;
  const mach = outletMach({
    nozzle,
    air_K: kelvin(load.air_C),
    flow_m3_s: cubicMetresPerSecond(load.flow_L_min),
  });
  if (mach > MOST_MACH)
    refuse(
      'flow_L_min',
      `is ${load.flow_L_min} L/min, which would leave this nozzle at Mach ${mach.toFixed(1)}; give a wider nozzle or less flow`,
    );
}

const shield = z.strictObject({
  kind: oneOf(SHIELD_IDS),
  side: boardSide,
  ...place,
  width_mm: quantity('mm', 0.5, 500),
  height_mm: quantity('mm', 0.5, 500),
});

/** A hand load is followed for this long at most; hot air for longer. */
const LONGEST_HAND_s = 60;

export const simulateInput = z
  .strictObject({
    ambient_C: room_C,
    board: mappedBoard,
    site,
    neighbours: z.array(neighbour).max(200).default([]),
    load: z.discriminatedUnion('kind', [ironLoad, gunLoad, tweezersLoad, hotAirLoad], {
      error: 'kind must be one of iron, gun, tweezers, hot-air',
    }),
    /** Without a side it stands at the face away from the one worked on. */
    preheat: preheatInput.extend({ side: boardSide.optional() }).nullable().default(null),
    shields: z.array(shield).max(40).default([]),
    /** Size of even cells of the board-scale grid; left out, a millimetre under the air and wider outward. */
    grid_mm: quantity('mm', 0.5, 10).optional(),
    duration_s: quantity('s', 0.05, 1800),
  })
  .superRefine((input, context) => {
    const part = partOf(input.site.package);
    checkLayers(input, padNamesOf(part), context);
    checkPlace(input, context);
    const refuse = (path: (string | number)[], message: string) =>
      context.addIssue({ code: 'custom', path, message, input });
    const { load } = input;
    if (load.kind === 'hot-air') {
      if (input.grid_mm === undefined) return;
      const cells = (input.board.length_mm / input.grid_mm) * (input.board.width_mm / input.grid_mm);
      if (cells > MOST_COLUMNS) {
        refuse(
          ['grid_mm'],
          `is ${input.grid_mm} mm, ${Math.round(cells)} cells on this board; give a coarser grid`,
        );
      }
      return;
    }
    if (input.duration_s > LONGEST_HAND_s) {
      refuse(['duration_s'], `is ${input.duration_s} s; an iron is followed for ${LONGEST_HAND_s} s at most`);
    }
    if (input.shields.length > 0) refuse(['shields'], 'belong to hot air; leave them out here');
    const pads = padNamesOf(part);
    if (load.pad !== undefined && !pads.includes(load.pad)) {
      refuse(['load', 'pad'], `is "${load.pad}"; the part has pins ${pads[0]} to ${pads.at(-1)}`);
    }
    if (load.kind === 'gun' && load.nozzleOuter_mm <= load.nozzleInner_mm) {
      refuse(
        ['load', 'nozzleOuter_mm'],
        `is ${load.nozzleOuter_mm} mm, no wider than its bore; give more than nozzleInner_mm`,
      );
    }
    if (load.kind === 'gun' && load.triggerAt_s > input.duration_s) {
      refuse(
        ['load', 'triggerAt_s'],
        `is ${load.triggerAt_s} s, after the run ends; give at most duration_s`,
      );
    }
  });
export type SimulateInput = z.infer<typeof simulateInput>;

/** Columns of a board-scale grid that one request may ask for. */
const MOST_COLUMNS = 60_000;

/** Where an iron works on a part with leads through the board. */
const opposite = (side: 'top' | 'bottom'): 'top' | 'bottom' => (side === 'top' ? 'bottom' : 'top');

/** A hand load on one pin of a through-hole part. */
export function jointScenarioOf(
  input: SimulateInput,
  load: Extract<SimulateInput['load'], { kind: 'iron' | 'gun' }>,
): JointScenario {
  const { site } = input;
  const part = packageOf(site.package as PackageRecord);
  const placed = {
    side: site.side,
    x_m: metres(site.x_mm),
    y_m: metres(site.y_mm),
    rotation_rad: radians(site.rotation_deg),
  };
  const at = padPlaces(placed, part).find((place) => place.pad === load.pad) ?? placed;
  return {
    ambient_K: kelvin(input.ambient_C),
    board: boardAbout(fieldBoardOf(input.board), at.x_m, at.y_m),
    part,
    partSide: input.site.side,
    face: 'solder-side',
    alloy: input.site.alloy,
    pad: load.pad,
    connections: connectionsOf(input, load.pad),
    iron: {
      setpoint_K: kelvin(load.setpoint_C),
      power_W: load.power_W,
      tip:
        load.kind === 'iron'
          ? tipOf(load.tip)
          : {
              shape: 'hollow',
              construction: 'gun',
              width_m: metres(load.nozzleOuter_mm),
              inner_m: metres(load.nozzleInner_mm),
            },
      fluxed: load.fluxed,
      freshSolder: load.freshSolder,
    },
    preheat: preheatOf(input.preheat, opposite(input.site.side)),
  };
}
