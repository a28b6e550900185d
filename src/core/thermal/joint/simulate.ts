import type { EnergyAccount, Integration } from '../network/integrate';
import type { Recorded } from '../network/recorder';
import { alone, type Prepared } from '../network/prepared';
import { NetworkBuilder, type ThermalNetwork } from '../network/network';
import { SOLVER } from '../network/settings';
import { soaked, type FaceFilm, type Soaked } from '../preheat';
import { firstReached_s } from '../history';
import { addBarrel, type SolderPlace } from './barrel';
import { addGuest, type Guest } from './guests';
import {
  RingBuilder,
  holeMesh,
  mix,
  ringSpot,
  type RingField,
  type RingSpot,
  type Surroundings,
} from './rings';
import { meltingOf, NOMINAL, type Factors, type JointScenario } from './scenario';
import { addTip, contact_W_K, sectorsUnder, touch } from './tip';

export interface JointModel {
  readonly network: ThermalNetwork;
  readonly rings: RingField;
  readonly solder: readonly SolderPlace[];
  readonly liquidus_K: number;
  readonly place: {
    readonly heater: number;
    readonly face: number;
    readonly body: number;
    /** Plastic about the pin; null where its body holds it otherwise. */
    readonly sleeve: number | null;
    readonly land: number;
    readonly farLand: number;
    /** In the order of the guests given. */
    readonly guests: readonly number[];
  };
}

/** Histories of one joint run; temperatures in K at the times in `time_s`. */
export interface JointRun {
  readonly outcome: Integration['outcome'];
  readonly time_s: Float64Array;
  readonly tip_K: Float64Array;
  /** Land under the iron, on the tip's side: where the bond is at stake. */
  readonly land_K: Float64Array;
  readonly farLand_K: Float64Array;
  /** Laminate inside the land, mean through the thickness: what delaminates. */
  readonly laminate_K: Float64Array;
  readonly coldestSolder_K: Float64Array;
  /** Every solder lump from the iron's face to the far one. */
  readonly solder: readonly { readonly where: SolderPlace['where']; readonly history_K: Float64Array }[];
  readonly body_K: Float64Array;
  /** Plastic about the pin where it enters its moulding; null where there is none. */
  readonly plastic_K: Float64Array | null;
  /** Both faces at a distance from the joint, in the order of `RunOptions.probes`. */
  readonly probes_K: readonly Float64Array[];
  /** Bodies of the guests, in the order of `RunOptions.guests`. */
  readonly guests_K: readonly Float64Array[];
  readonly solidus_s: number | null;
  readonly liquidus_s: number | null;
  readonly fullMelt_s: number | null;
  /** Where solder was last to melt, or still solid at the end. */
  readonly lastToMelt: SolderPlace['where'];
  readonly energy: EnergyAccount;
  readonly steps: number;
}

export interface Probe {
  readonly distance_m: number;
  readonly face: 'near' | 'far';
}

export interface RunOptions {
  readonly duration_s: number;
  readonly probes?: readonly Probe[];
  /** Other parts on either face: they take heat, and their bodies are followed. */
  readonly guests?: readonly Guest[];
  readonly factors?: Factors;
  readonly tolerance_K?: number;
  readonly maxStep_s?: number;
  /** Solder counts as molten this far over its liquidus: what a gun's suction needs. */
  readonly meltMargin_K?: number;
  /** Asked after each step with the land's temperature and whether every solder node is liquid. */
  readonly stopWhen?: (time_s: number, land_K: number, molten: boolean) => boolean;
}

/**
 * Builds the network of one joint under one iron. Nodes: rings, then barrel and part, then tip. Steps mind where solder comes to so
 * much over its liquidus.
 */
export function buildJoint(
  scenario: JointScenario,
  factors: Factors = NOMINAL,
  guests: readonly Guest[] = [],
  margin_K = 0,
): JointModel {
  const net = new NetworkBuilder();
  const warm = soaked(scenario.board, scenario.preheat, scenario.ambient_K);
  const { board_K } = warm;
  const ironOnTop = (scenario.partSide === 'top') === (scenario.face === 'component-side');
  const mesh = holeMesh(scenario, ironOnTop, factors);
  const field = new RingBuilder(net, scenario, surroundingsOf(warm, ironOnTop, factors), mesh, factors);
  const sectors = sectorsUnder(scenario.iron);
  const melting = meltingOf(scenario);
  const liquidus_K = Math.max(melting.liquidus_K, melting.solidus_K + SOLVER.eutecticSmear_K);
  const barrel = addBarrel(net, scenario, mesh, board_K, factors, sectors, liquidus_K + margin_K);
  const rings = field.close(barrel.landLinks, sectors);
  const tip = addTip(net, scenario.iron, scenario.ambient_K, factors);
  const bodies = guests.map((guest) => addGuest(net, rings, guest, board_K, scenario.ambient_K, factors));
  const contact = contact_W_K(scenario.iron, scenario.part.landDiameter_m, factors);
  touch(net, scenario.iron, contact, tip.face, barrel.nearFillet, factors);
  return {
    network: net.done(),
    rings,
    solder: barrel.solder,
    liquidus_K,
    place: {
      ...tip,
      body: barrel.body,
      sleeve: barrel.sleeve,
      land: rings.land[0]!,
      farLand: rings.node[0]![rings.sheets.length - 1]!,
      guests: bodies,
    },
  };
}

/** The board is turned so that the iron works from above; a preheater stands below, or warms the same face. */
export function surroundingsOf(
  { board_K, work, far }: Soaked,
  ironOnTop: boolean,
  factors: Factors,
): Surroundings {
  const scattered = (face: FaceFilm): FaceFilm => ({
    ...face,
    film_W_m2K: face.film_W_m2K * factors.film,
  });
  return { board_K, ironOnTop, nearFilm: scattered(work), farFilm: scattered(far) };
}

/** Runs one joint from touch-down. Throws only on a network with non-finite or non-positive data. */
export const simulateJoint = (scenario: JointScenario, options: RunOptions): JointRun =>
  alone(preparedJoint(scenario, options));

/** A joint ready to run: its network, what is asked of it, and how its run is read. */
export function preparedJoint(scenario: JointScenario, options: RunOptions): Prepared<JointRun> {
  const margin_K = options.meltMargin_K ?? 0;
  const model = buildJoint(scenario, options.factors, options.guests, margin_K);
  const { place, solder } = model;
  const probes = (options.probes ?? []).map((probe) => ringSpot(model.rings, probe.distance_m, probe.face));
  const tracked = [
    place.face,
    place.land,
    place.farLand,
    place.body,
    ...model.rings.node[0]!,
    ...solder.map((s) => s.node),
    ...place.guests,
    ...probes.flatMap((p) => [p.inner, p.outer]),
    ...(place.sleeve === null ? [] : [place.sleeve]),
  ];
  const stop = options.stopWhen;
  const molten_K = model.liquidus_K + margin_K;
  const molten = (at_K: (node: number) => number): boolean => {
    for (const { node } of solder) if (at_K(node) < molten_K) return false;
    return true;
  };
  return {
    network: model.network,
    options: {
      duration_s: options.duration_s,
      tracked,
      tolerance_K: options.tolerance_K,
      maxStep_s: options.maxStep_s,
      stopWhen: stop && ((time_s, _step_s, at_K) => stop(time_s, at_K(place.land), molten(at_K))),
    },
    read: (run) => jointRunOf(run, model, probes, margin_K),
  };
}

function jointRunOf(
  run: Integration,
  { place, rings, solder, liquidus_K }: JointModel,
  probes: readonly RingSpot[],
  margin_K: number,
): JointRun {
  const { recorded } = run;
  // In the order they are tracked in.
  const landAt = 4;
  const solderAt = landAt + rings.sheets.length;
  const guestAt = solderAt + solder.length;
  const probeAt = guestAt + place.guests.length;
  const sleeveAt = probeAt + 2 * probes.length;
  const melts = crossingsOf(run.liquidus_s);
  const coldestSolder_K = recorded.coldest_K(solderAt, solder.length);
  const fullMelt_s =
    margin_K > 0
      ? firstReached_s(run.time_s, coldestSolder_K, liquidus_K + margin_K)
      : melts.all
        ? run.liquidus_s[melts.last]!
        : null;
  return {
    outcome: run.outcome,
    time_s: run.time_s,
    tip_K: recorded.history_K(0),
    land_K: recorded.history_K(1),
    farLand_K: recorded.history_K(2),
    body_K: recorded.history_K(3),
    plastic_K: place.sleeve === null ? null : recorded.history_K(sleeveAt),
    laminate_K: recorded.mean_K(landAt, laminateShares(rings)),
    coldestSolder_K,
    solder: solder.map(({ where }, i) => new SolderHistory(where, recorded, solderAt + i)),
    guests_K: place.guests.map((_, i) => recorded.history_K(guestAt + i)),
    probes_K: probes.map(({ weight }, i) =>
      mix(recorded.history_K(probeAt + 2 * i), recorded.history_K(probeAt + 2 * i + 1), weight),
    ),
    solidus_s: crossingsOf(run.solidus_s).first_s,
    liquidus_s: melts.first_s,
    fullMelt_s,
    lastToMelt:
      solder[fullMelt_s === null ? coldestAtEnd(recorded, solderAt, solder.length) : melts.last]!.where,
    energy: run.energy,
    steps: run.steps,
  };
}

function coldestAtEnd(recorded: Recorded, from: number, count: number): number {
  let coldest = 0;
  for (let i = 1; i < count; i++) {
    if (recorded.last_K(from + i) < recorded.last_K(from + coldest)) coldest = i;
  }
  return coldest;
}

/** A lump's history, drawn out of the run only where somebody reads it. */
class SolderHistory {
  constructor(
    readonly where: SolderPlace['where'],
    private readonly recorded: Recorded,
    private readonly tracked: number,
  ) {}

  get history_K(): Float64Array {
    return this.recorded.history_K(this.tracked);
  }
}

/** Of a level's crossings by lump, NaN where none came: the first, which lump was last, and whether all came. */
function crossingsOf(times_s: Float64Array): { first_s: number | null; last: number; all: boolean } {
  let first_s = Infinity;
  let last = 0;
  let all = true;
  for (let i = 0; i < times_s.length; i++) {
    const at_s = times_s[i]!;
    if (Number.isNaN(at_s)) all = false;
    if (at_s < first_s) first_s = at_s;
    if (at_s > times_s[last]!) last = i;
  }
  return { first_s: first_s < Infinity ? first_s : null, last, all };
}

/** Of the laminate inside the land, by sheet: its mean through the thickness. */
function laminateShares({ sheets }: RingField): number[] {
  const total_m = sheets.reduce((sum, sheet) => sum + sheet.laminate_m, 0);
  return sheets.map((sheet) => sheet.laminate_m / total_m);
}
