import { SHIELDS, SURFACE } from '~/core/materials/surfaces';
import { onBoard } from '~/core/packages/placement';
import { jetOver } from '../surface/jetFilm';
import { AirAlong, type JetArrays } from './airAlong';
import { characteristic_m } from '../preheat';
import { pairEmissivity, radiantFilm_W_m2K, type Facing } from '../surface/stillAir';
import type { BodyPlace } from './attachments';
import { naturalTable, preheaterTable, tabulate } from './filmTables';
import { TABLE, tableRow, type CalmTables, type FaceFilms, type FaceSurface } from './loops';
import type { FieldMesh } from './mesh';
import type { FieldFactors, FieldPart, Shield, Side, Stage } from './scenario';

/** The same for one body. */
export interface BodyFilm {
  hot_W_K: number;
  warmth: number;
  still_W_K: number;
}

/** Films of a whole run: laid anew at each stage, followed as faces warm. */
export class Films {
  readonly faces: Readonly<Record<Side, FaceFilms>>;
  readonly bodies: BodyFilm[];
  /** The stage's air over the face it blows on. */
  private air: AirAlong | null = null;
  private readonly surfaces: Readonly<Record<Side, FaceSurface>>;
  /** Still air and radiation, once a run: they differ by which way a face looks. */
  private readonly calm: Readonly<Record<Side, CalmTables>>;
  private readonly length_m: number;
  /** Film to the stage's preheater. */
  private readonly source_W_m2K: Float64Array;
  /** Film to the nozzle's own metal, where all of it is seen. */
  private readonly nozzle_W_m2K: Float64Array;
  private readonly jet: JetArrays;
  private stage: Stage | null = null;

  constructor(
    private readonly mesh: FieldMesh,
    private readonly bodyPlaces: readonly BodyPlace[],
    private readonly parts: readonly FieldPart[],
    private readonly shields: readonly Shield[],
    private readonly ambient_K: number,
    private readonly factors: FieldFactors,
  ) {
    const zeros = (): Float64Array => mesh.memory.array(mesh.columns);
    const table = (): Float64Array => mesh.memory.array(TABLE.rows);
    const face = (): FaceFilms => ({ hot_W_K: zeros(), warmth: zeros(), still_W_K: zeros() });
    this.faces = { top: face(), bottom: face() };
    this.bodies = bodyPlaces.map(() => ({ hot_W_K: 0, warmth: 0, still_W_K: 0 }));
    const surface = (side: Side): FaceSurface => ({
      area_m2: mesh.area_m2,
      open: this.openShare(side),
      emit: this.emissionShare(side),
    });
    this.surfaces = { top: surface('top'), bottom: surface('bottom') };
    const [length_m, width_m] = [mesh.x.edges_m.at(-1)!, mesh.y.edges_m.at(-1)!];
    this.length_m = characteristic_m({ length_m, width_m });
    const radiant = tabulate(
      table(),
      (t) => factors.stillAir * radiantFilm_W_m2K(SURFACE.maskEmissivity.value, t, ambient_K),
    );
    const natural = (facing: Facing): Float64Array => {
      const [own, still_W_m2K] = [table(), naturalTable(facing, ambient_K, this.length_m)];
      for (let row = 0; row < own.length; row++) own[row] = factors.stillAir * still_W_m2K[row]!;
      return own;
    };
    this.calm = { top: { natural: natural('up'), radiant }, bottom: { natural: natural('down'), radiant } };
    this.source_W_m2K = table();
    this.nozzle_W_m2K = table();
    this.jet = {
      warming: table(),
      base_W_m2K: zeros(),
      mouth: zeros(),
      taken_W_K: zeros(),
      against_W: zeros(),
    };
  }

  /** Lays the forced films of a stage; `follow` must be called after it. */
  begin(stage: Stage): void {
    this.stage = stage;
    this.air = null;
    const { preheat } = stage;
    if (preheat) {
      const facing: Facing = preheat.side === 'top' ? 'up' : 'down';
      this.source_W_m2K.set(preheaterTable(preheat, facing, this.length_m));
    }
    if (!stage.air) return;
    const { jet, x_m, y_m } = stage.air;
    const air_K = jet.air_K + this.factors.airOffset_K;
    const over = jetOver({ ...jet, air_K }, this.ambient_K);
    tabulate(this.jet.warming, (t) => over.warming(t));
    this.air = new AirAlong(this.mesh, over, this.jet, {
      x_m,
      y_m,
      excess_K: air_K - this.ambient_K,
      scale: this.factors.jet * SURFACE.jetFilm.value,
    });
    const nozzle_K = this.ambient_K + SURFACE.nozzleWarmth.value * (air_K - this.ambient_K);
    const pair = pairEmissivity(SURFACE.nozzleEmissivity.value, SURFACE.maskEmissivity.value);
    tabulate(this.nozzle_W_m2K, (t) => radiantFilm_W_m2K(pair, t, nozzle_K));
  }

  /** Sets every film for the faces' present temperatures (K, by column) and the bodies'. */
  follow(top_K: Float64Array, bottom_K: Float64Array, bodies_K: Float64Array): void {
    this.air?.begin();
    this.followFace('top', top_K);
    this.followFace('bottom', bottom_K);
    this.bodyPlaces.forEach((body, b) => this.followBody(body, b, bodies_K[b]!));
    this.warm();
  }

  /** A forced film takes the place of natural convection; a preheater of any kind hides the room and its air. */
  private followFace(side: Side, face_K: Float64Array): void {
    const { stage, ambient_K, nozzle_W_m2K, source_W_m2K } = this;
    const { loops } = this.mesh.memory;
    const film = this.faces[side];
    const surface = this.surfaces[side];
    const calm = this.calm[side];
    if (stage?.preheat?.side === side)
      loops.followPreheated(face_K, film, surface, source_W_m2K, this.factors.preheat);
    else if (this.air && stage?.air?.side === side)
      loops.followBlown(face_K, film, surface, calm, { ...this.jet, nozzle_W_m2K }, ambient_K);
    else loops.followCalm(face_K, film, surface, calm);
  }

  private followBody(body: BodyPlace, b: number, body_K: number): void {
    const { stage, air } = this;
    const part = this.parts[body.part]!;
    const row = tableRow(body_K);
    const film = this.bodies[b]!;
    const shield = this.shieldOver(part);
    const open = shield ? SHIELDS[shield.kind].film.value : 1;
    const emits = shield ? SHIELDS[shield.kind].emissivity.value / SURFACE.maskEmissivity.value : 1;
    const surface_m2 = body.top_m2 + body.sides_m2;
    const blown_m2 = body.top_m2 + SURFACE.sideFilm.value * body.sides_m2;
    film.hot_W_K = 0;
    film.warmth = 0;
    if (stage?.preheat && stage.preheat.side === part.side) {
      // Hanging into the preheater: its film over the whole body.
      film.hot_W_K = surface_m2 * open * this.source_W_m2K[row]!;
      film.warmth = 1;
      film.still_W_K = 0;
      return;
    }
    // Small bodies lose heat a little faster than a plate: their own length stands for the board's.
    const natural = this.calm[part.side].natural[row]!;
    const radiant = this.calm[part.side].radiant[row]! * emits;
    let jet = 0;
    let seen_m2 = 0;
    if (air && stage?.air?.side === part.side) {
      for (const { column, share } of body.under) {
        const at = air.film_W_m2K(column, body_K) * share;
        air.meets(column, blown_m2 * open * at, body_K - this.ambient_K);
        jet += at;
        seen_m2 += body.top_m2 * share * air.mouth[column]!;
      }
      const shone_W_K = emits * seen_m2 * this.nozzle_W_m2K[row]!;
      film.hot_W_K = blown_m2 * open * jet + shone_W_K;
      film.warmth = film.hot_W_K > 0 ? shone_W_K / film.hot_W_K : 0;
    }
    film.still_W_K = surface_m2 * open * Math.max(0, natural - jet) + radiant * (surface_m2 - seen_m2);
  }

  /** Follows the air outward past all that it met, and sets what it is then worth everywhere. */
  private warm(): void {
    const { air } = this;
    const blown = this.stage?.air;
    if (!air || !blown) return;
    const left = air.follow();
    const { hot_W_K, warmth } = this.faces[blown.side];
    const nozzle = SURFACE.nozzleWarmth.value;
    // What stands in `warmth` so far is the share that the nozzle's own metal has in the film.
    for (let c = 0; c < warmth.length; c++)
      if (hot_W_K[c]! > 0) warmth[c] = warmth[c]! * nozzle + (1 - warmth[c]!) * left[c]!;
    this.bodyPlaces.forEach((body, b) => {
      const film = this.bodies[b]!;
      if (this.parts[body.part]!.side !== blown.side || film.hot_W_K === 0) return;
      let met = 0;
      let brought = 0;
      for (const { column, share } of body.under) {
        met += air.base_W_m2K[column]! * share;
        brought += air.base_W_m2K[column]! * share * left[column]!;
      }
      film.warmth = film.warmth * nozzle + (1 - film.warmth) * (met > 0 ? brought / met : 0);
    });
  }

  /** What bodies and shields leave of the air at each column of a face. */
  private openShare(side: Side): Float64Array {
    const share = this.mesh.memory.array(this.mesh.columns).fill(1);
    for (const shield of this.shields) {
      if (shield.side === side) this.eachUnder(shield, (c) => (share[c]! *= SHIELDS[shield.kind].film.value));
    }
    return this.darkened(side, share);
  }

  private emissionShare(side: Side): Float64Array {
    const share = this.mesh.memory.array(this.mesh.columns).fill(1);
    for (const shield of this.shields) {
      const left = SHIELDS[shield.kind].emissivity.value / SURFACE.maskEmissivity.value;
      if (shield.side === side) this.eachUnder(shield, (c) => (share[c]! *= left));
    }
    return this.darkened(side, share);
  }

  /** A column is covered by what of a body's top lies over it. */
  private darkened(side: Side, share: Float64Array): Float64Array {
    for (const body of this.bodyPlaces) {
      if (this.parts[body.part]!.side !== side) continue;
      for (const under of body.under)
        share[under.column]! *=
          1 - Math.min(1, (body.top_m2 * under.share) / this.mesh.area_m2[under.column]!);
    }
    return share;
  }

  private eachUnder(shield: Shield, visit: (column: number) => void): void {
    const { mesh } = this;
    for (let c = 0; c < mesh.columns; c++) {
      const [x_m, y_m] = [mesh.x.middles_m[c % mesh.nx]!, mesh.y.middles_m[Math.floor(c / mesh.nx)]!];
      if (within(shield, x_m, y_m)) visit(c);
    }
  }

  private shieldOver(part: FieldPart): Shield | undefined {
    const middle = onBoard(part, 0, 0);
    return this.shields.find((s) => s.side === part.side && within(s, middle.x_m, middle.y_m));
  }
}

const within = (shield: Shield, x_m: number, y_m: number): boolean =>
  x_m >= shield.from_m[0] && x_m <= shield.to_m[0] && y_m >= shield.from_m[1] && y_m <= shield.to_m[1];
