import { CompiledStepper } from './compiled';
import type { ThermalNetwork } from './network';
import { PlainStepper } from './plain';
import { Recorder, type Recorded } from './recorder';
import { SOLVER } from './settings';
import type { LaneResult, Stepper, StepLimits } from './stepper';

export interface Integration {
  readonly outcome: 'done' | 'stopped' | 'not-converged';
  readonly time_s: Float64Array;
  /** Of the nodes that were tracked, in the order asked for. */
  readonly recorded: Recorded;
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

export interface IntegrationOptions extends Partial<StepLimits> {
  readonly duration_s: number;
  readonly tracked: readonly number[];
  /** Asked after each step, with the temperature of any node; true ends the run there. */
  readonly stopWhen?:
    ((time_s: number, step_s: number, at_K: (node: number) => number) => boolean) | undefined;
}

/** A network and what is asked of it. */
export interface Asked {
  readonly network: ThermalNetwork;
  readonly options: IntegrationOptions;
}

/** What came of one of many, by its place among them. */
export interface Ended {
  readonly index: number;
  readonly run: Integration;
}

/** Integrates a thermal network from its initial temperatures. */
export const integrate = (network: ThermalNetwork, options: IntegrationOptions): Integration =>
  integrateAll([() => ({ network, options })])[0]!;

/** Many, side by side: in the order asked for. */
export function integrateAll(asked: readonly (() => Asked)[]): Integration[] {
  const runs = new Array<Integration>(asked.length);
  for (const { index, run } of integrateEach(asked)) runs[index] = run;
  return runs;
}

/**
 * Many, side by side in the lanes of the compiled kernel; each as it ends. A run's figures are the same whatever runs beside
 * it: lanes have clocks of their own, and one that ends makes room for the next. What differs in shape waits for its turn.
 */
export const integrateEach = (asked: readonly (() => Asked)[]): Generator<Ended, void> =>
  stepped(asked, (network) => new CompiledStepper(network));

/** The same in plain code. */
export const integratePlainly = (asked: readonly (() => Asked)[]): Integration[] => {
  const runs = new Array<Integration>(asked.length);
  for (const { index, run } of stepped(asked, () => new PlainStepper(asked.length))) runs[index] = run;
  return runs;
};

function* stepped(
  asked: readonly (() => Asked)[],
  stepperFor: (first: ThermalNetwork) => Stepper,
): Generator<Ended, void> {
  let index = 0;
  let waiting = asked[0]?.();
  while (waiting) {
    const stepper = stepperFor(waiting.network);
    const lanes: (Lane | null)[] = Array.from({ length: stepper.lanes }, () => null);
    try {
      for (;;) {
        for (let lane = 0; lane < lanes.length; lane++) {
          if (lanes[lane] || !waiting || !stepper.fits(waiting.network)) continue;
          lanes[lane] = new Lane(stepper, lane, index, waiting);
          waiting = asked[++index]?.();
        }
        if (!lanes.some(Boolean)) break;
        stepper.advance();
        for (let lane = 0; lane < lanes.length; lane++) {
          const run = lanes[lane]?.ended();
          if (!run) continue;
          yield { index: lanes[lane]!.index, run };
          lanes[lane] = null;
          stepper.end(lane);
        }
      }
    } finally {
      stepper.release();
    }
  }
}

/** One network on its way, and what is recorded of it. */
class Lane {
  private readonly record: Recorder;
  private readonly at_K: (node: number) => number;
  /** A run takes the shortest step at least. */
  private readonly duration_s: number;

  constructor(
    private readonly stepper: Stepper,
    private readonly lane: number,
    readonly index: number,
    private readonly asked: Asked,
  ) {
    const { network, options } = asked;
    const { tolerance_K = SOLVER.tolerance_K, maxStep_s = SOLVER.maxStep_s } = options;
    this.duration_s = Math.max(options.duration_s, SOLVER.minStep_s);
    stepper.begin(lane, network, { duration_s: this.duration_s, tolerance_K, maxStep_s });
    const temperatures_K = stepper.temperaturesOf_K(lane);
    this.at_K = (node) => temperatures_K[stepper.placeOf(lane, node)]!;
    const places = new Int32Array(options.tracked.length);
    for (let i = 0; i < places.length; i++) places[i] = stepper.placeOf(lane, options.tracked[i]!);
    this.record = new Recorder(temperatures_K, places);
  }

  /** After a try: what came of the run, where it is over. */
  ended(): Integration | null {
    const { stepper, lane, record, asked } = this;
    const { stopWhen } = asked.options;
    const last = stepper.lastTry(lane);
    if (last === 'again') return null;
    if (last === 'failed') return this.as('not-converged');
    const time_s = stepper.time_s(lane);
    record.add(time_s);
    if (stopWhen?.(time_s, stepper.taken_s(lane), this.at_K)) return this.as('stopped');
    if (time_s >= this.duration_s * (1 - 1e-12)) return this.as('done');
    return stepper.steps(lane) >= SOLVER.maxSteps ? this.as('not-converged') : null;
  }

  private as(outcome: Integration['outcome']): Integration {
    const { stepper, lane } = this;
    const recorded = this.record.done();
    return {
      outcome,
      time_s: recorded.time_s,
      recorded,
      ...accountOf(stepper.resultOf(lane)),
      steps: stepper.steps(lane),
      solves: stepper.solves(lane),
    };
  }
}

function accountOf({ solidus_s, liquidus_s, in_J, stored_J, lost_J }: LaneResult) {
  const scale = Math.max(Math.abs(in_J), Math.abs(stored_J), Math.abs(lost_J), 1e-30);
  const relativeResidual = Math.abs(in_J - stored_J - lost_J) / scale;
  return { solidus_s, liquidus_s, energy: { in_J, stored_J, lost_J, relativeResidual } };
}
