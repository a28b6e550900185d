import { NETWORK } from '../compiled/bytes';
import { instanceOf } from '../compiled/instance';
import type { Shape } from './shape';

/** Exports of kernels/network.ts. */
export interface Kernel {
  readonly memory: WebAssembly.Memory;
  layOut(
    nodes: number,
    head: number,
    entries: number,
    headUpdates: number,
    tailUpdates: number,
    headEntries: number,
    reached: number,
    variableEdges: number,
    lumps: number,
    heated: number,
    wets: number,
    aired: number,
  ): void;
  addressOf(array: number): number;
  begin(lane: number, firstStep: number, maxStep: number, tolerance: number, duration: number): void;
  end(lane: number): void;
  /** Lanes that took a step, bit by bit, and from bit 8 on those that would not converge. */
  advance(minStep: number, maxPasses: number, pastPhase: number): number;
  timeOf(lane: number): number;
  stepOf(lane: number): number;
  stepsOf(lane: number): number;
  solvesOf(lane: number): number;
}

/** Arrays of the kernel, by the number that `addressOf` knows them by. */
export const ARRAYS = {
  columnAt: 0,
  twin: 1,
  row: 2,
  columnOf: 3,
  updateHead: 4,
  updateTail: 5,
  edge: 6,
  meltNode: 7,
  heaterNode: 8,
  waitsFor: 9,
  ambientNode: 10,
  fixedValues: 11,
  fixedConduction: 12,
  edgeSolid: 13,
  edgeLiquid: 14,
  slope: 15,
  temperature: 16,
  source: 17,
  curve: 18,
  wetting: 19,
  heater: 20,
  ambient: 21,
  solidusAt: 22,
  liquidusAt: 23,
  account: 24,
  factor: 25,
  reached: 26,
  enthalpy: 27,
} as const;

/** Networks that step at once. */
export const LANES = 2;

/** A kernel of its own memory, and the shape that lies in it: one that is met again is not laid again. */
export interface OwnKernel {
  readonly kernel: Kernel;
  laid: Shape | null;
}

/** Those that nobody uses now. */
const idle: OwnKernel[] = [];

export const borrowedKernel = (): OwnKernel =>
  idle.pop() ?? { kernel: instanceOf(NETWORK) as unknown as Kernel, laid: null };

export function returnKernel(own: OwnKernel): void {
  idle.push(own);
}
