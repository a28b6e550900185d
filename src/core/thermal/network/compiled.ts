import { NETWORK } from '../compiled/bytes';
import { instanceOf } from '../compiled/instance';
import { ARRAYS, isAlike, lay, LANES, type Kernel } from './laying';
import type { ThermalNetwork } from './network';
import { SOLVER } from './settings';
import { shapeOf, type Shape } from './shape';
import type { LaneResult, Stepper, StepLimits } from './stepper';

let kernel: Kernel | null = null;
/** A stepper has the kernel to itself until it is released. */
let taken = false;

/** Two networks of one shape in the lanes of the compiled kernel. One alone lies in both. */
export class CompiledStepper implements Stepper {
  private readonly kernel: Kernel;
  private readonly shape: Shape;
  private readonly numbers: Float64Array;
  private readonly temperatureAt: number;

  constructor(
    private readonly networks: readonly [ThermalNetwork, ThermalNetwork],
    private readonly limits: StepLimits,
  ) {
    if (taken) throw new Error('the kernel runs one pair at a time');
    const [first, second] = networks;
    const shape = shapeOf(first);
    this.shape = shape;
    kernel ??= instanceOf(NETWORK) as unknown as Kernel;
    this.kernel = kernel;
    const { numbers, temperatureAt } = lay(kernel, shape, [first, second]);
    this.numbers = numbers;
    this.temperatureAt = temperatureAt;
    kernel.begin(Math.min(SOLVER.firstStep_s, limits.maxStep_s));
    taken = true;
  }

  /** Whether two networks can lie side by side. */
  static readonly alike = (a: ThermalNetwork, b: ThermalNetwork): boolean => a === b || isAlike(a, b);

  get time_s(): number {
    return this.kernel.timeNow();
  }

  get taken_s(): number {
    return this.kernel.stepTaken();
  }

  get steps(): number {
    return this.kernel.stepsTaken();
  }

  get solves(): number {
    return this.kernel.solved();
  }

  advance(duration_s: number, counts: readonly boolean[]): boolean {
    const { tolerance_K, maxStep_s } = this.limits;
    const lanes = counts.reduce((bits, counting, lane) => bits | (counting ? 1 << lane : 0), 0);
    const { minStep_s, maxPhasePasses } = SOLVER;
    return this.kernel.advance(duration_s, tolerance_K, maxStep_s, minStep_s, maxPhasePasses, lanes) === 1;
  }

  temperaturesOf_K(): Float64Array {
    return this.numbers;
  }

  placeOf(lane: number, node: number): number {
    return this.temperatureAt + LANES * this.shape.elimination.pivot[node]! + lane;
  }

  resultOf(lane: number): LaneResult {
    const { melting, size } = this.networks[lane]!;
    const read = (array: number, count: number): Float64Array => {
      const from = this.kernel.addressOf(array) >> 3;
      return Float64Array.from({ length: count }, (_, i) => this.numbers[from + LANES * i + lane]!);
    };
    const [in_J, lost_J, start_J] = read(ARRAYS.account, 3) as unknown as [number, number, number];
    return {
      solidus_s: read(ARRAYS.solidusAt, melting.length),
      liquidus_s: read(ARRAYS.liquidusAt, melting.length),
      in_J,
      lost_J,
      stored_J: read(ARRAYS.enthalpy, size).reduce((sum, h) => sum + h, -start_J),
    };
  }

  release(): void {
    taken = false;
  }
}
