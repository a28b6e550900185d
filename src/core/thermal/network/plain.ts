import type { ThermalNetwork } from './network';
import { PlainLane } from './plainLane';
import type { LaneResult, Stepper, StepLimits, Try } from './stepper';

/** Networks that step in plain code: the reference that the compiled kernel is held to. */
export class PlainStepper implements Stepper {
  private readonly under: (PlainLane | null)[];

  constructor(readonly lanes: number) {
    this.under = Array.from({ length: lanes }, () => null);
  }

  /** Its lanes share nothing, so any network may lie beside any other. */
  fits(): boolean {
    return true;
  }

  begin(lane: number, network: ThermalNetwork, limits: StepLimits): void {
    this.under[lane] = new PlainLane(network, limits);
  }

  advance(): void {
    for (const lane of this.under) lane?.advance();
  }

  lastTry(lane: number): Try {
    return this.under[lane]!.lastTry;
  }

  time_s(lane: number): number {
    return this.under[lane]!.time_s;
  }

  taken_s(lane: number): number {
    return this.under[lane]!.taken_s;
  }

  steps(lane: number): number {
    return this.under[lane]!.steps;
  }

  solves(lane: number): number {
    return this.under[lane]!.solves;
  }

  temperaturesOf_K(lane: number): Float64Array {
    return this.under[lane]!.temperature;
  }

  placeOf(_lane: number, node: number): number {
    return node;
  }

  resultOf(lane: number): LaneResult {
    return this.under[lane]!.result();
  }

  end(lane: number): void {
    this.under[lane]?.release();
    this.under[lane] = null;
  }

  release(): void {
    this.under.forEach((_, lane) => this.end(lane));
  }
}
