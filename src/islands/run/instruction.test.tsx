// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { runState, type Dwell, type RunState } from '~/core/record/runState';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import { Instruction } from './Instruction';
import type { Turn } from './turn';
import type { Clock } from './useNow';

afterEach(cleanup);

/** A clock that shows one time. */
const still = (now_ms: number): Clock => ({ first_ms: now_ms, read_ms: () => now_ms, runs: false });

const STEP: JobStep = {
  id: 'flux',
  kind: 'do',
  title: 'Flux',
  detail: 'Flux on pins 1 and 2.',
  why: 'Flux strips the oxide.',
  cautions: ['Flux fume rises into the face.'],
  pad: null,
  dwell: null,
  wait_s: null,
  phase: null,
  inTurn: [],
  stroke: [],
  reads_C: null,
  effect: null,
  picture: false,
};
const HEAT: JobStep = {
  ...STEP,
  id: 'heat-1',
  kind: 'heat',
  title: 'Heat pin 1',
  pad: '1',
  cautions: [],
  dwell: {
    setpoint_C: 340,
    expect_s: [1, 2],
    liftFrom_s: 2.1,
    holdAfterMelt_s: 1.5,
    stop_s: 6,
    ifNotMolten: 'Tip off. Let it cool a minute.',
  },
};
const WAIT: JobStep = { ...STEP, id: 'dry', kind: 'wait', title: 'Let it dry', wait_s: 240, cautions: [] };

const T0_ms = 1_000_000;
const AT = runState(
  [{ id: 'flux' }, { id: 'heat-1' }, { id: 'dry' }],
  [{ kind: 'opened', seq: 1, at_ms: T0_ms, by: 'MK' }],
);
const dwell = (changes: Partial<Dwell> = {}): Dwell => ({
  stepId: 'heat-1',
  pad: '1',
  onSeq: 2,
  on_ms: T0_ms,
  melted_s: null,
  off_s: null,
  meltedSeq: null,
  offSeq: null,
  exposure: null,
  ...changes,
});

/** Where a step of one pad stands after a heating of it. */
const turnWith = (last: Dwell | null): Turn => ({
  pad: last?.off_s == null ? '1' : null,
  done: last?.off_s == null ? 0 : 1,
  of: 1,
  lastDwell: last,
});

function shown(step: JobStep | null, changes: Partial<Parameters<typeof Instruction>[0]> = {}) {
  const run = vi.fn(() => true);
  render(
    <Instruction
      jobId="j"
      step={step}
      index={1}
      count={3}
      at={AT}
      turn={step?.kind === 'heat' ? turnWith(null) : null}
      learnt={null}
      ways={null}
      clock={still(T0_ms)}
      early={false}
      why={false}
      tool="Iron"
      picture={<p>the site as it lies</p>}
      onEarly={vi.fn()}
      run={run}
      {...changes}
    />,
  );
  return run;
}
const heating = (after_s: number, changes: Partial<Dwell> = {}): { at: RunState; clock: Clock } => ({
  at: { ...AT, heating: dwell(changes) },
  clock: still(T0_ms + 1000 * after_s),
});
const zone = (): string => document.querySelector('[data-zone]')!.getAttribute('data-zone')!;

describe('the step at hand', () => {
  it('has its place, what to do, its caution, and its reason a key away', () => {
    shown(STEP);
    expect(screen.getByText('Step 2 of 3')).toBeTruthy();
    expect(screen.getByText('Flux fume rises into the face.')).toBeTruthy();
    expect(screen.queryByText('Flux strips the oxide.')).toBeNull();
    cleanup();
    shown(STEP, { why: true });
    expect(screen.getByText('Flux strips the oxide.')).toBeTruthy();
  });

  it('is done, or confirmed where it is a gate, by one press', () => {
    const run = shown(STEP);
    fireEvent.click(screen.getByRole('button', { name: /^Done/ }));
    expect(run).toHaveBeenCalledWith('go');
    cleanup();
    shown({ ...STEP, kind: 'gate' });
    expect(screen.getByRole('button', { name: /^Confirmed/ })).toBeTruthy();
  });

  it('shows the site’s picture where the step asks for it, and only there', () => {
    shown(STEP);
    expect(screen.queryByText('the site as it lies')).toBeNull();
    cleanup();
    shown({ ...STEP, picture: true });
    expect(screen.getByText('the site as it lies')).toBeTruthy();
  });

  it('after the last asks for the outcome', () => {
    shown(null);
    expect(screen.getByText('All 3 steps done')).toBeTruthy();
    expect(screen.getByRole('button', { name: /Close with an outcome/ })).toBeTruthy();
  });
});

describe('a pin under heat', () => {
  it('starts with the tool, by name, and runs from zero', () => {
    shown(HEAT);
    expect(screen.getByRole('button', { name: /^Iron on/ })).toBeTruthy();
    expect(screen.getByText(/340 °C · 1.0–2.0 s · stop at 6.0 s/)).toBeTruthy();
    expect(zone()).toBe('rest');
  });

  it.each([
    [0.5, 'not-yet'],
    [1.4, 'expect'],
    [3, 'window'],
    [6.2, 'stop'],
  ])('after %d s unmolten stands in its zone: %s', (after_s, expected) => {
    shown(HEAT, heating(after_s));
    expect(zone()).toBe(expected);
    expect(screen.getByRole('timer').textContent).toBe(`${after_s.toFixed(1)}s`);
  });

  it('at the stop says what to do instead of holding on', () => {
    shown(HEAT, heating(6.2));
    expect(screen.getByText('Tip off. Let it cool a minute.')).toBeTruthy();
    cleanup();
    shown(HEAT, heating(5));
    expect(screen.queryByText('Tip off. Let it cool a minute.')).toBeNull();
  });

  it('once molten may be held so long, and then has to go', () => {
    shown(HEAT, heating(2, { melted_s: 1.2 }));
    expect(zone()).toBe('molten');
    expect(screen.getByText(/off within 1.5 s/)).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: /Molten now/ }).disabled).toBe(true);
    cleanup();
    shown(HEAT, heating(3, { melted_s: 1.2 }));
    expect(zone()).toBe('stop');
  });

  it('afterwards tells what it took, and goes on or again', () => {
    const run = shown(HEAT, {
      turn: turnWith(
        dwell({
          melted_s: 1.1,
          off_s: 2.4,
          exposure: { padDose: 0.031, laminateDose: 0, peak_C: 288 },
        }),
      ),
    });
    expect(screen.getByText(/Molten at 1.1 s, off at 2.4 s; took 3.1 % of the pad’s budget/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: /Heat again/ }));
    expect(run).toHaveBeenCalledWith('again');
    cleanup();
    shown(HEAT, { turn: turnWith(dwell({ off_s: 6.3 })) });
    expect(screen.getByText(/Melt not seen, off at 6.3 s. Let it cool a minute./)).toBeTruthy();
  });
});

describe('a wait', () => {
  const after = (s: number): { clock: Clock } => ({ clock: still(T0_ms + 1000 * s) });

  it('counts down, and says when it is over', () => {
    shown(WAIT, after(60));
    expect(screen.getByRole('timer').textContent).toBe('3:00');
    cleanup();
    shown(WAIT, after(241));
    expect(screen.getByText('over. Ready: go on.')).toBeTruthy();
  });

  it('is ended early only with a reason, one press where it is the usual', () => {
    shown(WAIT, after(60));
    expect(screen.queryByText(/Why does it end early/)).toBeNull();
    cleanup();
    const onEarly = vi.fn();
    shown(WAIT, { ...after(60), early: true, onEarly });
    const usual = screen.getByRole('button', { name: /Cool and dry/ });
    expect(document.activeElement).toBe(usual);
    fireEvent.click(usual);
    expect(onEarly).toHaveBeenCalledWith('Cool and dry: felt and seen');
  });
});
