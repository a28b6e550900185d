import { isChargeGate } from '~/core/record/chargeGate';
import type { RunEventBody } from '~/core/record/runEvents';
import { TOGETHER } from '~/core/record/runState';
import { isSupplyGate } from '~/core/record/supplyGate';
import type { JobPlan, JobStep } from '~/schema/records/jobs/jobPlan';
import type { WritableEvent } from '~/schema/records/jobs/runEvent';
import { tipInWords } from '~/schema/words/settingWords';
import { HiddenBench, type Lines } from './hidden';

type Random = () => number;

interface Walked {
  readonly event: WritableEvent;
  readonly after_ms: number;
}

/** Hands take so long for a step, s: from and to. */
const HANDS_s: Readonly<Record<JobStep['kind'], readonly [from: number, to: number]>> = {
  gate: [25, 80],
  do: [45, 170],
  heat: [10, 30],
  wait: [5, 30],
  inspect: [50, 200],
};
/** A clock longer than this is left running with the board put aside. */
const LONGEST_WAIT_s = 600;

/** One job walked to its last step on the hidden bench, as the entries that its screen would have written. */
export function walked(
  plan: JobPlan,
  lines: ReadonlyMap<string, Lines>,
  bench: HiddenBench,
  { board, slower_sd, asks_V, random }: { board: string; slower_sd: number; asks_V: number; random: Random },
): Walked[] {
  const out: Walked[] = [];
  const between = ([from, to]: readonly [number, number]): number => (from + (to - from) * random()) * 1000;
  const write = (event: WritableEvent, after_ms: number): number =>
    out.push({ event, after_ms: Math.round(after_ms) });
  const { chosen } = plan.phases[0]!;
  const shared = bench.job(`${chosen.toolId} ${tipInWords(chosen)}`, board);
  for (const step of plan.steps) {
    if (step.kind === 'heat') for (const pad of padsOf(step)) touch(step, pad);
    const wait_ms = step.wait_s === null ? 0 : Math.min(step.wait_s, LONGEST_WAIT_s) * 1000;
    write(
      { kind: 'step-done', stepId: step.id, ...readings(step, asks_V), ...passedOf(step) },
      between(HANDS_s[step.kind]) + wait_ms,
    );
  }
  return out;

  /** On, molten, off; where it does not come before its stop, it is let cool and tried once more. */
  function touch(step: JobStep, pad: string): void {
    const phase = plan.phases.find((p) => p.phase === step.phase) ?? plan.phases[0]!;
    const pin = phase.pins.find((p) => p.pad === pad || p.pads.includes(pad)) ?? phase.pins[0]!;
    const line = lines.get(phase.phase)?.get(pin.pad);
    const stop_s = step.dwell?.stop_s ?? pin.stop_s;
    for (let tries = 0; tries < 3; tries++) {
      const melt_s = line
        ? bench.melt_s(line, shared, phase === plan.phases[0] ? slower_sd : 0) / (1 + 0.25 * tries)
        : bench.within(pin);
      write({ kind: 'heat-on', stepId: step.id, pad }, tries === 0 ? between([12, 40]) : between([60, 95]));
      const hand_s = 0.6 + 0.7 * random();
      if (melt_s < stop_s) {
        const seen_s = round(melt_s + 0.15 * random());
        write({ kind: 'melted', stepId: step.id, pad, elapsed_s: seen_s }, seen_s * 1000);
        const off_s = round(Math.max(seen_s + 0.3, Math.min(seen_s + hand_s, stop_s + 0.4)));
        write({ kind: 'heat-off', stepId: step.id, pad, elapsed_s: off_s }, (off_s - seen_s) * 1000);
        return;
      }
      const off_s = round(stop_s + 0.2 + 0.3 * random());
      write({ kind: 'heat-off', stepId: step.id, pad, elapsed_s: off_s }, off_s * 1000);
    }
  }
}

const round = (s: number): number => Math.round(s * 10) / 10;

const padsOf = (step: JobStep): readonly string[] =>
  step.inTurn.length > 0 ? step.inTurn : [step.pad ?? TOGETHER];

/** What the hand says at the lift where a pin was not seen to melt. */
const passedOf = (step: JobStep): Pick<Extract<RunEventBody, { kind: 'step-done' }>, 'passed'> =>
  step.effect === 'part-off' ? { passed: { kind: 'moved-freely' } } : {};

const readings = (step: JobStep, asks_V: number) => ({
  ...(step.reads_C === null ? {} : { shown_C: step.reads_C }),
  ...(isChargeGate(step.id) ? { left_V: 0.6, again_V: 0.9 } : {}),
  ...(isSupplyGate(step.id) ? { supply: { asks_V, gives_V: asks_V + 0.1, limit_A: 0.5 } } : {}),
});
