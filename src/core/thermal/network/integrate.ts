import { CompiledStepper } from './compiled';
import type { ThermalNetwork } from './network';
import { PlainStepper } from './plain';
import { Recorder } from './recorder';
import { SOLVER } from './settings';
import type { LaneResult, Stepper, StepLimits } from './stepper';

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

/** Integrates a thermal network from its initial temperatures. */
export function integrate(network: ThermalNetwork, options: IntegrationOptions): Integration {
  return run((limits) => new CompiledStepper([network, network], limits), [options])[0]!;
}

/**
 * Two networks side by side, for little more than one costs. They take the same steps, short enough for both; duration and
 * limits are those of the first. Where they differ in shape they go one after the other.
 */
export function integrateTogether(first: Asked, second: Asked): [Integration, Integration] {
  const pair = [first.network, second.network] as const;
  if (!CompiledStepper.alike(...pair))
    return [integrate(first.network, first.options), integrate(second.network, second.options)];
  const options = [first.options, second.options];
  return run((limits) => new CompiledStepper(pair, limits), options) as [Integration, Integration];
}

/** The same in plain code, for any number of networks that step together. */
export const integratePlainly = (asked: readonly Asked[]): Integration[] =>
  run(
    (limits) =>
      new PlainStepper(
        asked.map((a) => a.network),
        limits,
      ),
    asked.map((a) => a.options),
  );

function run(
  stepperOf: (limits: StepLimits) => Stepper,
  options: readonly IntegrationOptions[],
): Integration[] {
  const { duration_s, tolerance_K = SOLVER.tolerance_K, maxStep_s = SOLVER.maxStep_s } = options[0]!;
  const stepper = stepperOf({ tolerance_K, maxStep_s });
  const lanes = options.map(({ tracked }, lane) => {
    const temperatures_K = stepper.temperaturesOf_K(lane);
    const at_K = (node: number): number => temperatures_K[stepper.placeOf(lane, node)]!;
    const places = Int32Array.from(tracked, (node) => stepper.placeOf(lane, node));
    return { at_K, record: new Recorder(temperatures_K, places) };
  });
  const ended = new Array<Integration | null>(options.length).fill(null);
  const counts = options.map(() => true);
  const end = (lane: number, outcome: Integration['outcome']): void => {
    const { steps, solves } = stepper;
    counts[lane] = false;
    ended[lane] = {
      outcome,
      ...lanes[lane]!.record.done(),
      ...accountOf(stepper.resultOf(lane)),
      steps,
      solves,
    };
  };
  try {
    while (counts.includes(true)) {
      const over = stepper.time_s >= duration_s * (1 - 1e-12);
      if (over || stepper.steps >= SOLVER.maxSteps || !stepper.advance(duration_s, counts)) {
        counts.forEach((counting, lane) => {
          if (counting) end(lane, over ? 'done' : 'not-converged');
        });
        break;
      }
      const { time_s, taken_s } = stepper;
      lanes.forEach(({ record, at_K }, lane) => {
        if (!counts[lane]) return;
        record.add(time_s);
        if (options[lane]!.stopWhen?.(time_s, taken_s, at_K)) end(lane, 'stopped');
      });
    }
  } finally {
    stepper.release();
  }
  return ended.map((one) => one!);
}

function accountOf({ solidus_s, liquidus_s, in_J, stored_J, lost_J }: LaneResult) {
  const scale = Math.max(Math.abs(in_J), Math.abs(stored_J), Math.abs(lost_J), 1e-30);
  const relativeResidual = Math.abs(in_J - stored_J - lost_J) / scale;
  return { solidus_s, liquidus_s, energy: { in_J, stored_J, lost_J, relativeResidual } };
}
