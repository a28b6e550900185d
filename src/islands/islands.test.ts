import { worstState } from '~/core/record/padFindings';
import { describe, expect, it } from 'vitest';
import { OPTION, pin } from '../../tests/support/answers';
import { BLANK_BOARD } from '../../tests/support/sheets';
import type { RunEvent } from '~/core/record/runEvents';
import type { FoundAnswer } from '~/schema/exchange/plan/planAnswer';
import { matching, reduce as benchReduce, START } from '~/islands/bench/state';
import { initialState, reduce as boardReduce } from '~/islands/board/state';
import { padState, UNMARKED } from '~/islands/findings/marking';
import { ledger } from '~/islands/board/ledger';
import { newSite } from '~/schema/records/site/site';
import { FAMILIES, startOf } from '~/islands/intake/packageDraft';
import { blankSite, siteOf } from '~/islands/intake/siteDraft';
import {
  alongFrontier,
  choiceAt,
  freshPins,
  phaseOf,
  reduce as planReduce,
  start,
  verdictOf,
  wantsProof,
} from '~/islands/plan/state';
import { changed } from '~/islands/plan/adjust';
import { EMPTY_OUTBOX } from '~/islands/run/outbox';
import { reduce as runReduce, standing, type RunViewState } from '~/islands/run/state';

const layersOf = (count: number) => ({
  copperLayers: Array.from({ length: count }, () => ({ weight_oz: 1, coverage: 0.3 })),
});

const PIN = pin({});

describe('bench', () => {
  it('arrows walk the boards and stop at both ends', () => {
    const order = ['a', 'b'];
    let state = benchReduce(START, { type: 'move', by: 1, order });
    expect(state.selected).toBe('a');
    state = benchReduce(benchReduce(state, { type: 'move', by: 1, order }), { type: 'move', by: 1, order });
    expect(state.selected).toBe('b');
  });

  it('every word of the filter must be somewhere', () => {
    const board = {
      name: 'Beacon driver',
      fault: 'ripple',
      owner: 'HL',
      nextAction: 'Plan C7',
      outcome: null,
    } as never;
    expect(matching([board], 'beacon c7', new Map())).toHaveLength(1);
    expect(matching([board], 'beacon c9', new Map())).toHaveLength(0);
  });
});

describe('board', () => {
  const finding = (id: string, padId: string, state: string, at_ms: number) =>
    ({
      id,
      padId,
      state,
      siteId: 's',
      boardId: 'b',
      otherPadId: null,
      foundAs: 'done-here',
      jobId: null,
      note: '',
      by: 'MK',
      at_ms,
    }) as never;

  it('a pad is what its last finding says, a site what its worst pad is', () => {
    const all = [finding('1', 'p', 'lifted', 1), finding('2', 'p', 'repaired', 2)];
    expect(padState(all, 'p')).toBe('repaired');
    expect(padState(all, 'q')).toBe('sound');
    expect(worstState(['sound', 'dull', 'torn', 'repaired'])).toBe('torn');
  });

  it('a bridge waits for its other pad and is forgotten with the site', () => {
    const state = { ...initialState(BLANK_BOARD), siteId: 's', pad: '1' };
    const asked = boardReduce(state, { type: 'needs-other', padId: 'p', state: 'bridged' });
    expect(asked.pending).toMatchObject({ state: 'bridged' });
    expect(boardReduce(asked, { type: 'site', id: 't', side: 'top' }).pending).toBeNull();
  });

  it('the ledger tells dwell and cost as one line, newest first', () => {
    const events: RunEvent[] = [
      { kind: 'opened', seq: 1, at_ms: 1, by: 'MK' },
      { kind: 'melted', stepId: 'heat-1', pad: '1', elapsed_s: 1.1, seq: 2, at_ms: 2, by: 'MK' },
      { kind: 'heat-off', stepId: 'heat-1', pad: '1', elapsed_s: 2.4, seq: 3, at_ms: 3, by: 'MK' },
      {
        kind: 'exposure',
        pad: '1',
        duration_s: 2.4,
        padDose: 0.031,
        laminateDose: 0,
        peak_C: 288,
        modelVersion: 'm',
        seq: 4,
        at_ms: 3,
        by: 'MK',
      },
      { kind: 'closed', outcome: 'fixed', cause: 'age', seq: 5, at_ms: 9, by: 'MK' },
    ];
    const job = {
      id: 'j',
      steps: {},
      siteId: 's',
      siteRef: 'C7',
      goal: 'reflow',
      by: 'MK',
      status: 'closed',
      outcome: 'fixed',
      cause: 'age',
      acceptedAt_ms: 1,
      setting: 'Iron',
      events,
    } as const;
    const lines = ledger({ jobs: [job], imports: [], readings: [], sites: [] }, []);
    expect(lines.map((l) => l.text)).toEqual([
      'Closed: fixed. age',
      'Pin 1: molten at 1.1 s, off at 2.4 s; took about 3.1 % of its pad budget, pad to 288 °C',
      'Re-melt in place: Iron',
    ]);
  });
});

describe('plan', () => {
  const found = {
    outcome: 'found',
    phase: 'reflow',
    chosen: OPTION,
    frontier: [OPTION],
    pins: [PIN],
    then: [],
  } as unknown as FoundAnswer;

  it('takes the search’s choice until a hand moves the setting', () => {
    const fresh = planReduce(start('reflow', '1'), { type: 'search-done', answer: found });
    const set_C = (state: typeof fresh): number => {
      const { setting } = choiceAt(state)!;
      return setting.setpoint_C;
    };
    expect(set_C(fresh)).toBe(340);
    // What the search proved stands as proven, with no second computation.
    expect(fresh.exploration.status).toBe('done');
    expect(wantsProof(fresh)).toBe(false);
    const moved = planReduce(fresh, {
      type: 'set',
      choice: changed(choiceAt(fresh)!, { setpoint_C: 400 }),
    });
    expect(wantsProof(moved)).toBe(true);
    expect(set_C(planReduce(moved, { type: 'search-done', answer: found }))).toBe(400);
  });

  it('a new goal forgets everything but the pin looked at', () => {
    const state = planReduce(start('reflow', '2'), {
      type: 'search-progress',
      progress: { stage: 'first', phase: 'reflow', option: OPTION, frontier: [OPTION] },
    });
    expect(planReduce(state, { type: 'goal', goal: 'fit' })).toEqual(start('fit', '2'));
  });

  it('what is known of its water is kept over a new goal, and asks for a new plan', () => {
    const moisture = { level: '3', outOfBag_h: 400, bake_C: 125 } as const;
    const state = planReduce(start('fit', '1'), { type: 'moisture', moisture });
    expect(state.search.status).toBe('running');
    expect(planReduce(state, { type: 'goal', goal: 'reflow' }).moisture).toEqual(moisture);
  });

  it('moves along the frontier one point at a time and stops at its ends', () => {
    const front = [9, 5, 3].map((liftFrom_s, i) => ({ ...OPTION, liftFrom_s, setpoint_C: 300 + 40 * i }));
    expect(alongFrontier(front, front[0]!, 1)).toBe(front[1]);
    expect(alongFrontier(front, front[2]!, 1)).toBe(front[2]);
    expect(alongFrontier(front, front[0]!, -1)).toBe(front[0]);
    expect(alongFrontier(front, { ...OPTION, liftFrom_s: 4.8, setpoint_C: 333 }, 1)).toBe(front[1]);
    expect(alongFrontier([], OPTION, 1)).toBeNull();
  });

  it('is clear only when every pin is sure', () => {
    expect(verdictOf([PIN], 2)).toBe('computing');
    expect(verdictOf([PIN, { ...PIN, pad: '2' }], 2)).toBe('clear');
    expect(verdictOf([PIN, { ...PIN, pad: '2', sure: false }], 2)).toBe('doubtful');
  });

  it('a changed setting fades the old figures until new ones come, pin by pin', () => {
    const second = { ...PIN, pad: '2', pads: ['2'] };
    const shown = planReduce(start('reflow', '1'), {
      type: 'explore-done',
      answer: { ...found, pins: [PIN, second] },
    });
    const moved = planReduce(shown, { type: 'explore-started' });
    expect(freshPins(moved)).toEqual([]);
    expect(Object.keys(phaseOf(moved).pins)).toHaveLength(2);
    const first = planReduce(moved, {
      type: 'explore-progress',
      progress: { stage: 'band', phase: 'reflow', pin: PIN },
    });
    expect(freshPins(first).map((p) => p.pad)).toEqual(['1']);
  });

  it('stopping leaves what is finished alone', () => {
    const state = planReduce(start('reflow', '1'), { type: 'explore-started' });
    const stopped = planReduce(state, { type: 'stopped' });
    expect(stopped.search.status).toBe('stopped');
    expect(stopped.exploration.status).toBe('stopped');
  });
});

describe('run', () => {
  const empty: RunViewState = {
    events: [{ kind: 'opened', seq: 1, at_ms: 0, by: 'MK' }],
    ...EMPTY_OUTBOX,
    skew_ms: 0,
    ...UNMARKED,
    findings: [],
    early: false,
    where: '',
    shown: '',
    again: '',
    supply: { asks: '', gives: '', limit: '' },
    open: 'nothing',
    waits: null,
  };
  const entry = { clientId: 'c', by: 'MK', at_ms: 500, event: { kind: 'step-done', stepId: 'set' } } as const;

  it('shows a press at once, before the server has it', () => {
    const pressed = runReduce(empty, { type: 'wrote', entry });
    expect(standing(pressed, [{ id: 'set' }, { id: 'flux' }]).stepIndex).toBe(1);
    expect(pressed.unsent).toHaveLength(1);
  });

  it('lets go of a press once acknowledged', () => {
    const pressed = runReduce(empty, { type: 'wrote', entry });
    const acknowledged = runReduce(pressed, {
      type: 'acknowledged',
      clientId: 'c',
      events: empty.events,
      skew_ms: 3,
    });
    expect(acknowledged.unsent).toEqual([]);
  });

  it('an answer that was asked for before a press does not take it back', () => {
    const pressed = runReduce(empty, { type: 'wrote', entry });
    const after = [...empty.events, { ...entry.event, seq: 2, at_ms: 500, by: 'MK' }];
    const written = runReduce(pressed, {
      type: 'acknowledged',
      clientId: 'c',
      events: after,
      skew_ms: 0,
    });
    const crossed = runReduce(written, { type: 'caught-up', events: empty.events, skew_ms: 0 });
    expect(crossed.events).toEqual(after);
  });

  it('a clock is not slowed by answers that come late, and follows one that was set', () => {
    const told = (state: RunViewState, skew_ms: number): RunViewState =>
      runReduce(state, { type: 'caught-up', events: state.events, skew_ms });
    const opened = runReduce(empty, { type: 'opened', events: empty.events, skew_ms: -800 });
    expect(opened.skew_ms).toBe(-800);
    expect(told(opened, -2_300).skew_ms).toBe(-800);
    expect(told(opened, -750).skew_ms).toBe(-750);
    expect(told(opened, -3_600_000).skew_ms).toBe(-3_600_000);
    // Set back under heat (findings A4): the stop comes when it is due, and the clock is followed after.
    const heated = {
      ...opened,
      events: [
        ...opened.events,
        { kind: 'heat-on', stepId: 'heat', pad: '1', seq: 2, at_ms: 0, by: 'MK' } as const,
      ],
    };
    expect(told(heated, -3_600_000).skew_ms).toBe(-800);
  });
});

describe('placing a site', () => {
  it('a blank draft with a reference is a valid site on any preset board', () => {
    for (const layers of [1, 2, 4]) {
      const draft = { ...blankSite(100, 80), ref: 'C1' };
      expect(newSite.safeParse(siteOf(draft, layersOf(layers))).success).toBe(true);
    }
  });

  it('every family’s starting dimensions make a valid part', () => {
    for (const { value: family } of FAMILIES) {
      const draft = { ...blankSite(100, 80), ref: 'X1', part: startOf(family) };
      expect(newSite.safeParse(siteOf(draft, layersOf(2))).error?.issues ?? [], family).toEqual([]);
    }
  });

  it('layers that are not numbers are refused by name, not dropped', () => {
    const draft = { ...blankSite(100, 80), ref: 'C1' };
    draft.pads[1]!.layers = 'two';
    expect(newSite.safeParse(siteOf(draft, layersOf(4))).success).toBe(false);
  });
});
