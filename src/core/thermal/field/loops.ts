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
  /** Pivots through the thickness. */
  factorThrough(
    into: { readonly inverse: Float64Array; readonly carry: Float64Array },
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
  /** How far the upper face is over the lower one, K: means along x and along y; the hottest of each face. */
  spreads(
    top_K: Float64Array,
    bottom_K: Float64Array,
    into: { readonly alongX_K: Float64Array; readonly alongY_K: Float64Array },
    grid: Grid,
  ): { readonly top_K: number; readonly bottom_K: number };
}

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
