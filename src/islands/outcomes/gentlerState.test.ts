import { expect, it } from 'vitest';
import type { GentlerAnswer } from '~/schema/exchange/outcomes/gentler';
import type { OptionAnswer } from '~/schema/exchange/plan/planAnswer';
import { IDLE, reduce, told, type GentlerState } from './gentlerState';

const job = (jobId: string) => ({ jobId, ref: 'C1', boardName: 'Board', method: 'Joint by joint' });
const option = (setpoint_C: number, dose: number | null) =>
  ({
    tool: 'Iron',
    tip: { shape: 'chisel', width_mm: 2.4 },
    nozzle: null,
    setpoint_C,
    perPad_C: {},
    preheat: null,
    flow_L_min: null,
    standoff_mm: null,
    padDose: { p50: dose, p90: null },
  }) as unknown as OptionAnswer;
const half = (done: number, gentlest: number | null, longer_min = 0): GentlerAnswer => ({
  done: option(400, done),
  gentlest: gentlest === null ? null : option(350, gentlest),
  longer_min,
});

const after = (...answers: (readonly GentlerAnswer[])[]): GentlerState =>
  answers.reduce<GentlerState>(
    (state, answer) => reduce(state, { type: 'held', jobId: state.left[0]!.jobId, answer }),
    reduce(IDLE, { type: 'reckon', jobs: answers.map((_, i) => job(`j${i}`)) }),
  );

it('halves of a job are added; one that cannot be asked about is counted apart', () => {
  const state = after([half(0.04, 0.01, 1), half(0.02, null)], [], [half(0.03, null)]);
  expect(state).toMatchObject({ status: 'done', left: [], unasked: 1 });
  const { jobs, gentler, middle, worst } = told(state);
  expect([jobs, gentler]).toEqual([2, 1]);
  expect(middle!.done).toBeCloseTo(0.06, 12);
  expect(middle!.gentlest).toBeCloseTo(0.03, 12);
  expect(worst[0]!.changes).toEqual([
    { done: 'Iron, chisel 2.4 mm, 400 °C', gentlest: 'Iron, chisel 2.4 mm, 350 °C' },
  ]);
});

it('what is stopped keeps what it has and goes on where it was; a late answer changes nothing', () => {
  const begun = reduce(IDLE, { type: 'reckon', jobs: [job('a'), job('b')] });
  const one = reduce(begun, { type: 'held', jobId: 'a', answer: [half(0.02, 0.01)] });
  const stopped = reduce(one, { type: 'stop' });
  expect(reduce(stopped, { type: 'held', jobId: 'b', answer: [half(0.02, 0.01)] })).toBe(stopped);
  const on = reduce(stopped, { type: 'reckon', jobs: [job('a'), job('b')] });
  expect(on).toMatchObject({ status: 'working', left: [{ jobId: 'b' }] });
  expect(on.held).toHaveLength(1);
  expect(reduce(on, { type: 'failed', message: 'busy' })).toMatchObject({ status: 'stopped', error: 'busy' });
});
