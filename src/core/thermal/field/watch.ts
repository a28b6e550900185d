import type { Spot } from './attachments';
import { LAMINATES } from '~/core/materials/laminates';
import { bowOfGradient, bowOfMismatch } from '../warp';
import { bondEndurance, doseRate_1_s, laminateEndurance, type Life } from '../dose';
import type { FieldMemory, RateTable } from './loops';
import type { FieldBoard } from './mesh';
import type { FieldSolver } from './solver';
import { SteepestRise } from '../ramp';
import { ragged, type Ragged } from './ragged';
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
  private readonly laminateRates: RateTable;
  private readonly laminateDose: Float64Array;
  private readonly bodyRise: readonly SteepestRise[];
  private readonly mean_K: Float64Array;
  /** Columns that were over their glass transition at some time. */
  private readonly softened: Float64Array;
  private readonly softens_K: number;
  private everSoft = false;
  readonly alongX_K: Float64Array;
  readonly alongY_K: Float64Array;
  /** Each cell's share of its row and column, where the loops can read them. */
  private readonly shares: { readonly x: Float64Array; readonly y: Float64Array };
  private readonly spots: Ragged;
  private readonly spotShare: Float64Array;
  private readonly solidus_K: Float64Array;
  private soft = false;
  /** As long as cells have not travelled so far, what had softened cannot have stiffened. */
  private softUntil_K = 0;

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
    this.laminateRates = rateTable(laminateEndurance(fieldBoard.laminate), mesh.memory);
    this.laminateDose = mesh.memory.array(mesh.columns);
    this.mean_K = mesh.memory.array(mesh.columns);
    this.softened = mesh.memory.array(mesh.columns);
    this.softens_K = LAMINATES[fieldBoard.laminate].glassTransition.value;
    this.bodyRise = Array.from(solver.bodies.skins_K, (start_K) => {
      const rise = new SteepestRise();
      rise.add(0, start_K);
      return rise;
    });
    this.alongX_K = mesh.memory.array(mesh.nx);
    this.alongY_K = mesh.memory.array(mesh.ny);
    this.shares = { x: mesh.memory.array(mesh.nx), y: mesh.memory.array(mesh.ny) };
    this.shares.x.set(mesh.x.shares);
    this.shares.y.set(mesh.y.shares);
    this.spots = ragged(attached.pads.map((pad) => pad.spots));
    this.spotShare = Float64Array.from(attached.spots, ({ share }) => share);
    this.solidus_K = Float64Array.from(
      attached.pads,
      (pad) => attached.spots[pad.spots[0]!]!.curve.solidus_K,
    );
  }

  /** Called after each step, `time_s` at its end. */
  follow(time_s: number, step_s: number): void {
    this.followPads(time_s, step_s);
    this.followBodies(time_s);
    this.followBoard(step_s);
  }

  /** Hottest joint or body as things stand. */
  hottestNow_K(): number {
    const { bodies, solder } = this.solver;
    let hottest_K = 0;
    for (const body of bodies.skins_K) hottest_K = Math.max(hottest_K, body);
    for (const spot of solder.temperature_K) hottest_K = Math.max(hottest_K, spot);
    return hottest_K;
  }

  private followPads(time_s: number, step_s: number): void {
    const { start, of } = this.spots;
    const { temperature_K } = this.solver.solder;
    for (let p = 0; p < this.pads.length; p++) {
      const watch = this.pads[p]!;
      let hottest_K = 0;
      for (let n = start[p]!; n < start[p + 1]!; n++) {
        const now_K = temperature_K[of[n]!]!;
        if (now_K > hottest_K) hottest_K = now_K;
      }
      if (hottest_K > watch.peak_K) watch.peak_K = hottest_K;
      // Below its solidus nothing of a pad's melt is of note yet, nor of its age below the floor.
      if (hottest_K >= this.solidus_K[p]!) this.followMelt(p, time_s, step_s);
      if (hottest_K > FIELD.doseFloor_K) watch.dose += step_s * doseRate_1_s(this.bondLife, hottest_K);
    }
  }

  private followMelt(p: number, time_s: number, step_s: number): void {
    const { attached, solder } = this.solver;
    const watch = this.pads[p]!;
    const { spots } = attached.pads[p]!;
    const { curve } = attached.spots[spots[0]!]!;
    let mean_K = 0;
    let meanBefore_K = 0;
    for (const s of spots) {
      mean_K += this.spotShare[s]! * solder.temperature_K[s]!;
      meanBefore_K += this.spotShare[s]! * solder.before_K[s]!;
    }
    const reached = (before_K: number, now_K: number, level_K: number): number | null => {
      const at_s = crossing(time_s, step_s, before_K, now_K, level_K);
      return Number.isFinite(at_s) ? at_s : null;
    };
    watch.solidus_s ??= reached(meanBefore_K, mean_K, curve.solidus_K);
    watch.liquidus_s ??= reached(meanBefore_K, mean_K, curve.liquidus_K);
    // The colder half is colder than all of it.
    if (mean_K < curve.liquidus_K) return;
    const coldHalf_K = coldHalfOf(attached.spots, spots, solder.temperature_K);
    if (coldHalf_K < curve.liquidus_K) return;
    watch.aboveLiquidus_s += step_s;
    if (watch.fullMelt_s !== null) return;
    const before_K = coldHalfOf(attached.spots, spots, solder.before_K);
    watch.fullMelt_s = reached(before_K, coldHalf_K, curve.liquidus_K) ?? time_s;
  }

  private followBodies(time_s: number): void {
    const { skins_K } = this.solver.bodies;
    for (let b = 0; b < this.bodies.length; b++) {
      const watch = this.bodies[b]!;
      const rise = this.bodyRise[b]!;
      const now_K = skins_K[b]!;
      rise.add(time_s, now_K);
      watch.peak_K = Math.max(watch.peak_K, now_K);
      watch.maxRamp_K_s = rise.most_K_s;
    }
  }

  private followBoard(step_s: number): void {
    const { mesh, temperature_K: t, top_K, bottom_K } = this.solver;
    const { board, alongX_K, alongY_K, mean_K } = this;
    const { loops } = mesh.memory;
    const { hottest_K, over } = loops.means(t, mean_K, mesh, FIELD.doseFloor_K);
    // Cells beyond an outline stay as they were: they are no peak, and bow nothing.
    const hottest = loops.spreads(top_K, bottom_K, this, this.shares);
    board.peakTop_K = Math.max(board.peakTop_K, hottest.top_K);
    board.peakBottom_K = Math.max(board.peakBottom_K, hottest.bottom_K);
    if (over > 0) {
      const oldest = loops.age(mean_K, this.laminateDose, mesh.area_m2, this.laminateRates, step_s);
      board.laminateDose = Math.max(board.laminateDose, oldest);
    }
    // Until some of it softens there is nothing to freeze in: cooler means are no one's concern.
    if (hottest_K > this.softens_K && loops.soften(mean_K, this.softened, mesh.area_m2, this.softens_K))
      this.everSoft = true;
    const { expansion } = LAMINATES[this.fieldBoard.laminate];
    const { thickness_m } = this.fieldBoard;
    board.bowHot = Math.max(
      board.bowHot,
      bowOfGradient(alongX_K, mesh.x.sizes_m, thickness_m, expansion.value),
      bowOfGradient(alongY_K, mesh.y.sizes_m, thickness_m, expansion.value),
    );
    if (this.everSoft) this.watchStiffening();
  }

  /** When what had softened is back under its glass transition, the mismatch to the rest is frozen in. */
  private watchStiffening(): void {
    const { mesh, temperature_K: t, travelled_K } = this.solver;
    // While it is soft by more than anything has moved since, it is soft still.
    if (this.soft && travelled_K < this.softUntil_K) return;
    const { glassTransition, expansion } = LAMINATES[this.fieldBoard.laminate];
    const middle = ((mesh.nz - 1) / 2) | 0;
    const middle_K = t.subarray(middle * mesh.columns, (middle + 1) * mesh.columns);
    const { zone_m2, zone_m2K, rest_m2, rest_m2K } = mesh.memory.loops.zones(
      middle_K,
      this.softened,
      mesh.area_m2,
    );
    if (zone_m2 === 0) return;
    if (zone_m2K / zone_m2 >= glassTransition.value) {
      // Soft again: what had been frozen in is let go.
      this.soft = true;
      this.softUntil_K = travelled_K + zone_m2K / zone_m2 - glassTransition.value - JUST_SOFT_K;
      this.board.bowLeft = 0;
      return;
    }
    if (!this.soft) return;
    this.soft = false;
    const mismatch_K = rest_m2 > 0 ? glassTransition.value - rest_m2K / rest_m2 : 0;
    const { length_m, width_m, thickness_m } = this.fieldBoard;
    this.board.bowLeft = bowOfMismatch(
      mismatch_K,
      zone_m2,
      Math.max(length_m, width_m),
      thickness_m,
      expansion.value,
    );
  }
}

/** Columns soften by their mean and stiffen by their middle, which lags by less than this (assumed). */
const JUST_SOFT_K = 5;

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
 * Dose rate of a life, to be read from a table four to the kelvin: off by under one in ten thousand, where a column that is
 * warm costs a power of e each step otherwise. From the floor on for 300 K: hotter than any laminate is followed.
 */
function rateTable(life: Life, memory: FieldMemory): RateTable {
  const [floor_K, spacing_K] = [FIELD.doseFloor_K, 0.25];
  const rates_1_s = memory.array(1202);
  for (let i = 0; i < rates_1_s.length; i++) rates_1_s[i] = doseRate_1_s(life, floor_K + i * spacing_K);
  return { floor_K, spacing_K, rates_1_s };
}

/** When a straight line over the step passes a level, infinite if it does not. */
function crossing(time_s: number, step_s: number, before_K: number, now_K: number, level_K: number): number {
  if (now_K < level_K) return Infinity;
  if (before_K >= level_K) return time_s - step_s;
  return time_s - step_s * ((now_K - level_K) / (now_K - before_K));
}
