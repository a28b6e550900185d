import { describe, expect, it } from 'vitest';
import { OPTION, pin } from '../../../tests/support/answers';
import type { FoundAnswer, NoPlanAnswer, OptionAnswer } from '~/schema/exchange/plan/planAnswer';
import { choiceOfOption } from '~/schema/exchange/plan/optionChoice';
import {
  alongFrontier,
  choiceAt,
  freshPins,
  hotAndQuick,
  isComplete,
  lowAndLong,
  methodsAt,
  phaseOf,
  reduce,
  start,
  isBusy,
  wantsProof,
  type PlanAction,
  type PlanState,
} from './state';
import { changed } from './adjust';

const after = (state: PlanState, ...actions: PlanAction[]): PlanState => actions.reduce(reduce, state);

const first = (option: OptionAnswer, phase: 'remove' | 'fit' | 'reflow' = 'reflow'): PlanAction => ({
  type: 'search-progress',
  progress: { stage: 'first', phase, option, frontier: [option] },
});
const banded = (pad: string, phase: 'remove' | 'fit' | 'reflow' = 'reflow'): PlanAction => ({
  type: 'search-progress',
  progress: { stage: 'band', phase, pin: pin({ pad, pads: [pad] }) },
});

const HOTTER: OptionAnswer = { ...OPTION, setpoint_C: 380, liftFrom_s: 1.8 };
const AIR: OptionAnswer = {
  ...OPTION,
  method: 'hot-air',
  tool: 'Hot air',
  toolId: 'air',
  tip: null,
  kind: 'air' as const,
  nozzle: { diameter_mm: 8 },
  setpoint_C: 380,
  flow_L_min: 40,
  standoff_mm: 8,
};

const found = (changes: Partial<FoundAnswer> = {}): FoundAnswer =>
  ({
    outcome: 'found',
    phase: 'reflow',
    chosen: OPTION,
    frontier: [OPTION, HOTTER],
    pins: [pin({ pad: '1' }), pin({ pad: '2' })],
    methods: [{ id: 'leg-at-a-time', feasible: true }],
    then: [],
    ...changes,
  }) as unknown as FoundAnswer;

const none = (changes: Partial<NoPlanAnswer> = {}): NoPlanAnswer =>
  ({
    outcome: 'no-feasible-setting',
    phase: 'reflow',
    nearest: HOTTER,
    methods: [{ id: 'gun', feasible: false }],
    remedies: [],
    ...changes,
  }) as unknown as NoPlanAnswer;

describe('a search that goes on', () => {
  it('shows its proposal at once, and each better one', () => {
    const state = after(start('reflow', '1'), first(OPTION), first(HOTTER));
    expect(phaseOf(state).option).toBe(HOTTER);
    expect(choiceAt(state)).toEqual(choiceOfOption('reflow', HOTTER));
    expect(isComplete(state)).toBe(true);
    expect(wantsProof(state)).toBe(false);
  });

  it('keeps the bands of the setting it is drawing, and drops those of one it gave up', () => {
    const drawing = after(start('reflow', '1'), first(OPTION), banded('1'), first(OPTION), banded('2'));
    expect(freshPins(drawing).map((p) => p.pad)).toEqual(['1', '2']);
    expect(freshPins(after(drawing, first(HOTTER)))).toEqual([]);
  });

  it('counts how far it is, and says when it is solving remedies', () => {
    const state = after(start('reflow', '1'), {
      type: 'search-progress',
      progress: { stage: 'search', done: 3, of: 9 },
    });
    expect(state.search).toEqual({ status: 'running', done: 3, of: 9, remedies: false });
    const later = reduce(state, {
      type: 'search-progress',
      progress: { stage: 'remedies', done: 1, of: 7 },
    });
    expect(later.search).toEqual({ status: 'running', done: 1, of: 7, remedies: true });
  });

  it('leaves a setting by hand where it is, but offers its frontier', () => {
    const mine = changed(choiceOfOption('reflow', OPTION), { setpoint_C: 300 });
    const state = after(start('reflow', '1'), { type: 'set', choice: mine }, first(HOTTER), banded('1'));
    expect(choiceAt(state)).toEqual(mine);
    expect(phaseOf(state).frontier).toEqual([HOTTER]);
    expect(phaseOf(state).pins).toEqual({});
  });

  it('works on both halves of a job, each with its own choice', () => {
    const state = after(start('replace', '1'), first(OPTION, 'remove'));
    expect(isComplete(state)).toBe(false);
    const both = reduce(state, first(AIR, 'fit'));
    expect(isComplete(both)).toBe(true);
    expect(choiceAt(both, 'fit')!.setting.kind).toBe('air');
    expect(choiceAt(reduce(both, { type: 'phase', phase: 'fit' }))).toEqual(choiceAt(both, 'fit'));
  });
});

describe('what was stopped', () => {
  it('stays so, the setting that was found first included, until something changes', () => {
    const stopped = after(start('reflow', '1'), first(OPTION), { type: 'stopped' });
    expect(choiceAt(stopped)).not.toBeNull();
    expect(isBusy(stopped)).toBe(false);
    expect(wantsProof(stopped)).toBe(false);
    const set = reduce(stopped, { type: 'set', choice: choiceOfOption('reflow', HOTTER) });
    expect(wantsProof(set)).toBe(true);
    expect(isBusy(reduce(stopped, { type: 'worth', worth: 'scarce' }))).toBe(true);
  });

  it('leaves bands that were complete as they are', () => {
    const done = after(start('reflow', '1'), first(OPTION), { type: 'search-done', answer: found() });
    expect(reduce(done, { type: 'stopped' }).exploration).toBe(done.exploration);
  });
});

describe('a search that is done', () => {
  it('has proven its own choice: nothing is solved twice', () => {
    const state = after(start('reflow', '1'), first(OPTION), {
      type: 'search-done',
      answer: found(),
    });
    expect(wantsProof(state)).toBe(false);
    expect(freshPins(state).map((p) => p.pad)).toEqual(['1', '2']);
    expect(phaseOf(state).frontier).toEqual([OPTION, HOTTER]);
    expect(methodsAt(state).map((m) => m.id)).toEqual(['leg-at-a-time']);
  });

  it('with nothing feasible stands on the nearest miss and proves that', () => {
    const state = reduce(start('reflow', '1'), { type: 'search-done', answer: none() });
    expect(choiceAt(state)).toEqual(choiceOfOption('reflow', HOTTER));
    expect(wantsProof(state)).toBe(true);
    expect(phaseOf(state).frontier).toEqual([]);
    expect(methodsAt(state).map((m) => m.id)).toEqual(['gun']);
  });

  it('with nothing feasible and nothing near leaves the choice open', () => {
    const state = reduce(start('reflow', '1'), { type: 'search-done', answer: none({ nearest: null }) });
    expect(choiceAt(state)).toBeNull();
    expect(wantsProof(state)).toBe(false);
  });

  it('infeasible in the second half, turns to that half', () => {
    const state = after(start('replace', '1'), first(OPTION, 'remove'), {
      type: 'search-done',
      answer: none({ phase: 'fit' }),
    });
    expect(state.phase).toBe('fit');
    expect(choiceAt(state, 'remove')).toEqual(choiceOfOption('remove', OPTION));
    expect(isComplete(state)).toBe(true);
  });

  it('failed or not converged, says so and offers no methods', () => {
    const failed = reduce(start('reflow', '1'), { type: 'search-failed', message: 'singular network' });
    expect(failed.search).toEqual({ status: 'failed', message: 'singular network' });
    expect(methodsAt(failed)).toEqual([]);
    const broken = reduce(start('reflow', '1'), {
      type: 'search-done',
      answer: { outcome: 'not-converged' } as never,
    });
    expect(methodsAt(broken)).toEqual([]);
  });
});

describe('a setting by hand', () => {
  const done = after(start('reflow', '1'), first(OPTION), { type: 'search-done', answer: found() });
  const moved = reduce(done, {
    type: 'set',
    choice: changed(choiceAt(done)!, { setpoint_C: 400 }),
  });

  it('fades every figure of the setting before, and asks for its own', () => {
    expect(freshPins(moved)).toEqual([]);
    expect(Object.keys(phaseOf(moved).pins)).toEqual(['1', '2']);
    expect(wantsProof(moved)).toBe(true);
    expect(moved.exploration.status).toBe('running');
  });

  it('stands when its figures come, the frontier as it was', () => {
    const state = reduce(moved, {
      type: 'explore-done',
      answer: found({ pins: [pin({ pad: '1', stop_s: 4 })] }),
    });
    expect(freshPins(state).map((p) => p.stop_s)).toEqual([4]);
    expect(phaseOf(state).frontier).toEqual([OPTION, HOTTER]);
  });

  it('goes with a new goal, and takes the part’s worth along', () => {
    const cheap = reduce(moved, { type: 'worth', worth: 'cheap' });
    expect(choiceAt(cheap)).toBeNull();
    const fit = reduce(cheap, { type: 'goal', goal: 'fit' });
    expect(fit.worth).toBe('cheap');
    expect(fit.phase).toBe('fit');
  });

  it('clears an error that a refused plan left', () => {
    const refused = after(moved, { type: 'accepting' }, { type: 'accept-failed', error: 'behind' });
    expect(refused.accepting).toBe(false);
    expect(reduce(refused, { type: 'set', choice: choiceAt(moved)! }).error).toBeNull();
  });
});

describe('steps changed by hand', () => {
  const edits = [{ op: 'leave-out', step: 'clean' }] as never;

  it('stay, where a workshop’s habit comes later', () => {
    const own = reduce(start('reflow', '1'), { type: 'edits', edits });
    expect(reduce(own, { type: 'habit', edits: [] }).edits).toBe(edits);
    const habit = reduce(start('reflow', '1'), { type: 'habit', edits });
    expect(habit.edits).toBe(edits);
    expect(reduce(habit, { type: 'goal', goal: 'fit' }).edits).toBe(edits);
  });
});

describe('along the frontier', () => {
  const front = [
    { ...OPTION, liftFrom_s: 6 },
    { ...HOTTER, liftFrom_s: 3 },
  ];

  it('has the schools at its ends', () => {
    expect(lowAndLong(front)).toBe(front[0]);
    expect(hotAndQuick(front)).toBe(front[1]);
    expect(lowAndLong([])).toBeNull();
    expect(hotAndQuick([])).toBeNull();
  });

  it('from a setting off it, goes to the nearest point first', () => {
    expect(alongFrontier(front, { ...OPTION, setpoint_C: 350, liftFrom_s: 3.2 }, -1)).toBe(front[1]);
    expect(alongFrontier(front, null, 1)).toBe(front[0]);
  });

  it('tells points apart by their distance from the board', () => {
    const air = [
      { ...AIR, liftFrom_s: 60, standoff_mm: 15 },
      { ...AIR, liftFrom_s: 50, standoff_mm: 8 },
    ];
    expect(alongFrontier(air, { ...air[1]!, liftFrom_s: 59 }, 1)).toBe(air[0]);
    expect(alongFrontier(air, air[0]!, 1)).toBe(air[1]);
  });
});
