import {
  MUSHY,
  enthalpyCurve,
  liquidShareOfHeat,
  meltAt,
  meltOfHeat,
  type EnthalpyCurve,
  type Melt,
} from './enthalpy';
import type { HeaterNode, ThermalNetwork } from './network';
import { SOLVER } from './settings';
import { shapeOf, type Shape } from './shape';
import { StageMatrix } from './stageMatrix';
import { growth, lengthNear_s, shrink } from './stepLength';
import type { LaneResult, StepLimits, Try } from './stepper';

/** Alexander's two-stage, stiffly accurate, L-stable SDIRK (SIAM J. Numer. Anal. 14, 1977). */
const GAMMA = 1 - Math.SQRT1_2;

type HeaterState = 'off' | 'band' | 'full';

/**
 * One network on its way in plain code, for whoever reads it first. On each step the solder's phases and the heaters' states are
 * guessed, the then linear system is solved exactly, and the guess is corrected until it holds, so the energy balance closes to
 * rounding.
 */
export class PlainLane {
  time_s = 0;
  taken_s = 0;
  steps = 0;
  lastTry: Try = 'again';
  private step_s: number;
  private readonly size: number;
  private readonly matrix: StageMatrix;
  private readonly curves: readonly EnthalpyCurve[];
  /** Liquid share of each melting node as it is taken to be within a step. */
  private readonly halfway: Float64Array;
  /** What each wetting lets through of its links, and where it is taken to be within a step. */
  private readonly wetted: Float64Array;
  private readonly wettedHalfway: Float64Array;
  /** Place among the melting nodes of what each wetting waits for, −1 where it begins at once. */
  private readonly waitsFor: Int32Array;
  private readonly phases: Melt[];
  private readonly heaterStates: HeaterState[];
  private readonly source_W: Float64Array;
  private readonly slope: Float64Array;
  /** One over each slope, for the error estimate. */
  private readonly perSlope: Float64Array;
  private readonly offset: Float64Array;
  private readonly enthalpy: Float64Array;
  private readonly base: Float64Array;
  private readonly rate1: Float64Array;
  private readonly rate2: Float64Array;
  /** Heat that each node took up at the end of the last step, W. */
  private readonly flow_W: Float64Array;
  private readonly stage1: Float64Array;
  readonly temperature: Float64Array;
  private readonly account = { in_J: 0, lost_J: 0 };
  private readonly start_J: number;
  private readonly solidus_s: Float64Array;
  private readonly liquidus_s: Float64Array;
  solves = 0;

  constructor(
    private readonly network: ThermalNetwork,
    private readonly limits: StepLimits,
    shape: Shape = shapeOf(network),
  ) {
    this.step_s = Math.min(SOLVER.firstStep_s, limits.maxStep_s);
    const { size, melting, heaters } = network;
    const zeros = () => new Float64Array(size);
    this.size = size;
    this.matrix = new StageMatrix(network, shape);
    this.curves = melting.map((lump) => enthalpyCurve(lump, SOLVER.eutecticSmear_K));
    this.halfway = new Float64Array(melting.length);
    this.wetted = Float64Array.from(network.wettings, ({ dryShare }) => dryShare);
    this.wettedHalfway = Float64Array.from(this.wetted);
    this.waitsFor = shape.waitsFor;
    this.phases = melting.map((lump, i) => meltAt(this.curves[i]!, network.initial_K[lump.node]!));
    this.heaterStates = heaters.map(() => 'band');
    this.source_W = zeros();
    this.slope = Float64Array.from(network.capacity_J_K);
    this.perSlope = this.slope.map((slope) => 1 / slope);
    this.offset = zeros();
    this.enthalpy = zeros();
    this.base = zeros();
    this.rate1 = zeros();
    this.rate2 = zeros();
    this.flow_W = zeros();
    this.stage1 = zeros();
    this.temperature = Float64Array.from(network.initial_K);
    for (const link of network.ambient) {
      this.source_W[link.node]! += link.conductance_W_K * link.temperature_K;
    }
    this.applyPhases();
    this.evaluateEnthalpy(this.temperature, this.enthalpy);
    this.start_J = this.enthalpy.reduce((sum, h) => sum + h, 0);
    this.solidus_s = new Float64Array(melting.length).fill(NaN);
    this.liquidus_s = new Float64Array(melting.length).fill(NaN);
    this.matrix.follow(this.halfway, this.wetted);
  }

  /** Tries one step, as long as the last ones and the next melting allow. */
  advance(): void {
    const { tolerance_K, maxStep_s, duration_s } = this.limits;
    const taken_s = Math.min(this.step_s, this.reach_s(), duration_s - this.time_s);
    this.taken_s = taken_s;
    this.foresee(taken_s);
    const error_K = this.step(taken_s);
    if (error_K > 2 * tolerance_K && taken_s > SOLVER.minStep_s) {
      this.step_s = taken_s * shrink(error_K / (2 * tolerance_K));
      this.lastTry = 'again';
    } else if (!Number.isFinite(error_K)) {
      this.lastTry = 'failed';
    } else {
      this.noteCrossings(this.time_s, taken_s);
      this.acceptStep(taken_s);
      this.time_s += taken_s;
      this.steps++;
      this.step_s = Math.min(growth(error_K / tolerance_K) * this.step_s, maxStep_s);
      this.lastTry = 'took';
    }
  }

  /**
   * A lump that begins or ends melting bends the run, so no step is tried that goes far past the next one: to the length
   * met that is nearest to `pastPhase` times the way there, as heat flows now.
   */
  private reach_s(): number {
    let least_s = Infinity;
    this.network.melting.forEach(({ node }, i) => {
      const { solidus_J, liquidus_J, noted_J } = this.curves[i]!;
      const [h, flow_W] = [this.enthalpy[node]!, this.flow_W[node]!];
      const next_J =
        flow_W > 0
          ? h < solidus_J
            ? solidus_J
            : h < liquidus_J
              ? liquidus_J
              : noted_J
          : h > liquidus_J
            ? liquidus_J
            : solidus_J;
      const way_s = (next_J - h) / flow_W;
      if (way_s > 0) least_s = Math.min(least_s, way_s);
    });
    return lengthNear_s(SOLVER.pastPhase * least_s, this.limits.maxStep_s);
  }

  result(): LaneResult {
    return {
      solidus_s: Float64Array.from(this.solidus_s),
      liquidus_s: Float64Array.from(this.liquidus_s),
      ...this.account,
      stored_J: this.enthalpy.reduce((sum, h) => sum + h, -this.start_J),
    };
  }

  release(): void {
    this.matrix.release();
  }

  /** Takes one step into `temperature`; returns its error estimate in K, infinite if it cycled. */
  private step(step_s: number): number {
    const stage_s = GAMMA * step_s;
    const perStage_1_s = 1 / stage_s;
    const rest_s = (1 - GAMMA) * step_s;
    const { size, rate1, rate2, base, enthalpy, slope, perSlope, offset, temperature } = this;
    base.set(enthalpy);
    this.guessPhases(stage_s, this.flow_W);
    if (!this.solveStage(stage_s)) return Infinity;
    this.stage1.set(temperature);
    for (let i = 0; i < size; i++) {
      const rate_W = (offset[i]! + slope[i]! * temperature[i]! - enthalpy[i]!) * perStage_1_s;
      rate1[i] = rate_W;
      base[i] = enthalpy[i]! + rest_s * rate_W;
    }
    this.guessPhases(stage_s, rate1);
    if (!this.solveStage(stage_s)) return Infinity;
    let worst = 0;
    for (let i = 0; i < size; i++) {
      const rate_W = (offset[i]! + slope[i]! * temperature[i]! - base[i]!) * perStage_1_s;
      rate2[i] = rate_W;
      const error = Math.abs(rest_s * (rate1[i]! - rate_W)) * perSlope[i]!;
      if (!(error <= worst)) worst = error;
    }
    return worst;
  }

  /** Where the solder's phases will likely be if its heat goes on flowing as it last did. */
  private guessPhases(stage_s: number, rate_W: Float64Array): void {
    const { melting } = this.network;
    let changed = false;
    for (let i = 0; i < melting.length; i++) {
      const { node } = melting[i]!;
      const phase = meltOfHeat(this.curves[i]!, this.base[node]! + stage_s * rate_W[node]!);
      if (phase === this.phases[i]) continue;
      this.phases[i] = phase;
      changed = true;
    }
    if (!changed) return;
    this.applyPhases();
    this.matrix.outdate();
  }

  /**
   * Solves `H(T) + stage·(K T − q) = base` for T; false if phases and control never settled.
   * Only the matrix's variable rows depend on the guess, so only they are solved again.
   */
  private solveStage(stage_s: number): boolean {
    const { temperature, matrix } = this;
    for (let pass = 0; pass < SOLVER.maxPhasePasses; pass++) {
      matrix.prepare(stage_s, this.slope, this.gainOf);
      if (pass === 0) {
        this.layRightHandSide(stage_s, 0, matrix.firstVariable);
        matrix.eliminateHead(temperature);
      }
      this.layRightHandSide(stage_s, matrix.firstVariable, this.size);
      matrix.solveTail(temperature);
      this.solves++;
      if (!this.correctGuess()) {
        matrix.solveHead(temperature);
        return true;
      }
    }
    return false;
  }

  private layRightHandSide(stage_s: number, from: number, to: number): void {
    const { temperature, base, offset, source_W } = this;
    const perStage_1_s = 1 / stage_s;
    for (let i = from; i < to; i++) temperature[i] = (base[i]! - offset[i]!) * perStage_1_s + source_W[i]!;
    const { heaters } = this.network;
    for (let i = 0; i < heaters.length; i++) {
      const heater = heaters[i]!;
      if (heater.node < from || heater.node >= to) continue;
      const state = this.heaterStates[i];
      if (state === 'full') temperature[heater.node]! += heater.limit_W;
      if (state === 'band') temperature[heater.node]! += heater.gain_W_K * heater.setpoint_K;
    }
  }

  /** Matches phases and heater states to the temperatures; true if any of them changed. */
  private correctGuess(): boolean {
    let changed = false;
    const { melting, heaters } = this.network;
    for (let i = 0; i < melting.length; i++) {
      const phase = meltAt(this.curves[i]!, this.temperature[melting[i]!.node]!);
      if (phase !== this.phases[i]) {
        // Never jump over the melting range in one correction: it is where Newton would cycle.
        this.phases[i] = Math.abs(phase - this.phases[i]!) === 2 ? MUSHY : phase;
        changed = true;
      }
    }
    for (let i = 0; i < heaters.length; i++) {
      const heater = heaters[i]!;
      const wanted_W = heater.gain_W_K * (heater.setpoint_K - this.temperature[heater.node]!);
      const state = wanted_W <= 0 ? 'off' : wanted_W >= heater.limit_W ? 'full' : 'band';
      if (state !== this.heaterStates[i]) {
        this.heaterStates[i] = state;
        changed = true;
      }
    }
    if (changed) {
      this.applyPhases();
      this.matrix.outdate();
    }
    return changed;
  }

  private applyPhases(): void {
    const { melting } = this.network;
    for (let i = 0; i < melting.length; i++) {
      const { node } = melting[i]!;
      const slope = this.curves[i]!.slope[this.phases[i]!];
      this.slope[node] = slope;
      this.perSlope[node] = 1 / slope;
      this.offset[node] = this.curves[i]!.offset[this.phases[i]!];
    }
  }

  /** What a heater's control adds to its diagonal. */
  private readonly gainOf = (heater: number): number =>
    this.heaterStates[heater] === 'band' ? this.network.heaters[heater]!.gain_W_K : 0;

  private acceptStep(step_s: number): void {
    const { account } = this;
    const first_s = (1 - GAMMA) * step_s;
    const second_s = GAMMA * step_s;
    const { stage1, temperature } = this;
    for (const heater of this.network.heaters) {
      account.in_J +=
        first_s * power_W(heater, stage1[heater.node]!) +
        second_s * power_W(heater, temperature[heater.node]!);
    }
    for (const { node, conductance_W_K, temperature_K } of this.network.ambient) {
      account.lost_J +=
        conductance_W_K *
        (first_s * (stage1[node]! - temperature_K) + second_s * (temperature[node]! - temperature_K));
    }
    this.evaluateEnthalpy(this.temperature, this.enthalpy);
    this.flow_W.set(this.rate2);
    for (let w = 0; w < this.wetted.length; w++) this.wetted[w] = this.wettedAfter(w, step_s);
  }

  /**
   * Conductances follow the melt and the wetting; within a step they are held as they will be in its middle, if heat goes on
   * flowing as it does: held as they were at its start, what a melt opens would open a step too late.
   */
  private foresee(step_s: number): void {
    let moved = false;
    this.network.melting.forEach(({ node }, i) => {
      const h = this.enthalpy[node]!;
      const curve = this.curves[i]!;
      const then = liquidShareOfHeat(curve, h + step_s * this.flow_W[node]!);
      const share = (liquidShareOfHeat(curve, h) + then) / 2;
      moved ||= share !== this.halfway[i];
      this.halfway[i] = share;
    });
    for (let w = 0; w < this.wetted.length; w++) {
      const wetted = this.wettedAfter(w, 0.5 * step_s);
      moved ||= wetted !== this.wettedHalfway[w];
      this.wettedHalfway[w] = wetted;
    }
    if (moved) this.matrix.follow(this.halfway, this.wettedHalfway);
  }

  /** What a wetting will let through after a time, with the melt it waits for as `foresee` takes it to be. */
  private wettedAfter(index: number, time_s: number): number {
    const { dryShare, over_s } = this.network.wettings[index]!;
    const lump = this.waitsFor[index]!;
    const melt = lump < 0 ? 1 : this.halfway[lump]!;
    return Math.min(1, this.wetted[index]! + ((1 - dryShare) * melt * time_s) / over_s);
  }

  private evaluateEnthalpy(temperature: Float64Array, into: Float64Array): void {
    for (let i = 0; i < this.size; i++) into[i] = this.offset[i]! + this.slope[i]! * temperature[i]!;
  }

  /** Melt times by linear interpolation of enthalpy within the step just taken. */
  private noteCrossings(time_s: number, step_s: number): void {
    const { solidus_s, liquidus_s } = this;
    const { melting } = this.network;
    for (let i = 0; i < melting.length; i++) {
      const { node } = melting[i]!;
      const { solidus_J, liquidus_J } = this.curves[i]!;
      const before = this.enthalpy[node]!;
      const after = this.offset[node]! + this.slope[node]! * this.temperature[node]!;
      if (Number.isNaN(solidus_s[i]!)) solidus_s[i] = time_s + step_s * crossed(solidus_J, before, after);
      if (Number.isNaN(liquidus_s[i]!)) liquidus_s[i] = time_s + step_s * crossed(liquidus_J, before, after);
    }
  }
}

/** Share of a step at which a level was crossed upward; 0 where it was over it before, NaN where it is not yet. */
const crossed = (level: number, before: number, after: number): number =>
  after < level ? NaN : before >= level ? 0 : (level - before) / (after - before);

const power_W = (heater: HeaterNode, temperature_K: number): number =>
  Math.min(heater.limit_W, Math.max(0, heater.gain_W_K * (heater.setpoint_K - temperature_K)));
