// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { MethodAnswer, NoPlanAnswer, RemedyAnswer } from '~/schema/exchange/plan/planAnswer';
import { OPTION, pin } from '../../../tests/support/answers';
import { BudgetWarning } from './BudgetWarning';
import { MethodList } from './MethodList';
import { Proposal } from './Proposal';
import { reduce, start, type PlanState } from './state';
import { WindowsPanel } from './WindowsPanel';

afterEach(cleanup);

const method = (part: Partial<MethodAnswer>): MethodAnswer => ({
  id: 'leg-at-a-time',
  name: 'A leg at a time',
  feasible: true,
  reasons: ['Spends 3 % of the worst pad’s budget.'],
  about: 'Each joint in turn.',
  failure: 'Rocked too soon.',
  leaves: 'Holes closed.',
  minutes: 2.5,
  option: OPTION,
  frontier: [],
  ...part,
});

describe('the ways to do it', () => {
  it('stand in rank with what they cost; a closed one says what the model said', () => {
    render(
      <MethodList
        methods={[
          method({}),
          method({
            id: 'gun',
            name: 'Gun',
            feasible: false,
            option: null,
            reasons: ['Two legs can be rocked.', 'No setting keeps every limit. At best pin 1 is late.'],
          }),
        ]}
        chosen="leg-at-a-time"
        searching={false}
        onTake={vi.fn()}
      />,
    );
    const [first, , closed] = screen.getAllByRole('button');
    expect(first!.textContent).toContain('3.0 % of a pad, 2.5 min');
    expect(closed!.textContent).toContain('At best pin 1 is late.');
  });

  it('are taken by one press, and open to their reasons, their failure and what they leave beside it', () => {
    const onTake = vi.fn();
    render(<MethodList methods={[method({})]} chosen={null} searching={false} onTake={onTake} />);
    fireEvent.click(screen.getByRole('button', { name: /^Why: / }));
    expect(onTake).not.toHaveBeenCalled();
    expect(screen.getByText('Usual failure: Rocked too soon.')).toBeTruthy();
    expect(screen.getByText('Leaves: Holes closed.')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { pressed: false }));
    expect(onTake).toHaveBeenCalledWith(method({}));
  });

  it('say that they are still compared', () => {
    render(<MethodList methods={[]} chosen={null} searching onTake={vi.fn()} />);
    expect(screen.getByText('Comparing ways…')).toBeTruthy();
  });
});

describe('a plan that would overspend', () => {
  const shown = (spent: number, part: Partial<Parameters<typeof BudgetWarning>[0]> = {}) =>
    render(
      <BudgetWarning
        pins={[pin({ padDose: { p10: 0.05, p50: 0.1, p90: 0.2 } })]}
        spent={{ '1': spent }}
        cut
        socket="now"
        board="/boards/b"
        onGoal={vi.fn()}
        {...part}
      />,
    );

  it('is silent while there is room', () => {
    expect(shown(0.3).container.textContent).toBe('');
  });

  it('says what is left, and offers the cut, the socket and leaving it', () => {
    const onGoal = vi.fn();
    shown(0.95, { onGoal });
    expect(screen.getByText(/Pin 1 has 5.0 % of its budget left/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: /cut it away/ }));
    fireEvent.click(screen.getByRole('button', { name: /Fit a socket/ }));
    expect(onGoal.mock.calls).toEqual([['remove-sacrifice-part'], ['fit-socket']]);
    expect(screen.getByRole('link', { name: /Leave it/ }).getAttribute('href')).toBe('/boards/b');
  });

  it('says of a socket that the part has to come off first, where it still stands', () => {
    shown(0.95, { socket: 'later' });
    expect(screen.getByText(/Once it is off, a socket makes its fitting the last heat/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /Fit a socket/ })).toBeNull();
  });

  it('offers no cut where the part is given up already, and no socket where none exists', () => {
    shown(0.95, { cut: false, socket: null });
    expect(screen.queryByRole('button')).toBeNull();
  });
});

describe('nothing feasible', () => {
  const remedy = (part: Partial<RemedyAnswer>): RemedyAnswer => ({
    kind: 'preheat',
    method: 'leg-at-a-time',
    works: true,
    onBench: true,
    changes: 'Warm the board first',
    achieves: 'every pin melts',
    option: OPTION,
    ...part,
  });
  const answer = (remedies: RemedyAnswer[]): NoPlanAnswer => ({
    outcome: 'no-feasible-setting',
    modelVersion: 'plan-7',
    phase: 'remove',
    chosen: null,
    frontier: [],
    nearest: OPTION,
    binding: {
      pad: '2',
      limit: 'pad budget',
      short_s: 0.8,
      shortOfLiquidus_K: null,
      lastToMelt: 'far fillet',
      neighbour: null,
      says: 'meets its pad budget 0.8 s before it could be off',
    },
    remedies,
    methods: [],
    cautions: [],
    before: null,
  });
  const shown = (remedies: RemedyAnswer[]) => {
    const state: PlanState = reduce(start('remove-keep-part', '1'), {
      type: 'search-done',
      answer: answer(remedies),
    });
    const heard = { onTake: vi.fn(), onGoal: vi.fn() };
    render(<Proposal state={state} tool="Iron" run={vi.fn()} {...heard} />);
    return heard;
  };

  it('names the nearest setting and the limit that stops it', () => {
    shown([]);
    expect(screen.getByText(/where pin 2 meets its pad budget 0.8 s before it could be off/)).toBeTruthy();
  });

  it('what would do is set from its line; what the bench lacks is only told', () => {
    const heard = shown([
      remedy({}),
      remedy({ kind: 'wider-tip', onBench: false, changes: 'A wider tip (not on this bench)' }),
      remedy({ kind: 'give-up-the-part', changes: 'Give the part up' }),
    ]);
    fireEvent.click(screen.getByRole('button', { name: 'Set it' }));
    expect(heard.onTake).toHaveBeenCalledWith(OPTION);
    fireEvent.click(screen.getByRole('button', { name: 'Give it up' }));
    expect(heard.onGoal).toHaveBeenCalledWith('remove-sacrifice-part');
    expect(screen.getAllByRole('button', { name: /Set it|Give it up/ })).toHaveLength(2);
  });

  it('what is no setting alone has no press that would set it', () => {
    shown([remedy({ kind: 'neighbour-off' }), remedy({ kind: 'one-at-a-time', changes: 'One at a time' })]);
    expect(screen.queryByRole('button', { name: 'Set it' })).toBeNull();
  });

  it('what would not do is folded away, and then says plainly what is left', () => {
    shown([remedy({ works: false }), remedy({ kind: 'wider-tip', works: false })]);
    const folded = screen.getByText('2 changes were solved and would not do').closest('details')!;
    expect(folded.open).toBe(false);
    expect(within(folded).getAllByRole('listitem', { hidden: true })).toHaveLength(2);
    expect(screen.getByText(/No change that was solved will do either/)).toBeTruthy();
  });
});

describe('dwell windows', () => {
  it('pins alike are told once, and one is chosen by its head', () => {
    const onPad = vi.fn();
    let state = start('remove-keep-part', '1');
    for (const pad of ['1', '2', '3'])
      state = reduce(state, {
        type: 'search-progress',
        progress: { stage: 'band', phase: 'remove', pin: pin({ pad, draws: 200 }) },
      });
    render(<WindowsPanel state={state} pads={[]} onPad={onPad} />);
    fireEvent.click(screen.getByRole('button', { name: /Pins 1–3/ }));
    expect(onPad).toHaveBeenCalledWith('1');
    expect(screen.getAllByRole('listitem')).toHaveLength(1);
  });
});
