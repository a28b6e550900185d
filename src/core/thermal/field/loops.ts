/**
 * The loops over whole arrays that a step of the board spends its time in. Cells are in rows, rows in layers; a link that
 * leaves the board is zero, so that rows and layers follow each other without a break.
 */
export interface FieldLoops {
  /** What flows into each cell from its neighbours over a step: r = dt Σ g (t' − t), J. */
  residual(t: Float64Array, r: Float64Array, links: Links, grid: Grid, step_s: number): void;
  /** Forth and back along rows by a factor's pivots and what they carry. */
  sweepAlong(w: Float64Array, inverse: Float64Array, carry: Float64Array, nx: number): void;
  /** The same between cells `stride` apart; multiplies by each cell's capacity on the way. */
  sweepAcross(
    w: Float64Array,
    capacity_J_K: Float64Array,
    inverse: Float64Array,
    carry: Float64Array,
    stride: number,
  ): void;
  /** What a face's films bring its cells over a step, J, into their residuals. */
  face(t: Float64Array, r: Float64Array, film: FaceFilms, step_s: number, source: FaceSource): void;
  /** What the source gives a face and its still air takes, W. */
  flows(
    t: Float64Array,
    film: FaceFilms,
    source: FaceSource,
  ): { readonly in_W: number; readonly lost_W: number };
  /** Adds changes to temperatures; the largest, K, or what is not a number. */
  accept(t: Float64Array, w: Float64Array): number;
  /** Pivots along one direction; cells that meet lie `stride` apart. */
  factorInPlane(
    into: Factor,
    capacity_J_K: Float64Array,
    link_W_K: Float64Array,
    stride: number,
    step_s: number,
  ): void;
  /** Pivots through the thickness. */
  factorThrough(
    into: Factor,
    of: {
      readonly capacity_J_K: Float64Array;
      readonly linkZ_W_K: Float64Array;
      readonly bodyLink_W_K: Float64Array;
      readonly top: FaceFilms;
      readonly bottom: FaceFilms;
    },
    grid: Grid,
    step_s: number,
  ): void;
  /** Means through the thickness into `mean`; the hottest, and how many are over a floor. */
  means(
    t: Float64Array,
    mean: Float64Array,
    grid: Grid,
    floor_K: number,
  ): { readonly hottest_K: number; readonly over: number };
  /**
   * How far the upper face is over the lower one, K: means along x and along y, each cell by its share of its row or column;
   * the hottest of each face.
   */
  spreads(
    top_K: Float64Array,
    bottom_K: Float64Array,
    into: { readonly alongX_K: Float64Array; readonly alongY_K: Float64Array },
    shares: { readonly x: Float64Array; readonly y: Float64Array },
  ): { readonly top_K: number; readonly bottom_K: number };
  /** Marks columns on the board (`area_m2` over zero) that are over a temperature; true where any was. */
  soften(mean_K: Float64Array, softened: Float64Array, area_m2: Float64Array, softens_K: number): boolean;
  /** Ages the laminate of such columns that are over the rates' floor; the most that any of them has spent. */
  age(
    mean_K: Float64Array,
    dose: Float64Array,
    area_m2: Float64Array,
    rates: RateTable,
    step_s: number,
  ): number;
  /** Areas, m², and sums of temperature over them, m²K, of what has softened and of the rest. */
  zones(t: Float64Array, softened: Float64Array, area_m2: Float64Array): Zones;
  /** Whether any of a face has moved further than `limit_K` from where it was seen last. */
  moved(t: Float64Array, seen_K: Float64Array, limit_K: number): boolean;
  /** Films of a face over a preheater, by a table of its film against the face's temperature. */
  followPreheated(
    t: Float64Array,
    film: FaceFilms,
    face: FaceSurface,
    source_W_m2K: Float64Array,
    factor: number,
  ): void;
  /** Films of a face in still air. */
  followCalm(t: Float64Array, film: FaceFilms, face: FaceSurface, calm: CalmTables): void;
  /** Films of a face under a jet: `warmth` is what the nozzle's metal has in them; adds to what the air meets. */
  followBlown(
    t: Float64Array,
    film: FaceFilms,
    face: FaceSurface,
    calm: CalmTables,
    jet: JetOnFace,
    ambient_K: number,
  ): void;
}

/** A rate against temperature, 1/s: rows `spacing_K` apart from the floor on, one more than the last that is begun at. */
export interface RateTable {
  readonly floor_K: number;
  readonly spacing_K: number;
  readonly rates_1_s: Float64Array;
}

interface Zones {
  readonly zone_m2: number;
  readonly zone_m2K: number;
  readonly rest_m2: number;
  readonly rest_m2K: number;
}

interface Factor {
  readonly inverse: Float64Array;
  readonly carry: Float64Array;
}

/** Of a face by column: its area, m², and the shares of it that air reaches and that radiate. */
export interface FaceSurface {
  readonly area_m2: Float64Array;
  readonly open: Float64Array;
  readonly emit: Float64Array;
}

/** Films of still air, W/m²K, by a face's temperature. */
export interface CalmTables {
  readonly natural: Float64Array;
  readonly radiant: Float64Array;
}

/** A jet on a face: by temperature its film's change and the nozzle's shine, by column its film and the mouth that is seen. */
export interface JetOnFace {
  readonly warming: Float64Array;
  readonly nozzle_W_m2K: Float64Array;
  readonly base_W_m2K: Float64Array;
  readonly mouth: Float64Array;
  /** What the air meets: W/K, and that times how far it stands over ambient, W. */
  readonly taken_W_K: Float64Array;
  readonly against_W: Float64Array;
}

/** Tables against a surface's temperature have a row to the kelvin from here on. */
export const TABLE = { from_K: 240, rows: 640 } as const;

export const tableRow = (surface_K: number): number =>
  Math.min(TABLE.rows - 1, Math.max(0, Math.round(surface_K - TABLE.from_K)));

interface Links {
  readonly linkX_W_K: Float64Array;
  readonly linkY_W_K: Float64Array;
  readonly linkZ_W_K: Float64Array;
}

export interface Grid {
  readonly nx: number;
  readonly ny: number;
  readonly nz: number;
  /** Cells of one layer. */
  readonly columns: number;
}

/** Temperatures that a face meets, K: how far its source is over the ambient, and that. */
export interface FaceSource {
  readonly excess_K: number;
  readonly ambient_K: number;
}

/** Where the arrays of one board lie, and the loops that can reach them there. */
export interface FieldMemory {
  array(length: number): Float64Array;
  readonly loops: FieldLoops;
}

/**
 * What meets one face, by column: hot air or a preheater (`hot`, W/K, with its temperature as a share
 * `warmth` of the source's excess over ambient), and still air with radiation (`still`, W/K).
 */
export interface FaceFilms {
  readonly hot_W_K: Float64Array;
  readonly warmth: Float64Array;
  readonly still_W_K: Float64Array;
}
