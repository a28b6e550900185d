import { COPPER } from '~/core/materials/copper';
import { LAMINATES } from '~/core/materials/laminates';
import type { NetworkBuilder } from '../network/network';
import { ringGeometry, type RingGeometry, type RingRadii } from './ringGeometry';
import { isPlated, type Factors, type JointBoard, type JointScenario } from './scenario';
import { JOINT } from './settings';
import { sheetProfile, type PlacedSheet, type SheetProfile } from './sheetProfile';

/** The board about one joint, beyond and including its land. */
export interface RingField {
  /** Sheets from the iron's face to the far face. */
  readonly sheets: readonly PlacedSheet[];
  /** `node[ring][sheet]`; ring 0 is the land, on the iron's face its side under the tip. */
  readonly node: readonly (readonly number[])[];
  /** The land on the iron's face by sectors, from under the tip to the far side. */
  readonly land: readonly number[];
  /** Middle radius of each ring, m (geometric mean). */
  readonly radius_m: readonly number[];
}

interface Film {
  readonly film_W_m2K: number;
  readonly air_K: number;
}

export interface Surroundings {
  readonly board_K: number;
  readonly nearFilm: Film;
  readonly farFilm: Film;
  readonly ironOnTop: boolean;
}

/** What ties the barrel to ring 0: a node, the sheet it meets, and the conductance solid and molten. */
export interface LandLink {
  readonly node: number;
  readonly sheet: number;
  /** The sector it belongs to; null goes all round. */
  readonly sector: number | null;
  readonly solid_W_K: number;
  readonly liquid_W_K: number;
}

/** Geometry and conductions of the board about one joint, before any node exists. */
export interface RingMesh extends RingGeometry {
  readonly profiles: readonly SheetProfile[];
  /** Barrel to ring 0, by sheet, W/K. */
  readonly barrel_W_K: readonly number[];
}

/** The mesh about a plated or bare hole. */
export function holeMesh(scenario: JointScenario, ironOnTop: boolean, factors: Factors): RingMesh {
  const { part } = scenario;
  const barrelRadius_m = part.holeDiameter_m / 2 + (isPlated(scenario) ? COPPER.plating.value : 0);
  const landRadius_m = Math.max(part.landDiameter_m / 2, barrelRadius_m * 1.1);
  return ringMesh(scenario, { barrelRadius_m, landRadius_m }, ironOnTop, factors);
}

export function ringMesh(
  scenario: JointBoard,
  radii: RingRadii,
  ironOnTop: boolean,
  factors: Factors,
  rings: number = JOINT.rings,
): RingMesh {
  const geometry = ringGeometry(scenario.board, radii, ironOnTop, rings);
  const profiles = geometry.sheets.map((sheet) => sheetProfile(scenario, sheet, factors, radii));
  const middle_m = geometry.radius_m[0]!;
  return {
    ...geometry,
    profiles,
    barrel_W_K: profiles.map((profile) => 1 / profile.resistance_K_W(radii.barrelRadius_m, middle_m)),
  };
}

/** Nodes of one face about a distance from the joint, and the outer one's share. */
export interface RingSpot {
  readonly inner: number;
  readonly outer: number;
  readonly weight: number;
}

/** Where a distance lies among the rings, in the logarithm of the radius; beyond the last it is the last. */
export function ringSpot(rings: RingField, distance_m: number, face: 'near' | 'far'): RingSpot {
  const sheet = face === 'near' ? 0 : rings.sheets.length - 1;
  const radii = rings.radius_m;
  const above = radii.findIndex((r) => r >= distance_m);
  const outer = above < 0 ? radii.length - 1 : Math.max(above, 1);
  const share = Math.log(distance_m / radii[outer - 1]!) / Math.log(radii[outer]! / radii[outer - 1]!);
  return {
    inner: rings.node[outer - 1]![sheet]!,
    outer: rings.node[outer]![sheet]!,
    weight: Math.min(1, Math.max(0, share)),
  };
}

/** History between two nodes. */
export function mix(a: Float64Array, b: Float64Array, weightOfB: number): Float64Array {
  return a.map((value, i) => value + weightOfB * (b[i]! - value));
}

interface Fin {
  readonly sheet: number;
  readonly section_m2: number;
  readonly count: number;
}

/**
 * Adds log-spaced rings from the barrel to the disc of the board's area: conduction in each sheet
 * (copper by connection class, laminate beside it), through the laminate between sheets, loss to air
 * on both faces. A track is a fin of its own that hands its heat to the rings it crosses; its lateral
 * link is taken as twice the laminate's conductivity per length (assumed, strip on a thick slab).
 * Rings are added first, from outside in; `close` adds the land after the barrel's nodes, because what
 * lies before the solder never changes and is eliminated once for each length of step.
 */
export class RingBuilder {
  private readonly node: number[][];
  private readonly land: number[] = [];
  private readonly finNode: number[][];
  private readonly fins: readonly Fin[];
  private readonly inPlane_W_mK: number;
  private readonly through_W_mK: number;
  private readonly heat_J_m3K: number;

  constructor(
    private readonly net: NetworkBuilder,
    scenario: JointBoard,
    private readonly around: Surroundings,
    private readonly mesh: RingMesh,
    factors: Factors,
  ) {
    const laminate = LAMINATES[scenario.board.laminate];
    this.inPlane_W_mK = laminate.conductivityInPlane.value * factors.laminate;
    this.through_W_mK = laminate.conductivityThrough.value * factors.laminate;
    this.heat_J_m3K = laminate.volumetricHeat.value;
    this.fins = scenario.connections.flatMap((track) =>
      track.kind !== 'track'
        ? []
        : track.layers.map((layer) => ({
            sheet: mesh.sheets.findIndex((s) => s.layer === layer),
            section_m2: track.width_m * scenario.board.copper[layer - 1]!.thickness_m * track.count,
            count: track.count,
          })),
    );
    this.node = mesh.radius_m.map(() => []);
    this.finNode = mesh.radius_m.map(() => []);
    for (let ring = mesh.radius_m.length - 1; ring > 0; ring--) {
      this.addRing(ring);
      this.addFins(ring);
    }
  }

  /** Adds ring 0, its near face in sectors, and ties the barrel to it. */
  close(barrel: readonly LandLink[], sectors = 1): RingField {
    this.addRing(0, sectors);
    const { land } = this;
    this.fins.forEach((fin, f) => {
      const span_m = this.mesh.radius_m[1]! - this.mesh.landRadius_m;
      // Which way a track leaves is not known: every sector has its share of it.
      this.linkLand(this.finNode[1]![f]!, fin.sheet, this.alongTrack(fin, span_m));
    });
    for (const { node, sheet, sector, solid_W_K, liquid_W_K } of barrel) {
      if (sector !== null && sheet === 0) this.net.link(node, land[sector]!, solid_W_K, liquid_W_K);
      else this.linkLand(node, sheet, solid_W_K, liquid_W_K);
    }
    return { sheets: this.mesh.sheets, node: this.node, land, radius_m: this.mesh.radius_m };
  }

  private linkLand(node: number, sheet: number, solid_W_K: number, liquid_W_K = solid_W_K): void {
    const ends = sheet === 0 ? this.land : [this.node[0]![sheet]!];
    for (const end of ends) this.net.link(node, end, solid_W_K / ends.length, liquid_W_K / ends.length);
  }

  private addRing(ring: number, sectors = 1): void {
    const { net, mesh, around } = this;
    const area_m2 = mesh.area_m2[ring]!;
    const at = new Array<number>(mesh.sheets.length).fill(-1);
    const near: number[] = [];
    let last = -1;
    let last_m = 0;
    mesh.lumps[ring]!.forEach(({ sheets, near_m }, k) => {
      let capacity_J_K = 0;
      for (const j of sheets) capacity_J_K += area_m2 * this.heat_J_m2K(ring, j);
      if (k === 0) {
        for (let s = 0; s < sectors; s++) near.push(net.node(capacity_J_K / sectors, around.board_K));
        last = near[0]!;
      } else {
        const here = net.node(capacity_J_K, around.board_K);
        const through_W_K = (area_m2 * this.through_W_mK) / (near_m - last_m);
        if (k === 1) for (const node of near) net.link(node, here, through_W_K / sectors);
        else net.link(last, here, through_W_K);
        last = here;
      }
      last_m = near_m;
      for (const j of sheets) at[j] = last;
    });
    this.node[ring] = at;
    const outer = this.node[ring + 1];
    if (outer) this.linkOutward(ring, at, near, outer);
    if (ring === 0) {
      // From middle to middle of two sectors, on both sides of the half turn that they stand for.
      const around_W_K =
        (2 * mesh.profiles[0]!.land_W_K * Math.log(mesh.bounds_m[1]! / mesh.bounds_m[0]!)) /
        (Math.PI / sectors);
      for (let s = 1; s < sectors; s++) net.link(near[s - 1]!, near[s]!, around_W_K);
      this.land.push(...near);
    }
    const { nearFilm, farFilm } = around;
    for (const node of near) {
      net.toAir(node, (area_m2 * nearFilm.film_W_m2K) / near.length, nearFilm.air_K);
    }
    net.toAir(at.at(-1)!, area_m2 * farFilm.film_W_m2K, farFilm.air_K);
  }

  private heat_J_m2K(ring: number, sheet: number): number {
    const profile = this.mesh.profiles[sheet]!;
    const copper_m = ring === 0 ? profile.landCopper_m : profile.fieldCopper_m(this.mesh.radius_m[ring]!);
    return this.heat_J_m3K * this.mesh.sheets[sheet]!.laminate_m + COPPER.volumetricHeat.value * copper_m;
  }

  /** Along each sheet to the next ring; sheets that share both their nodes share the link. */
  private linkOutward(
    ring: number,
    at: readonly number[],
    near: readonly number[],
    outer: readonly number[],
  ): void {
    const { net, mesh } = this;
    const [from_m, to_m] = [mesh.radius_m[ring]!, mesh.radius_m[ring + 1]!];
    const last = at.length - 1;
    let sum_W_K = 0;
    for (let j = 0; j <= last; j++) {
      sum_W_K += 1 / mesh.profiles[j]!.resistance_K_W(from_m, to_m);
      if (j < last && at[j + 1] === at[j] && outer[j + 1] === outer[j]) continue;
      if (at[j] === near[0]) {
        for (const node of near) net.link(outer[j]!, node, sum_W_K / near.length);
      } else net.link(outer[j]!, at[j]!, sum_W_K);
      sum_W_K = 0;
    }
  }

  private addFins(ring: number): void {
    const { net, mesh } = this;
    if (mesh.bounds_m[ring]! > JOINT.trackReach_m) return;
    this.fins.forEach((fin, f) => {
      const length_m = mesh.bounds_m[ring + 1]! - mesh.bounds_m[ring]!;
      const here = net.node(fin.section_m2 * length_m * COPPER.volumetricHeat.value, this.around.board_K);
      this.finNode[ring]!.push(here);
      net.link(here, this.node[ring]![fin.sheet]!, 2 * this.inPlane_W_mK * length_m * fin.count);
      const outer = this.finNode[ring + 1]?.[f];
      if (outer !== undefined) {
        net.link(outer, here, this.alongTrack(fin, mesh.radius_m[ring + 1]! - mesh.radius_m[ring]!));
      }
    });
  }

  private alongTrack(fin: Fin, span_m: number): number {
    return (COPPER.conductivity.value * fin.section_m2) / span_m;
  }
}
