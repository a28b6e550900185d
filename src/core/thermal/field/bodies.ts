import { SKIN_SHARE } from '~/core/packages/form';
import type { Attachments, BodyPlace } from './attachments';
import type { SolderState } from './solderState';
import type { BodyFilm, Films } from './films';
import type { FieldMesh } from './mesh';
import { ragged, type Ragged } from './ragged';

/** Temperatures of both sources in a step, K. */
export interface Sources {
  readonly top_K: number;
  readonly bottom_K: number;
}

/** Heat from sources, and to still air, W. */
export interface Flows {
  in_W: number;
  lost_W: number;
}

/**
 * The bodies on a board, each a skin that meets the air and a core that its leads and the gap beneath tie to the board. They
 * are tied in by a prediction of their temperature; what their links then carry is what they store.
 */
export class FieldBodies {
  /** Skins: what meets the air, and what ratings are held against. */
  readonly skins_K: Float64Array;
  readonly cores_K: Float64Array;
  /** Both at the end of the step, as predicted. */
  private readonly core_K: Float64Array;
  private readonly skin_K: Float64Array;
  private readonly bodies: readonly BodyPlace[];
  private readonly spots: Ragged;
  /** Cells beneath each, and across the gap to them, W/K. */
  private readonly cells: Ragged;
  private readonly gaps_W_K: Float64Array;
  private readonly ofSpot: Int32Array;
  private readonly shareOfSpot: Float64Array;
  private readonly lead_W_K: Float64Array;
  private sources: Sources;

  constructor(
    mesh: FieldMesh,
    { bodies, spots }: Attachments,
    private readonly solder: SolderState,
    private readonly films: Films,
    private readonly ambient_K: number,
  ) {
    this.bodies = bodies;
    this.sources = { top_K: ambient_K, bottom_K: ambient_K };
    const array = (): Float64Array => new Float64Array(bodies.length).fill(ambient_K);
    this.skins_K = array();
    this.cores_K = array();
    this.core_K = array();
    this.skin_K = array();
    this.spots = ragged(bodies.map((body) => body.spots));
    this.cells = ragged(
      bodies.map(({ faceLayer, under }) => under.map(({ column }) => faceLayer * mesh.columns + column)),
    );
    this.gaps_W_K = Float64Array.from(
      bodies.flatMap(({ gap_W_K, under }) => under.map(({ share }) => gap_W_K * share)),
    );
    this.ofSpot = new Int32Array(spots.length);
    bodies.forEach((body, b) => body.spots.forEach((spot) => (this.ofSpot[spot] = b)));
    this.shareOfSpot = Float64Array.from(spots, ({ bodyShare }) => bodyShare);
    this.lead_W_K = Float64Array.from(spots, ({ lead_W_K }) => lead_W_K);
  }

  /** What the gaps put on the diagonals of cells, W/K. */
  layGaps(onto: Float64Array): void {
    this.cells.of.forEach((cell, n) => (onto[cell] = onto[cell]! + this.gaps_W_K[n]!));
  }

  /** Each skin and core at the end of a step if their surroundings keep their pace, solved together. */
  predict(t: Float64Array, change_K: Float64Array, step_s: number, pace: number, sources: Sources): void {
    const { bodies, spots, cells, gaps_W_K, lead_W_K, solder, films, ambient_K } = this;
    this.sources = sources;
    for (let b = 0; b < bodies.length; b++) {
      const body = bodies[b]!;
      const film = films.bodies[b]!;
      const blown_W = film.hot_W_K * this.airOf(b, film) + film.still_W_K * ambient_K;
      let conductance = body.gap_W_K;
      let flow_W = 0;
      for (let n = spots.start[b]!; n < spots.start[b + 1]!; n++) {
        const s = spots.of[n]!;
        const g = lead_W_K[s]!;
        const now_K = solder.temperature_K[s]!;
        conductance += g;
        flow_W += g * (now_K + pace * (now_K - solder.before_K[s]!));
      }
      for (let n = cells.start[b]!; n < cells.start[b + 1]!; n++) {
        const c = cells.of[n]!;
        flow_W += gaps_W_K[n]! * (t[c]! + pace * change_K[c]!);
      }
      const skin_J_K = SKIN_SHARE * body.capacity_J_K;
      const core_J_K = body.capacity_J_K - skin_J_K;
      const inner = step_s * body.inner_W_K;
      const skin = skin_J_K + step_s * (film.hot_W_K + film.still_W_K) + inner;
      const core = core_J_K + step_s * conductance + inner;
      const intoSkin_J = skin_J_K * this.skins_K[b]! + step_s * blown_W;
      const intoCore_J = core_J_K * this.cores_K[b]! + step_s * flow_W;
      const determinant = skin * core - inner * inner;
      this.skin_K[b] = (intoSkin_J * core + inner * intoCore_J) / determinant;
      this.core_K[b] = (intoCore_J * skin + inner * intoSkin_J) / determinant;
    }
  }

  /** What flows across the gaps into cells over a step, J, into the residuals. */
  addTo(r: Float64Array, t: Float64Array, step_s: number): void {
    const { cells, gaps_W_K } = this;
    for (let b = 0; b < this.bodies.length; b++) {
      const core_K = this.core_K[b]!;
      for (let n = cells.start[b]!; n < cells.start[b + 1]!; n++) {
        const c = cells.of[n]!;
        r[c] = r[c]! + step_s * gaps_W_K[n]! * (core_K - t[c]!);
      }
    }
  }

  /** What a spot's body gives it by its lead, and the air where the body is one with it, W. */
  intoSpot_W(s: number, lead_W_K: number, at_K: number): number {
    const b = this.ofSpot[s]!;
    const share = this.shareOfSpot[s]!;
    const flow_W = lead_W_K * (this.core_K[b]! - at_K);
    return share > 0 ? flow_W + share * this.filmFlow_W(b, at_K) : flow_W;
  }

  /** Share of its body's films that a spot of a fused body takes, W/K. */
  filmOfSpot_W_K(s: number): number {
    const share = this.shareOfSpot[s]!;
    if (share === 0) return 0;
    const film = this.films.bodies[this.ofSpot[s]!]!;
    return share * (film.hot_W_K + film.still_W_K);
  }

  /** Stores what the step brought, and tells what came from sources and went to still air. */
  accept(t: Float64Array, step_s: number): Flows {
    const { bodies, spots, cells, gaps_W_K, lead_W_K, solder } = this;
    const flows: Flows = { in_W: 0, lost_W: 0 };
    for (let b = 0; b < bodies.length; b++) {
      const body = bodies[b]!;
      if (body.fused) this.skins_K[b] = this.cores_K[b] = this.meanOfSpots_K(b);
      const skin_K = body.fused ? this.skins_K[b]! : this.skin_K[b]!;
      const cooled_W = this.films.bodies[b]!.still_W_K * (skin_K - this.ambient_K);
      const blown_W = this.filmFlow_W(b, skin_K);
      flows.in_W += blown_W + cooled_W;
      flows.lost_W += cooled_W;
      if (body.fused) continue;
      const core_K = this.core_K[b]!;
      const inward_W = body.inner_W_K * (skin_K - core_K);
      let flow_W = inward_W;
      for (let n = spots.start[b]!; n < spots.start[b + 1]!; n++) {
        const s = spots.of[n]!;
        flow_W += lead_W_K[s]! * (solder.temperature_K[s]! - core_K);
      }
      for (let n = cells.start[b]!; n < cells.start[b + 1]!; n++)
        flow_W += gaps_W_K[n]! * (t[cells.of[n]!]! - core_K);
      const skin_J_K = SKIN_SHARE * body.capacity_J_K;
      this.skins_K[b]! += (step_s * (blown_W - inward_W)) / skin_J_K;
      this.cores_K[b]! += (step_s * flow_W) / (body.capacity_J_K - skin_J_K);
    }
    return flows;
  }

  /** Heat held over the start by bodies that stand apart, J. */
  stored_J(): number {
    return this.bodies.reduce((sum, body, b) => {
      if (body.fused) return sum;
      const mean_K = SKIN_SHARE * this.skins_K[b]! + (1 - SKIN_SHARE) * this.cores_K[b]!;
      return sum + body.capacity_J_K * (mean_K - this.ambient_K);
    }, 0);
  }

  /** What a body's film brings it, less what it takes, W. */
  private filmFlow_W(b: number, body_K: number): number {
    const film = this.films.bodies[b]!;
    return film.hot_W_K * (this.airOf(b, film) - body_K) - film.still_W_K * (body_K - this.ambient_K);
  }

  /** The air that a body's film meets, K. */
  private airOf(b: number, film: BodyFilm): number {
    const { top_K, bottom_K } = this.sources;
    const hot_K = this.bodies[b]!.faceLayer === 0 ? top_K : bottom_K;
    return this.ambient_K + film.warmth * (hot_K - this.ambient_K);
  }

  /** A fused body is at the mean of its spots, each by its share. */
  private meanOfSpots_K(b: number): number {
    let mean_K = 0;
    for (let n = this.spots.start[b]!; n < this.spots.start[b + 1]!; n++) {
      const s = this.spots.of[n]!;
      mean_K += this.shareOfSpot[s]! * this.solder.temperature_K[s]!;
    }
    return mean_K;
  }
}
