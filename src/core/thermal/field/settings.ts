/** Numerical choices of the board-scale model, each with its reason. */
export const FIELD = {
  /** Cells under a jet and so far about it; they widen outward by this share of the way, to the coarsest. */
  finest_m: 1e-3,
  fineAbout_m: 5e-3,
  widening: 0.2,
  coarsest_m: 4e-3,
  /** Cells of a board that no jet stands over. */
  calm_m: 2e-3,
  /** Faces and middle at least; boards with three to six copper layers take a layer for each of them. */
  layers: 3,
  mostLayers: 6,
  firstStep_s: 0.1,
  /** From 2 to 3 s the last pad of a pack on heavy copper melts 1 % later, for a third fewer steps. */
  maxStep_s: 3,
  minStep_s: 0.02,
  /** A body that follows its joints faster than this is one with them: a chip, not a pack. */
  fusedLag_s: 0.6,
  /** Steps stay within this many lags of the quickest body that stands apart. */
  lagsPerStep: 3,
  /** Second difference of the hottest-moving cell; the first-order step's own error is half of it. */
  tolerance_K: 1.5,
  /** Films are worked out again once a face has moved this far: natural convection moves by 2 % over it. */
  filmRefresh_K: 8,
  /** A cooler place spends no dose worth a sum: at 170 °C standard FR-4 would last for days. */
  doseFloor_K: 443.15,
  /** Rows of history kept over a run, at least. */
  historyRows: 400,
  maxCells: 400_000,
} as const;
