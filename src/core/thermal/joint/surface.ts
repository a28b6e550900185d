import { ALLOYS, type AlloyId } from '~/core/materials/alloys';
import { STILL_AIR } from '~/core/materials/air';
import { COPPER } from '~/core/materials/copper';
import { LAMINATES } from '~/core/materials/laminates';
import { WIRE } from '~/core/materials/consumables';
import { formOf, type PadForm } from '~/core/packages/form';
import type { SurfacePackage } from '~/core/packages/surface';
import type { MeltingRange } from '~/core/solder/mixture';
import type { Recorded } from '../network/recorder';
import { SOLVER } from '../network/settings';
import type { EnergyAccount, Integration } from '../network/integrate';
import { alone, type Prepared } from '../network/prepared';
import { NetworkBuilder } from '../network/network';
import { soaked, type Preheat } from '../preheat';
import type { Board } from '../stackup';
import { addGuest, type Guest } from './guests';
import { mix, ringMesh, ringSpot, RingBuilder, type RingSpot } from './rings';
import { meltingOf, NOMINAL, type Connection, type Factors, type Iron } from './scenario';
import { surroundingsOf } from './simulate';
import { addTip, contact_W_K, touch } from './tip';

/** Pads of a surface part under an iron (one pad) or tweezers (a tip on each of two). */
export interface SurfaceScenario {
  readonly ambient_K: number;
  readonly board: Board;
  readonly part: SurfacePackage;
  readonly partSide: 'top' | 'bottom';
  readonly alloy: AlloyId;
  /** Pads that a tip stands on. */
  readonly heated: readonly string[];
  /** One tip drawn over all of them in turn, on a bead that stays molten between visits; else a tip on each. */
  readonly swept?: boolean | undefined;
  /** Solder added to each heated pad; left out, what a hand usually adds if it adds any. */
  readonly added_m3?: number | undefined;
  /** Where the solder melts, if something was melted into it; else as its alloy does. */
  readonly melting?: MeltingRange | undefined;
  readonly connections: Readonly<Record<string, readonly Connection[]>>;
  readonly iron: Iron;
  readonly preheat: Preheat | null;
  /** Other parts on either face, each by its distance from every heated pad, in their order. */
  readonly guests?: readonly { readonly from: readonly Guest[] }[];
}

export interface SurfacePadRun {
  readonly pad: string;
  /** Pads that this one stands for, itself among them: alike in copper, land and lead, and heated alike. */
  readonly like: readonly string[];
  readonly heated: boolean;
  readonly solidus_s: number | null;
  readonly liquidus_s: number | null;
  readonly solder_K: Float64Array;
  readonly land_K: Float64Array;
  readonly farFace_K: Float64Array;
  readonly area_m2: number;
}

export interface SurfaceRun {
  readonly outcome: Integration['outcome'];
  readonly time_s: Float64Array;
  readonly tip_K: Float64Array;
  readonly body_K: Float64Array;
  /** Heated pads and, on parts of up to `FOLLOWED_PADS`, all others. */
  readonly pads: readonly SurfacePadRun[];
  readonly bodyLimit_K: number;
  /** In the order of the guests given. */
  readonly guests: readonly { readonly joint_K: Float64Array; readonly body_K: Float64Array }[];
  readonly energy: EnergyAccount;
}

export interface SurfaceOptions {
  readonly duration_s: number;
  readonly factors?: Factors;
  readonly tolerance_K?: number | undefined;
  /** Asked after each step with the hottest heated land and whether all heated solder is liquid. */
  readonly stopWhen?: ((time_s: number, land_K: number, molten: boolean) => boolean) | undefined;
}

/** Parts of more pads than this have their unheated ones lumped into one path to the board. */
const FOLLOWED_PADS = 4;

/**
 * Runs pads of a surface part from touch-down. Each followed pad stands on rings of its own: two pads
 * do not warm each other through the board, only through the part (at 1 to 10 s the board carries heat a
 * few millimetres, and what a neighbour gains is on the safe side of the melt).
 */
export const simulateSurface = (scenario: SurfaceScenario, options: SurfaceOptions): SurfaceRun =>
  alone(preparedSurface(scenario, options));

/** The same, ready to run. */
export function preparedSurface(
  scenario: SurfaceScenario,
  { duration_s, factors = NOMINAL, tolerance_K, stopWhen }: SurfaceOptions,
): Prepared<SurfaceRun> {
  const { board, part } = scenario;
  const melting = meltingOf(scenario);
  const net = new NetworkBuilder();
  const warm = soaked(board, scenario.preheat, scenario.ambient_K);
  const { board_K } = warm;
  const form = formOf(part, scenario.alloy, board.thickness_m);
  const onTop = scenario.partSide === 'top';
  const around = surroundingsOf(warm, onTop, factors);
  const followed = followedPads(scenario, form.pads);

  const joints = followed.map(({ pad, like }) => {
    const connections = scenario.connections[pad.pad] ?? [];
    const landRadius_m = Math.sqrt((pad.width_m * pad.height_m) / Math.PI);
    const mesh = ringMesh(
      { board, connections },
      { barrelRadius_m: 0.25 * landRadius_m, landRadius_m },
      onTop,
      factors,
    );
    const many = net.times(like.length);
    const rings = new RingBuilder(many, { board, connections }, around, mesh, factors);
    return { pad, like, many, connections, mesh, rings, landRadius_m };
  });

  const body = net.node(form.body.capacity_J_K, board_K);
  const surface_m2 = form.body.top_m2 + form.body.sides_m2;
  net.toAir(body, STILL_AIR.partSurface.value * factors.film * surface_m2, scenario.ambient_K);
  const standing = followed.reduce((sum, { like }) => sum + like.length, 0);
  net.toAir(body, otherPads_W_K(scenario, form.pads.length - standing, form.pads[0]!), board_K);

  const landRadii_m = joints.map((joint) => joint.landRadius_m);
  const swept = scenario.swept ? addTip(net, scenario.iron, scenario.ambient_K, factors) : null;
  let tipFace = swept?.face ?? -1;
  const placed = joints.map(({ pad, like, many, connections, mesh, rings, landRadius_m }) => {
    const foot = many.node(pad.foot_J_K, board_K);
    const heated = scenario.heated.includes(pad.pad);
    const alloy = ALLOYS[scenario.alloy];
    const fresh_m3 = heated && scenario.iron.freshSolder ? (scenario.added_m3 ?? WIRE.addedToLand.value) : 0;
    const volume_m3 = pad.solder_m3 + fresh_m3;
    const mass_kg = volume_m3 * alloy.density.value;
    const solder = many.solder(
      {
        ...melting,
        capacitySolid_J_K: mass_kg * alloy.heatSolid.value,
        capacityLiquid_J_K: mass_kg * alloy.heatLiquid.value,
        latent_J: mass_kg * alloy.latentHeat.value,
      },
      board_K,
    );
    // Half of the solder's mean height lies between its middle and what it wets.
    const height_m = volume_m3 / (pad.width_m * pad.height_m);
    const wet = (2 * mesh.area_m2[0]!) / height_m;
    const both = (a: number, b: number, shape_m: number) =>
      many.link(a, b, alloy.conductivitySolid.value * shape_m, alloy.conductivityLiquid.value * shape_m);
    both(solder, foot, wet);
    many.link(foot, body, pad.lead_W_K);
    const field = rings.close([
      {
        node: solder,
        sheet: 0,
        sector: null,
        solid_W_K: alloy.conductivitySolid.value * wet,
        liquid_W_K: alloy.conductivityLiquid.value * wet,
      },
    ]);
    linkVias(many, connections, field.sheets, field.node[0]!);
    if (heated && swept) {
      // In turn: over time each pad has its share of what the tip passes to the bead under it.
      const whole = contact_W_K(scenario.iron, 2 * Math.max(...landRadii_m), factors);
      const share = like.length / scenario.heated.length;
      const contact = { under_W_K: whole.under_W_K * share, bead_W_K: whole.bead_W_K * share };
      touch(net, scenario.iron, contact, swept.face, [solder], factors);
    } else if (heated) {
      const tip = addTip(net, scenario.iron, scenario.ambient_K, factors);
      const contact = contact_W_K(scenario.iron, 2 * landRadius_m, factors);
      touch(net, scenario.iron, contact, tip.face, [solder], factors);
      tipFace = tip.face;
    }
    return { pad, like, heated, solder, field, land: field.node[0]![0]!, farFace: field.node[0]!.at(-1)! };
  });
  const fields = scenario.heated.map((pad) => placed.find((p) => p.like.includes(pad))!.field);
  const guests = (scenario.guests ?? []).map(({ from }) => {
    const nearest = from.reduce(
      (best, guest, i) => (guest.distance_m < from[best]!.distance_m ? i : best),
      0,
    );
    const body = addGuest(net, fields[nearest]!, from[nearest]!, board_K, scenario.ambient_K, factors);
    return {
      body,
      nearest,
      spots: from.map((guest, i) => ringSpot(fields[i]!, guest.distance_m, guest.face)),
    };
  });

  const tracked = [
    tipFace,
    body,
    ...placed.flatMap((p) => [p.solder, p.land, p.farFace]),
    ...guests.flatMap((g) => [g.body, ...g.spots.flatMap((spot) => [spot.inner, spot.outer])]),
  ];
  const network = net.done();
  const worked = placed.filter((p) => p.heated);
  const molten_K = Math.max(melting.liquidus_K, melting.solidus_K + SOLVER.eutecticSmear_K);
  const melted = (times: Float64Array, i: number): number | null => {
    const at_s = times[i]!;
    return Number.isNaN(at_s) ? null : at_s;
  };
  return {
    network,
    options: {
      duration_s,
      tracked,
      tolerance_K,
      stopWhen:
        stopWhen &&
        ((time_s, _step_s, at_K) =>
          stopWhen(
            time_s,
            worked.reduce((hottest, p) => Math.max(hottest, at_K(p.land)), 0),
            worked.every((p) => at_K(p.solder) >= molten_K),
          )),
    },
    read: (run) => ({
      outcome: run.outcome,
      time_s: run.time_s,
      tip_K: run.recorded.history_K(0),
      body_K: run.recorded.history_K(1),
      bodyLimit_K: form.body.limit_K,
      pads: placed.map(({ pad, like, heated }, i) => ({
        pad: pad.pad,
        like,
        heated,
        solidus_s: melted(run.solidus_s, i),
        liquidus_s: melted(run.liquidus_s, i),
        solder_K: run.recorded.history_K(2 + 3 * i),
        land_K: run.recorded.history_K(3 + 3 * i),
        farFace_K: run.recorded.history_K(4 + 3 * i),
        area_m2: pad.width_m * pad.height_m,
      })),
      guests: guestRows(guests, run.recorded, 2 + 3 * placed.length, board_K),
      energy: run.energy,
    }),
  };
}

/**
 * Pads with nodes of their own: those that are heated and, on small parts, all others. Under one swept tip pads
 * that are alike stand as one for all of them; under a tip on each they stand apart.
 */
function followedPads(
  scenario: SurfaceScenario,
  pads: readonly PadForm[],
): { readonly pad: PadForm; readonly like: readonly string[] }[] {
  const heated = new Set(scenario.heated);
  const kept = pads.filter((pad) => heated.has(pad.pad) || pads.length <= FOLLOWED_PADS);
  if (!scenario.swept) return kept.map((pad) => ({ pad, like: [pad.pad] }));
  const classes = new Map<string, { pad: PadForm; like: string[] }>();
  for (const pad of kept) {
    // A land turned a quarter is the same land.
    const sides = [pad.width_m, pad.height_m].sort((a, b) => a - b).map((side) => side.toFixed(7));
    const key = JSON.stringify([
      heated.has(pad.pad),
      scenario.connections[pad.pad] ?? [],
      sides,
      pad.lead_W_K.toFixed(9),
    ]);
    const known = classes.get(key);
    if (known) known.like.push(pad.pad);
    else classes.set(key, { pad, like: [pad.pad] });
  }
  return [...classes.values()];
}

/**
 * Tips on two pads warm a guest from both: what each field of rings adds over the board as it was is
 * summed, in its joint as in its body, which itself stands in the nearest field alone.
 */
function guestRows(
  guests: readonly { readonly nearest: number; readonly spots: readonly RingSpot[] }[],
  recorded: Recorded,
  from: number,
  board_K: number,
): SurfaceRun['guests'] {
  let next = from;
  return guests.map(({ nearest, spots }) => {
    const body_K = recorded.history_K(next++);
    const joint_K = new Float64Array(body_K.length).fill(board_K);
    spots.forEach(({ weight }, i) => {
      const here_K = mix(recorded.history_K(next++), recorded.history_K(next++), weight);
      for (let t = 0; t < joint_K.length; t++) {
        const excess_K = here_K[t]! - board_K;
        joint_K[t]! += excess_K;
        if (i !== nearest) body_K[t]! += excess_K;
      }
    });
    return { joint_K, body_K };
  });
}

/** A via in or beside the land for each connection to another layer. */
function linkVias(
  net: NetworkBuilder,
  connections: readonly Connection[],
  sheets: readonly { readonly layer: number | null; readonly near_m: number }[],
  land: readonly number[],
): void {
  for (const connection of connections) {
    if (connection.kind === 'isolated') continue;
    for (const layer of connection.layers) {
      const sheet = sheets.findIndex((s) => s.layer === layer);
      if (sheet <= 0) continue;
      const wall_m2 = Math.PI * COPPER.viaDrill.value * COPPER.plating.value;
      net.link(land[0]!, land[sheet]!, (COPPER.conductivity.value * wall_m2) / sheets[sheet]!.near_m);
    }
  }
}

/** From the body through all pads that are not followed into a board that stays as it is, W/K. */
function otherPads_W_K(scenario: SurfaceScenario, count: number, like: PadForm): number {
  const laminate = LAMINATES[scenario.board.laminate];
  const land_m = Math.sqrt((like.width_m * like.height_m) / Math.PI);
  // A disc on a half-space, 4 k a (Carslaw & Jaeger §8.2), and a track about as good again.
  const spread_W_K = 8 * laminate.conductivityInPlane.value * land_m;
  return Math.max(1e-9, (count * like.lead_W_K * spread_W_K) / (like.lead_W_K + spread_W_K));
}
