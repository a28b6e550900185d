import type { Spot } from './attachments';
import { LAMINATES } from '~/core/materials/laminates';
import { bowOfGradient, bowOfMismatch } from '../warp';
import { bondEndurance, doseRate_1_s, laminateEndurance, type Life } from '../dose';
import type { FieldBoard } from './mesh';
import type { FieldSolver } from './solver';
import { SteepestRise } from '../ramp';
import { FIELD } from './settings';

/** What one pad went through. */
export interface PadWatch {
  solidus_s: number | null;
  liquidus_s: number | null;
  fullMelt_s: number | null;
  peak_K: number;
  aboveLiquidus_s: number;
  dose: number;
}

export interface BodyWatch {
  peak_K: number;
  maxRamp_K_s: number;
}

export interface BoardWatch {
  peakTop_K: number;
  peakBottom_K: number;
  laminateDose: number;
  /** Largest bow while hot, and what stays after cooling; shares of the longer side. */
  bowHot: number;
  bowLeft: number;
}

/** Follows a run step by step: melts, peaks, doses, ramps and bow. */
export class Watch {
  readonly pads: PadWatch[];
  readonly bodies: BodyWatch[];
  readonly board: BoardWatch;
  private readonly bondLife: Life;
  private readonly laminateRate: (temperature_K: number) => number;
  private readonly laminateDose: Float64Array;
  private readonly bodyRise: readonly SteepestRise[];
  private readonly mean_K: Float64Array;
  /** Columns that were over their glass transition at some time. */
  private readonly softened: Uint8Array;
  private readonly softens_K: number;
  private everSoft = false;
  readonly alongX_K: Float64Array;
  readonly alongY_K: Float64Array;
  private soft = false;

  constructor(
    private readonly solver: FieldSolver,
    private readonly fieldBoard: FieldBoard,
    ambient_K: number,
  ) {
    const { attached, mesh } = solver;
    this.pads = attached.pads.map(() => ({
      solidus_s: null,
      liquidus_s: null,
      fullMelt_s: null,
      peak_K: ambient_K,
      aboveLiquidus_s: 0,
      dose: 0,
    }));
    this.bodies = attached.bodies.map(() => ({ peak_K: ambient_K, maxRamp_K_s: 0 }));
    this.board = { peakTop_K: ambient_K, peakBottom_K: ambient_K, laminateDose: 0, bowHot: 0, bowLeft: 0 };
    this.bondLife = bondEndurance(fieldBoard.laminate);
    this.laminateRate = tabulatedRate_1_s(laminateEndurance(fieldBoard.laminate));
    this.laminateDose = new Float64Array(mesh.columns);
    this.mean_K = mesh.memory.array(mesh.columns);
    this.softened = new Uint8Array(mesh.columns);
    this.softens_K = LAMINATES[fieldBoard.laminate].glassTransition.value;
    this.bodyRise = Array.from(solver.bodies_K, (start_K) => {
      const rise = new SteepestRise();
      rise.add(0, start_K);
      return rise;
    });
    this.alongX_K = mesh.memory.array(mesh.nx);
    this.alongY_K = mesh.memory.array(mesh.ny);
  }

  /** Called after each step, `time_s` at its end. */
  follow(time_s: number, step_s: number): void {
    this.followPads(time_s, step_s);
    this.followBodies(time_s);
    this.followBoard(step_s);
  }

  /** Hottest joint or body as things stand. */
  hottestNow_K(): number {
    const { bodies_K, solder } = this.solver;
    let hottest_K = 0;
    for (const body of bodies_K) hottest_K = Math.max(hottest_K, body);
    for (const spot of solder.temperature_K) hottest_K = Math.max(hottest_K, spot);
    return hottest_K;
  }

  private followPads(time_s: number, step_s: number): void {
    const { attached, solder } = this.solver;
    for (let p = 0; p < this.pads.length; p++) {
      const watch = this.pads[p]!;
      const { spots } = attached.pads[p]!;
      let hottest_K = 0;
      let mean_K = 0;
      let meanBefore_K = 0;
      for (const s of spots) {
        const { share } = attached.spots[s]!;
        const now_K = solder.temperature_K[s]!;
        hottest_K = Math.max(hottest_K, now_K);
        mean_K += share * now_K;
        meanBefore_K += share * solder.before_K[s]!;
      }
      const { curve } = attached.spots[spots[0]!]!;
      // Below its solidus nothing of a pad's melt is of note yet.
      if (hottest_K >= curve.solidus_K) {
        const reached = (before_K: number, now_K: number, level_K: number): number | null => {
          const at_s = crossing(time_s, step_s, before_K, now_K, level_K);
          return Number.isFinite(at_s) ? at_s : null;
        };
        watch.solidus_s ??= reached(meanBefore_K, mean_K, curve.solidus_K);
        watch.liquidus_s ??= reached(meanBefore_K, mean_K, curve.liquidus_K);
        const coldHalf_K = coldHalfOf(attached.spots, spots, solder.temperature_K);
        if (coldHalf_K >= curve.liquidus_K) {
          const before_K = coldHalfOf(attached.spots, spots, solder.before_K);
          watch.fullMelt_s ??= reached(before_K, coldHalf_K, curve.liquidus_K) ?? time_s;
          watch.aboveLiquidus_s += step_s;
        }
      }
      watch.peak_K = Math.max(watch.peak_K, hottest_K);
      if (hottest_K > FIELD.doseFloor_K) watch.dose += step_s * doseRate_1_s(this.bondLife, hottest_K);
    }
  }

  private followBodies(time_s: number): void {
    const { bodies_K } = this.solver;
    for (let b = 0; b < this.bodies.length; b++) {
      const watch = this.bodies[b]!;
      const rise = this.bodyRise[b]!;
      const now_K = bodies_K[b]!;
      rise.add(time_s, now_K);
      watch.peak_K = Math.max(watch.peak_K, now_K);
      watch.maxRamp_K_s = rise.most_K_s;
    }
  }

  private followBoard(step_s: number): void {
    const { mesh, temperature_K: t, top_K, bottom_K } = this.solver;
    const { board, alongX_K, alongY_K, mean_K } = this;
    const { hottest_K, over } = mesh.memory.loops.means(t, mean_K, mesh, FIELD.doseFloor_K);
    // Cells beyond an outline stay as they were: they are no peak, and bow nothing.
    const hottest = mesh.memory.loops.spreads(top_K, bottom_K, this, mesh);
    board.peakTop_K = Math.max(board.peakTop_K, hottest.top_K);
    board.peakBottom_K = Math.max(board.peakBottom_K, hottest.bottom_K);
    if (over > 0) this.spend(step_s);
    // Until some of it softens there is nothing to freeze in: cooler means are no one's concern.
    if (hottest_K > this.softens_K) this.followSoftening();
    const { expansion } = LAMINATES[this.fieldBoard.laminate];
    const { length_m, width_m, thickness_m } = this.fieldBoard;
    board.bowHot = Math.max(
      board.bowHot,
      bowOfGradient(alongX_K, length_m, thickness_m, expansion.value),
      bowOfGradient(alongY_K, width_m, thickness_m, expansion.value),
    );
    if (this.everSoft) this.watchStiffening();
  }

  /** Of columns that are hot enough to count. */
  private spend(step_s: number): void {
    const { inside } = this.solver.mesh;
    const { mean_K, laminateDose, board } = this;
    for (let c = 0; c < mean_K.length; c++) {
      if (!inside[c] || mean_K[c]! <= FIELD.doseFloor_K) continue;
      const spent = laminateDose[c]! + step_s * this.laminateRate(mean_K[c]!);
      laminateDose[c] = spent;
      if (spent > board.laminateDose) board.laminateDose = spent;
    }
  }

  private followSoftening(): void {
    const { inside } = this.solver.mesh;
    const { mean_K, softened, softens_K } = this;
    for (let c = 0; c < mean_K.length; c++) {
      if (!inside[c] || mean_K[c]! <= softens_K) continue;
      softened[c] = 1;
      this.everSoft = true;
    }
  }

  /** When what had softened is back under its glass transition, the mismatch to the rest is frozen in. */
  private watchStiffening(): void {
    const { mesh, temperature_K: t } = this.solver;
    const { glassTransition, expansion } = LAMINATES[this.fieldBoard.laminate];
    const middle = ((mesh.nz - 1) / 2) | 0;
    let count = 0;
    let zone_K = 0;
    let rest_K = 0;
    let rest = 0;
    for (let c = 0; c < mesh.columns; c++) {
      if (!mesh.inside[c]) continue;
      const now_K = t[middle * mesh.columns + c]!;
      if (this.softened[c]) {
        count++;
        zone_K += now_K;
      } else {
        rest++;
        rest_K += now_K;
      }
    }
    if (count === 0) return;
    if (zone_K / count >= glassTransition.value) {
      // Soft again: what had been frozen in is let go.
      this.soft = true;
      this.board.bowLeft = 0;
      return;
    }
    if (!this.soft) return;
    this.soft = false;
    const mismatch_K = rest > 0 ? glassTransition.value - rest_K / rest : 0;
    const { length_m, width_m, thickness_m } = this.fieldBoard;
    this.board.bowLeft = bowOfMismatch(
      mismatch_K,
      count * mesh.dx_m * mesh.dy_m,
      Math.max(length_m, width_m),
      thickness_m,
      expansion.value,
    );
  }
}

/**
 * Mean temperature of the colder half of a pad's solder, K: what is said of a pad as a whole. Its land evens it out over
 * less than a cell, so the coldest of its cells alone would jump as the pad moves over the grid.
 */
export function coldHalfOf(
  all: readonly Pick<Spot, 'share'>[],
  spots: readonly number[],
  temperature_K: ArrayLike<number>,
): number {
  if (spots.length === 1) return temperature_K[spots[0]!]!;
  let sum_K = 0;
  let taken = 0;
  let last_K = -Infinity;
  let lastSpot = -1;
  while (taken < 0.5 - 1e-12) {
    // The next colder one after the last taken; pads have a handful of spots.
    let next = -1;
    for (const s of spots) {
      const t = temperature_K[s]!;
      if (t < last_K || (t === last_K && s <= lastSpot)) continue;
      if (next < 0 || t < temperature_K[next]!) next = s;
    }
    if (next < 0) break;
    const share = Math.min(all[next]!.share, 0.5 - taken);
    sum_K += share * temperature_K[next]!;
    taken += share;
    last_K = temperature_K[next]!;
    lastSpot = next;
  }
  return sum_K / taken;
}

/** Mean temperature of a pad's solder, K. */
export const meanOf: typeof coldHalfOf = (all, spots, temperature_K) =>
  spots.reduce((sum, s) => sum + all[s]!.share * temperature_K[s]!, 0);

/**
 * Dose rate of a life, read from a table four to the kelvin: off by under one in ten thousand, where a column that is
 * warm costs a power of e each step otherwise.
 */
function tabulatedRate_1_s(life: Life): (temperature_K: number) => number {
  const rows = Float64Array.from({ length: RATES.rows + 2 }, (_, i) =>
    doseRate_1_s(life, FIELD.doseFloor_K + i * RATES.step_K),
  );
  return (temperature_K) => {
    const at = Math.min(RATES.rows, (temperature_K - FIELD.doseFloor_K) / RATES.step_K);
    const row = Math.floor(at);
    return rows[row]! + (at - row) * (rows[row + 1]! - rows[row]!);
  };
}

/** From the floor on for 300 K: hotter than any laminate is followed. */
const RATES = { step_K: 0.25, rows: 1200 } as const;

/** When a straight line over the step passes a level, infinite if it does not. */
function crossing(time_s: number, step_s: number, before_K: number, now_K: number, level_K: number): number {
  if (now_K < level_K) return Infinity;
  if (before_K >= level_K) return time_s - step_s;
  return time_s - step_s * ((now_K - level_K) / (now_K - before_K));
}
