import { SHIELDS, SURFACE } from '~/core/materials/surfaces';
import { onBoard } from '~/core/packages/placement';
import { jetOver } from '../surface/jetFilm';
import { AirAlong } from './airAlong';
import { characteristic_m } from '../preheat';
import { preheaterFilm_W_m2K } from '../surface/preheater';
import { naturalFilm_W_m2K, pairEmissivity, radiantFilm_W_m2K, type Facing } from '../surface/stillAir';
import type { BodyPlace } from './attachments';
import type { FaceFilms } from './loops';
import type { FieldMesh } from './mesh';
import type { FieldFactors, FieldPart, Shield, Side, Stage } from './scenario';

/** The same for one body. */
export interface BodyFilm {
  hot_W_K: number;
  warmth: number;
  still_W_K: number;
}

const TABLE_FROM_K = 240;
const TABLE_ROWS = 640;

/** Still air and radiation against a face's temperature, tabulated once per run. */
export class StillAir {
  private readonly natural: Readonly<Record<Facing, Float64Array>>;
  private readonly radiant: Float64Array;

  constructor(ambient_K: number, length_m: number, factor: number) {
    const table = (of: (surface_K: number) => number): Float64Array =>
      Float64Array.from({ length: TABLE_ROWS }, (_, i) => factor * of(TABLE_FROM_K + i));
    this.natural = {
      up: table((t) => naturalFilm_W_m2K('up', t, ambient_K, length_m)),
      down: table((t) => naturalFilm_W_m2K('down', t, ambient_K, length_m)),
    };
    this.radiant = table((t) => radiantFilm_W_m2K(SURFACE.maskEmissivity.value, t, ambient_K));
  }

  naturalAt(facing: Facing, surface_K: number): number {
    return this.natural[facing][row(surface_K)]!;
  }

  radiantAt(surface_K: number): number {
    return this.radiant[row(surface_K)]!;
  }
}

const row = (surface_K: number): number =>
  Math.min(TABLE_ROWS - 1, Math.max(0, Math.round(surface_K - TABLE_FROM_K)));

/** Films of a whole run: laid anew at each stage, followed as faces warm. */
export class Films {
  readonly faces: Readonly<Record<Side, FaceFilms>>;
  readonly bodies: BodyFilm[];
  /** The stage's air over the face it blows on. */
  private air: AirAlong | null = null;
  private readonly open: Readonly<Record<Side, Float64Array>>;
  private readonly emit: Readonly<Record<Side, Float64Array>>;
  private readonly still: StillAir;
  private readonly length_m: number;
  /** Film to the stage's preheater by a face's temperature, tabulated once per stage. */
  private source_W_m2K: Float64Array | null = null;
  /** Film to the nozzle's own metal, where all of it is seen, by a face's temperature. */
  private nozzle_W_m2K: Float64Array | null = null;
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
    const face = (): FaceFilms => ({ hot_W_K: zeros(), warmth: zeros(), still_W_K: zeros() });
    this.faces = { top: face(), bottom: face() };
    this.bodies = bodyPlaces.map(() => ({ hot_W_K: 0, warmth: 0, still_W_K: 0 }));
    this.open = { top: this.openShare('top'), bottom: this.openShare('bottom') };
    this.emit = { top: this.emissionShare('top'), bottom: this.emissionShare('bottom') };
    const length_m = mesh.nx * mesh.dx_m;
    const width_m = mesh.ny * mesh.dy_m;
    this.length_m = characteristic_m({ length_m, width_m });
    this.still = new StillAir(ambient_K, this.length_m, factors.stillAir);
  }

  /** Lays the forced films of a stage; `follow` must be called after it. */
  begin(stage: Stage): void {
    this.stage = stage;
    this.air = null;
    const { preheat } = stage;
    this.source_W_m2K =
      preheat &&
      Float64Array.from({ length: TABLE_ROWS }, (_, i) =>
        preheaterFilm_W_m2K(
          preheat.kind,
          preheat.setpoint_K,
          TABLE_FROM_K + i,
          preheat.side === 'top' ? 'up' : 'down',
          this.length_m,
        ),
      );
    if (!stage.air) return;
    const { jet, x_m, y_m } = stage.air;
    const air_K = jet.air_K + this.factors.airOffset_K;
    this.air = new AirAlong(this.mesh, jetOver({ ...jet, air_K }, this.ambient_K), {
      x_m,
      y_m,
      excess_K: air_K - this.ambient_K,
      scale: this.factors.jet * SURFACE.jetFilm.value,
    });
    const nozzle_K = this.ambient_K + SURFACE.nozzleWarmth.value * (air_K - this.ambient_K);
    const pair = pairEmissivity(SURFACE.nozzleEmissivity.value, SURFACE.maskEmissivity.value);
    this.nozzle_W_m2K = Float64Array.from({ length: TABLE_ROWS }, (_, i) =>
      radiantFilm_W_m2K(pair, TABLE_FROM_K + i, nozzle_K),
    );
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
    const { mesh, stage, still, factors } = this;
    const { hot_W_K, warmth, still_W_K } = this.faces[side];
    const air = stage?.air?.side === side ? this.air : null;
    const preheat = stage?.preheat?.side === side ? stage.preheat : null;
    const open = this.open[side];
    const emit = this.emit[side];
    const area_m2 = mesh.dx_m * mesh.dy_m;
    const facing: Facing = side === 'top' ? 'up' : 'down';
    for (let c = 0; c < mesh.columns; c++) {
      if (!mesh.inside[c]) continue;
      const t_K = face_K[c]!;
      if (preheat) {
        hot_W_K[c] = area_m2 * open[c]! * factors.preheat * this.source_W_m2K![row(t_K)]!;
        warmth[c] = 1;
        still_W_K[c] = 0;
        continue;
      }
      const natural = still.naturalAt(facing, t_K);
      const radiant = still.radiantAt(t_K) * emit[c]!;
      if (!air) {
        hot_W_K[c] = 0;
        still_W_K[c] = area_m2 * (open[c]! * natural + radiant);
        continue;
      }
      const jet = air.film_W_m2K(c, t_K);
      const mouth = air.mouth[c]!;
      const blown_W_K = area_m2 * open[c]! * jet;
      const shone_W_K = area_m2 * emit[c]! * mouth * this.nozzle_W_m2K![row(t_K)]!;
      air.meets(c, blown_W_K, t_K - this.ambient_K);
      const hot = blown_W_K + shone_W_K;
      hot_W_K[c] = hot;
      // Until the air has been followed, what it does not bring.
      warmth[c] = hot > 0 ? shone_W_K / hot : 0;
      still_W_K[c] = area_m2 * (open[c]! * Math.max(0, natural - jet) + radiant * (1 - mouth));
    }
  }

  private followBody(body: BodyPlace, b: number, body_K: number): void {
    const { stage, still, air } = this;
    const part = this.parts[body.part]!;
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
      film.hot_W_K = surface_m2 * open * this.source_W_m2K![row(body_K)]!;
      film.warmth = 1;
      film.still_W_K = 0;
      return;
    }
    // Small bodies lose heat a little faster than a plate: their own length stands for the board's.
    const natural = still.naturalAt(part.side === 'top' ? 'up' : 'down', body_K);
    const radiant = still.radiantAt(body_K) * emits;
    let jet = 0;
    let seen_m2 = 0;
    if (air && stage?.air?.side === part.side) {
      for (const { column, share } of body.under) {
        const at = air.film_W_m2K(column, body_K) * share;
        air.meets(column, blown_m2 * open * at, body_K - this.ambient_K);
        jet += at;
        seen_m2 += body.top_m2 * share * air.mouth[column]!;
      }
      const shone_W_K = emits * seen_m2 * this.nozzle_W_m2K![row(body_K)]!;
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
    const share = new Float64Array(this.mesh.columns).fill(1);
    for (const shield of this.shields) {
      if (shield.side === side) this.eachUnder(shield, (c) => (share[c]! *= SHIELDS[shield.kind].film.value));
    }
    return this.darkened(side, share);
  }

  private emissionShare(side: Side): Float64Array {
    const share = new Float64Array(this.mesh.columns).fill(1);
    for (const shield of this.shields) {
      const left = SHIELDS[shield.kind].emissivity.value / SURFACE.maskEmissivity.value;
      if (shield.side === side) this.eachUnder(shield, (c) => (share[c]! *= left));
    }
    return this.darkened(side, share);
  }

  /** A column is covered by what of a body's top lies over it. */
  private darkened(side: Side, share: Float64Array): Float64Array {
    const cell_m2 = this.mesh.dx_m * this.mesh.dy_m;
    for (const body of this.bodyPlaces) {
      if (this.parts[body.part]!.side !== side) continue;
      for (const under of body.under)
        share[under.column]! *= 1 - Math.min(1, (body.top_m2 * under.share) / cell_m2);
    }
    return share;
  }

  private eachUnder(shield: Shield, visit: (column: number) => void): void {
    const { mesh } = this;
    for (let c = 0; c < mesh.columns; c++) {
      const x_m = ((c % mesh.nx) + 0.5) * mesh.dx_m;
      const y_m = (Math.floor(c / mesh.nx) + 0.5) * mesh.dy_m;
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
