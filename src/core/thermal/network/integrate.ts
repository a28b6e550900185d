import {
  MUSHY,
  enthalpyCurve,
  liquidShare,
  phaseAt,
  phaseOfHeat,
  type EnthalpyCurve,
  type Phase,
} from './enthalpy';
import type { HeaterNode, ThermalNetwork } from './network';
import { Recorder } from './recorder';
import { SOLVER } from './settings';
import { Skyline } from './skyline';

/** Alexander's two-stage, stiffly accurate, L-stable SDIRK (SIAM J. Numer. Anal. 14, 1977). */
const GAMMA = 1 - Math.SQRT1_2;

export interface Integration {
  readonly outcome: 'done' | 'stopped' | 'not-converged';
  readonly time_s: Float64Array;
  /** One row per tracked node, in the order asked for. */
  readonly tracked_K: readonly Float64Array[];
  /** First crossing by each melting node, NaN where it never came. */
  readonly solidus_s: Float64Array;
  readonly liquidus_s: Float64Array;
  readonly energy: EnergyAccount;
  readonly steps: number;
  readonly solves: number;
}

export interface EnergyAccount {
  readonly in_J: number;
  readonly stored_J: number;
  readonly lost_J: number;
  readonly relativeResidual: number;
}

export interface IntegrationOptions {
  readonly duration_s: number;
  readonly tracked: readonly number[];
  readonly tolerance_K?: number;
  readonly maxStep_s?: number;
  /** Called after each step with all temperatures; true ends the run there. */
  readonly stopWhen?: (time_s: number, step_s: number, temperature_K: Float64Array) => boolean;
}

type HeaterState = 'off' | 'band' | 'full';

/**
 * Integrates a thermal network from its initial temperatures.
 * On each step the solder's phases and the heaters' states are guessed, the then linear system is
 * solved exactly, and the guess is corrected until it holds, so the energy balance closes to rounding.
 */
export function integrate(network: ThermalNetwork, options: IntegrationOptions): Integration {
  return new Integrator(network, options).run();
}

class Integrator {
  private readonly size: number;
  private readonly matrix: Skyline;
  private readonly diagonalAt: Int32Array;
  private readonly edgeAt: Int32Array;
  private readonly edgeMelt: Int32Array;
  private readonly curves: readonly EnthalpyCurve[];
  private readonly share: Float64Array;
  private readonly phases: Phase[];
  private readonly heaterStates: HeaterState[];
  /** Conduction and losses on the diagonal, W/K, without capacity and control. */
  private readonly conduction: Float64Array;
  private readonly source_W: Float64Array;
  private readonly slope: Float64Array;
  private readonly offset: Float64Array;
  private readonly enthalpy: Float64Array;
  private readonly base: Float64Array;
  private readonly rate1: Float64Array;
  private readonly rate2: Float64Array;
  private readonly stage1: Float64Array;
  private readonly temperature: Float64Array;
  /** First row that phases, melt or control can change. */
  private readonly firstVariable: number;
  private readonly fixedValues: Float64Array;
  private readonly fixedConduction: Float64Array;
  private readonly meltingEdges: number[] = [];
  private factoredStep = 0;
  private factorStale = true;
  private solves = 0;

  constructor(
    private readonly network: ThermalNetwork,
    private readonly options: IntegrationOptions,
  ) {
    const { size, edges, melting, heaters } = network;
    const zeros = () => new Float64Array(size);
    this.size = size;
    this.matrix = new Skyline(
      size,
      edges.map((e) => [e.from, e.to] as const),
    );
    this.diagonalAt = Int32Array.from({ length: size }, (_, i) => this.matrix.index(i, i));
    this.edgeAt = Int32Array.from(edges, (e) => this.matrix.index(e.from, e.to));
    this.curves = melting.map((lump) => enthalpyCurve(lump, SOLVER.eutecticSmear_K));
    const meltOf = new Map(melting.map((lump, index) => [lump.node, index]));
    this.edgeMelt = Int32Array.from(edges.flatMap((e) => [meltOf.get(e.from) ?? -1, meltOf.get(e.to) ?? -1]));
    this.share = new Float64Array(melting.length);
    this.phases = melting.map((lump, i) => phaseAt(this.curves[i]!, network.initial_K[lump.node]!));
    this.heaterStates = heaters.map(() => 'band');
    this.conduction = zeros();
    this.fixedConduction = zeros();
    this.fixedValues = new Float64Array(this.matrix.values.length);
    this.layFixedLinks();
    this.source_W = zeros();
    this.slope = Float64Array.from(network.capacity_J_K);
    this.offset = zeros();
    this.enthalpy = zeros();
    this.base = zeros();
    this.rate1 = zeros();
    this.rate2 = zeros();
    this.stage1 = zeros();
    this.temperature = Float64Array.from(network.initial_K);
    this.firstVariable = Math.min(
      size,
      ...heaters.map((h) => h.node),
      ...melting.map((lump) => lump.node),
      ...edges.filter((e) => e.solid_W_K !== e.liquid_W_K).flatMap((e) => [e.from, e.to]),
    );
    for (const link of network.ambient) {
      this.source_W[link.node]! += link.conductance_W_K * link.temperature_K;
    }
    this.applyPhases();
    this.evaluateEnthalpy(this.temperature, this.enthalpy);
  }

  run(): Integration {
    const { duration_s, tolerance_K = SOLVER.tolerance_K, maxStep_s = SOLVER.maxStep_s } = this.options;
    const record = new Recorder(this.options.tracked, this.temperature);
    const account = { in_J: 0, lost_J: 0 };
    const start_J = this.enthalpy.reduce((sum, h) => sum + h, 0);
    const solidus_s = new Float64Array(this.curves.length).fill(NaN);
    const liquidus_s = new Float64Array(this.curves.length).fill(NaN);
    const saved = Float64Array.from(this.temperature);
    let time_s = 0;
    let step_s = Math.min(SOLVER.firstStep_s, maxStep_s);
    let steps = 0;
    let outcome: Integration['outcome'] = 'done';

    this.refreshConduction();
    while (time_s < duration_s * (1 - 1e-12)) {
      const left = duration_s - time_s;
      const taken_s = Math.min(step_s, left);
      saved.set(this.temperature);
      const error_K = this.step(taken_s);
      if (error_K > 2 * tolerance_K && taken_s > SOLVER.minStep_s) {
        this.temperature.set(saved);
        this.rate2.fill(0);
        step_s = taken_s / 2;
        continue;
      }
      if (!Number.isFinite(error_K) || steps >= SOLVER.maxSteps) {
        outcome = 'not-converged';
        break;
      }
      this.noteCrossings(time_s, taken_s, solidus_s, liquidus_s);
      this.acceptStep(taken_s, account);
      time_s += taken_s;
      steps++;
      record.add(time_s, this.temperature);
      if (this.options.stopWhen?.(time_s, taken_s, this.temperature)) {
        outcome = 'stopped';
        break;
      }
      if (error_K < tolerance_K / 5) step_s = Math.min(2 * step_s, maxStep_s);
    }

    const stored_J = this.enthalpy.reduce((sum, h) => sum + h, -start_J);
    const scale = Math.max(Math.abs(account.in_J), Math.abs(stored_J), Math.abs(account.lost_J), 1e-30);
    return {
      outcome,
      ...record.done(),
      solidus_s,
      liquidus_s,
      energy: {
        ...account,
        stored_J,
        relativeResidual: Math.abs(account.in_J - stored_J - account.lost_J) / scale,
      },
      steps,
      solves: this.solves,
    };
  }

  /** Takes one step into `temperature`; returns its error estimate in K, infinite if it cycled. */
  private step(step_s: number): number {
    const stage_s = GAMMA * step_s;
    const { rate1, rate2, base, enthalpy, slope, offset, temperature } = this;
    base.set(enthalpy);
    this.guessPhases(stage_s, rate2);
    if (!this.solveStage(stage_s)) return Infinity;
    this.stage1.set(temperature);
    for (let i = 0; i < this.size; i++) {
      rate1[i] = (offset[i]! + slope[i]! * temperature[i]! - enthalpy[i]!) / stage_s;
      base[i] = enthalpy[i]! + (1 - GAMMA) * step_s * rate1[i]!;
    }
    this.guessPhases(stage_s, rate1);
    if (!this.solveStage(stage_s)) return Infinity;
    let worst = 0;
    for (let i = 0; i < this.size; i++) {
      rate2[i] = (offset[i]! + slope[i]! * temperature[i]! - base[i]!) / stage_s;
      const error = Math.abs((1 - GAMMA) * step_s * (rate1[i]! - rate2[i]!)) / slope[i]!;
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
      const phase = phaseOfHeat(this.curves[i]!, this.base[node]! + stage_s * rate_W[node]!);
      if (phase === this.phases[i]) continue;
      this.phases[i] = phase;
      changed = true;
    }
    if (!changed) return;
    this.applyPhases();
    this.factorStale = true;
  }

  /**
   * Solves `H(T) + stage·(K T − q) = base` for T; false if phases and control never settled.
   * Only rows from `firstVariable` on depend on the guess, so only they are solved again.
   */
  private solveStage(stage_s: number): boolean {
    const { temperature, matrix, firstVariable } = this;
    for (let pass = 0; pass < SOLVER.maxPhasePasses; pass++) {
      this.assemble(stage_s);
      if (pass === 0) {
        this.layRightHandSide(stage_s, 0, firstVariable);
        matrix.eliminateHead(temperature, firstVariable);
      }
      this.layRightHandSide(stage_s, firstVariable, this.size);
      matrix.solveTail(temperature, firstVariable);
      this.solves++;
      if (!this.correctGuess()) {
        matrix.solveHead(temperature, firstVariable);
        return true;
      }
    }
    return false;
  }

  private layRightHandSide(stage_s: number, from: number, to: number): void {
    const { temperature, base, offset, source_W } = this;
    for (let i = from; i < to; i++) temperature[i] = (base[i]! - offset[i]!) / stage_s + source_W[i]!;
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
      const phase = phaseAt(this.curves[i]!, this.temperature[melting[i]!.node]!);
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
      this.factorStale = true;
    }
    return changed;
  }

  private applyPhases(): void {
    const { melting } = this.network;
    for (let i = 0; i < melting.length; i++) {
      const { node } = melting[i]!;
      this.slope[node] = this.curves[i]!.slope[this.phases[i]!];
      this.offset[node] = this.curves[i]!.offset[this.phases[i]!];
    }
  }

  /** Factors the stage matrix again, as far as something in it changed since the last time. */
  private assemble(stage_s: number): void {
    const stepChanged = stage_s !== this.factoredStep;
    if (!stepChanged && !this.factorStale) return;
    const { values } = this.matrix;
    const from = stepChanged ? 0 : this.firstVariable;
    for (let i = from; i < this.size; i++) {
      values[this.diagonalAt[i]!] = this.conduction[i]! + this.slope[i]! / stage_s;
    }
    const { heaters } = this.network;
    for (let i = 0; i < heaters.length; i++) {
      const { node, gain_W_K } = heaters[i]!;
      if (this.heaterStates[i] === 'band') values[this.diagonalAt[node]!]! += gain_W_K;
    }
    this.matrix.factorise(from);
    this.factoredStep = stage_s;
    this.factorStale = false;
  }

  /** Links that never change go into the matrix once. */
  private layFixedLinks(): void {
    const { edges, ambient } = this.network;
    edges.forEach((edge, i) => {
      if (edge.solid_W_K !== edge.liquid_W_K) this.meltingEdges.push(i);
      else this.addLink(this.fixedValues, this.fixedConduction, i, edge.solid_W_K);
    });
    for (const link of ambient) this.fixedConduction[link.node]! += link.conductance_W_K;
  }

  private addLink(values: Float64Array, conduction: Float64Array, edge: number, g_W_K: number): void {
    const { from, to } = this.network.edges[edge]!;
    values[this.edgeAt[edge]!]! -= g_W_K;
    conduction[from]! += g_W_K;
    conduction[to]! += g_W_K;
  }

  /** Conductances follow the melt of the last accepted step; they are held within a step. */
  private refreshConduction(): void {
    this.matrix.values.set(this.fixedValues);
    this.conduction.set(this.fixedConduction);
    for (const i of this.meltingEdges) {
      const { solid_W_K, liquid_W_K } = this.network.edges[i]!;
      const g_W_K = solid_W_K + this.meltOfEdge(i) * (liquid_W_K - solid_W_K);
      this.addLink(this.matrix.values, this.conduction, i, g_W_K);
    }
    this.factorStale = true;
  }

  private meltOfEdge(index: number): number {
    const a = this.edgeMelt[2 * index]!;
    const b = this.edgeMelt[2 * index + 1]!;
    if (a < 0) return b < 0 ? 0 : this.share[b]!;
    return b < 0 ? this.share[a]! : (this.share[a]! + this.share[b]!) / 2;
  }

  private acceptStep(step_s: number, account: { in_J: number; lost_J: number }): void {
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
    let meltMoved = false;
    for (const [i, lump] of this.network.melting.entries()) {
      const share = liquidShare(this.curves[i]!, this.temperature[lump.node]!);
      meltMoved ||= share !== this.share[i];
      this.share[i] = share;
    }
    if (meltMoved) this.refreshConduction();
  }

  private evaluateEnthalpy(temperature: Float64Array, into: Float64Array): void {
    for (let i = 0; i < this.size; i++) into[i] = this.offset[i]! + this.slope[i]! * temperature[i]!;
  }

  /** Melt times by linear interpolation of enthalpy within the step just taken. */
  private noteCrossings(
    time_s: number,
    step_s: number,
    solidus_s: Float64Array,
    liquidus_s: Float64Array,
  ): void {
    this.network.melting.forEach((lump, i) => {
      const curve = this.curves[i]!;
      const before = this.enthalpy[lump.node]!;
      const after = this.offset[lump.node]! + this.slope[lump.node]! * this.temperature[lump.node]!;
      const crossing = (level: number, noted: Float64Array): void => {
        if (Number.isNaN(noted[i]!) && after >= level) {
          noted[i] = before >= level ? time_s : time_s + (step_s * (level - before)) / (after - before);
        }
      };
      crossing(curve.solidus_J, solidus_s);
      crossing(curve.liquidus_J, liquidus_s);
    });
  }
}

const power_W = (heater: HeaterNode, temperature_K: number): number =>
  Math.min(heater.limit_W, Math.max(0, heater.gain_W_K * (heater.setpoint_K - temperature_K)));
