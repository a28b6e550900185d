import { once } from 'node:events';
import { Worker, type MessagePort } from 'node:worker_threads';
import { bandOf, drawDwells, type DrawnDwell } from '~/core/method/hand/bands';
import { allowanceFor } from '~/core/method/limits/forecast';
import { holeTouch } from '~/core/method/hand/holeTouch';
import type { Touch } from '~/core/method/hand/touch';
import type { Allowance } from '~/core/method/limits/stop';
import { simulateField, type FieldOptions } from '~/core/thermal/field/run';
import { compiledMemory } from '~/core/thermal/field/compiledLoops';
import { plainMemory } from '~/core/thermal/field/plainLoops';
import { preparedJoint, simulateJoint } from '~/core/thermal/joint/simulate';
import { integrateAll, integratePlainly } from '~/core/thermal/network/integrate';
import { field, HEAVY_FOUR, insulated, jetOver, square, stage, surfacePart } from '../../tests/support/field';
import { inPhase, planRequest, reliefOn, scenario, settingAt, trackOn } from '../../tests/support/samples';
import { drain, report, timed } from './table';

export function jointRuns(): void {
  for (const [name, joint] of [
    ['joint run, 10 s, pin on a track, melts', scenario(360, trackOn(4))],
    ['joint run, 10 s, pin on a relief', scenario(380, reliefOn(2))],
  ] as const) {
    timed(100, () => simulateJoint(joint, { duration_s: 10 }));
    report(
      name,
      '≤ 1 ms',
      timed(300, () => simulateJoint(joint, { duration_s: 10 })),
    );
  }
}

/** How fast the machine is just now: ten million multiplications, each waiting for the one before. */
export function yardstick(): void {
  const spin = (): number => {
    let x = 1;
    for (let i = 0; i < 1e7; i++) x = x * 0.999999 + 1e-9;
    return x;
  };
  report(
    'yardstick: 10 million dependent multiply–adds',
    '–',
    timed(20, () => void spin()),
  );
}

const HOT_AIR = field(
  { ...HEAVY_FOUR, copper: [HEAVY_FOUR.copper[0]!, HEAVY_FOUR.copper[1]!, HEAVY_FOUR.copper[3]!] },
  [surfacePart({ family: 'qfp', pins: 100 }, { planes: true })],
  [stage(300, jetOver(380, square(18e-3), 40, 5e-3))],
);

/** Bytes that a run's cells take: its mesh and its solver lie in one memory. */
const heldBytes = (pitch_m: number): number =>
  insulated(HOT_AIR.board, pitch_m, 3).temperature_K.buffer.byteLength;

/** The board of heat.md, 160 × 100 mm in three layers under hot air for 300 s, as its cells shrink. */
export function boardRuns(): void {
  const asked = { 4: '–', 2: '≤ 0.25 s', 1: '≤ 1.5 s', 0.5: '–' } as const;
  for (const pitch_mm of [4, 2, 1, 0.5] as const) {
    const cells = (160 / pitch_mm) * (100 / pitch_mm) * 3;
    const run = (): number => simulateField(HOT_AIR, { pitch_m: pitch_mm * 1e-3 }).steps;
    if (pitch_mm >= 2) timed(3, () => void run());
    let steps = 0;
    const times = timed(pitch_mm < 1 ? 2 : 5, () => (steps = run()));
    const held_MB = heldBytes(pitch_mm * 1e-3) / 1e6;
    const best_ns = (1e6 * Math.min(...times)) / (cells * steps);
    report(
      `board 160 × 100 mm, ${pitch_mm} mm cells (${cells / 1000}k), 300 s: ${best_ns.toFixed(0)} ns a cell and step, ${held_MB.toFixed(1)} MB`,
      asked[pitch_mm],
      times,
    );
  }
}

/** Compiled kernels beside the plain code that they are held to, in one run: old to new. */
export function kernels(): void {
  const { network, options } = preparedJoint(scenario(360, trackOn(4)), { duration_s: 10 });
  const asked = Array.from({ length: 8 }, () => () => ({ network, options }));
  ratio(
    'eight joints of 10 s, plain code : side by side in lanes',
    20,
    () => integratePlainly(asked),
    () => integrateAll(asked),
  );
  const board = (memoryFor: FieldOptions['memoryFor']): unknown =>
    simulateField(HOT_AIR, { pitch_m: 1e-3, memoryFor });
  ratio(
    'board of 48k cells under air, plain loops : compiled',
    4,
    () => board(plainMemory),
    () => board(compiledMemory),
  );
}

/** Each in turn with the other, so that a machine's changing pace meets both. */
function ratio(name: string, times: number, old: () => unknown, fresh: () => unknown): void {
  const [before, after]: [number[], number[]] = [[], []];
  for (let i = 0; i < times; i++) {
    before.push(...timed(1, old));
    after.push(...timed(1, fresh));
  }
  const [slow, quick] = [Math.min(...before), Math.min(...after)];
  report(`${name}: ${(slow / quick).toFixed(1)} : 1`, '–', after);
}

const TOUCH = ((): { readonly touch: Touch; readonly allowance: Allowance } => {
  const single = planRequest({ '1': [trackOn(4)], '2': [trackOn(4)] });
  return { touch: holeTouch(single, settingAt(360), '1'), allowance: allowanceFor(inPhase(single), ['1']) };
})();
const DRAWS = 300;

/** A thread that draws what it is asked for. */
export function drawAsAsked(port: MessagePort): void {
  port.on('message', ({ from, to }: { readonly from: number; readonly to: number }) => {
    port.postMessage(drain(drawDwells(TOUCH.touch, { draws: DRAWS, seed: 1, from, to })));
  });
}

/** A band of one pin: its draws on so many threads, as a plan draws them, gathered and read here. */
export async function bandOnThreads(count: number): Promise<void> {
  const threads = Array.from(
    { length: count },
    () => new Worker(new URL(import.meta.url), { argv: ['draw'] }),
  );
  const part = DRAWS / count;
  const times: number[] = [];
  for (let i = 0; i < 24; i++) {
    const start = performance.now();
    const drawn = await Promise.all(
      threads.map(async (thread, k): Promise<DrawnDwell[]> => {
        thread.postMessage({ from: k * part, to: (k + 1) * part });
        const [dwells] = (await once(thread, 'message')) as [DrawnDwell[]];
        return dwells;
      }),
    );
    bandOf(TOUCH.touch, drawn.flat(), TOUCH.allowance);
    // Four times for the threads to load and warm up.
    if (i > 3) times.push(performance.now() - start);
  }
  await Promise.all(threads.map((thread) => thread.terminate()));
  const asked = count > 1 ? '≤ 150 ms' : '–';
  report(`band of one pin, 300 draws on ${count === 1 ? 'one thread' : `${count} threads`}`, asked, times);
}
