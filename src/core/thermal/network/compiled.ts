import { ARRAYS, borrowedKernel, LANES, returnKernel, type OwnKernel } from './kernel';
import { layShape } from './laying';
import { layLane } from './layingLane';
import type { ThermalNetwork } from './network';
import { SOLVER } from './settings';
import { shapeOf, type Shape } from './shape';
import type { LaneResult, Stepper, StepLimits, Try } from './stepper';

/** Networks of one shape in the lanes of the compiled kernel. */
export class CompiledStepper implements Stepper {
  readonly lanes = LANES;
  private readonly own: OwnKernel;
  private readonly shape: Shape;
  private readonly numbers: Float64Array;
  private readonly temperatureAt: number;
  private readonly networks = new Array<ThermalNetwork | null>(LANES).fill(null);
  private tries = 0;

  /** For networks of the shape of this one. */
  constructor(first: ThermalNetwork) {
    const own = borrowedKernel();
    this.own = own;
    this.shape = shapeOf(first);
    layShape(own, this.shape, first);
    this.numbers = new Float64Array(own.kernel.memory.buffer);
    this.temperatureAt = own.kernel.addressOf(ARRAYS.temperature) >> 3;
  }

  fits(network: ThermalNetwork): boolean {
    return shapeOf(network) === this.shape;
  }

  begin(lane: number, network: ThermalNetwork, { tolerance_K, maxStep_s, duration_s }: StepLimits): void {
    layLane(this.own, this.numbers, shapeOf(network), network, lane);
    this.networks[lane] = network;
    const first_s = Math.min(SOLVER.firstStep_s, maxStep_s);
    this.own.kernel.begin(lane, first_s, maxStep_s, tolerance_K, duration_s);
  }

  advance(): void {
    const { minStep_s, maxPhasePasses, pastPhase } = SOLVER;
    this.tries = this.own.kernel.advance(minStep_s, maxPhasePasses, pastPhase);
  }

  lastTry(lane: number): Try {
    if (this.tries & (1 << lane)) return 'took';
    return this.tries & (1 << (lane + FAILED)) ? 'failed' : 'again';
  }

  time_s(lane: number): number {
    return this.own.kernel.timeOf(lane);
  }

  taken_s(lane: number): number {
    return this.own.kernel.stepOf(lane);
  }

  steps(lane: number): number {
    return this.own.kernel.stepsOf(lane);
  }

  solves(lane: number): number {
    return this.own.kernel.solvesOf(lane);
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
      const found = new Float64Array(count);
      let at = (this.own.kernel.addressOf(array) >> 3) + lane;
      for (let i = 0; i < count; i++, at += LANES) found[i] = this.numbers[at]!;
      return found;
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

  end(lane: number): void {
    this.networks[lane] = null;
    this.own.kernel.end(lane);
  }

  release(): void {
    this.networks.forEach((_, lane) => this.end(lane));
    returnKernel(this.own);
  }
}

/** First bit of the lanes that would not converge. */
const FAILED = 8;
