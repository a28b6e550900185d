import { runStep, storyFrom } from '../../../tests/support/entries';
import { describe, expect, it } from 'vitest';
import { exposuresOf } from './heatLife';
import { refusal } from './refusal';
import type { RunEvent, RunEventBody } from './runEvents';
import { notSeenMolten, runState, spentDoses } from './runState';
import { retractRefusal, standingEvents } from './standing';
import { presentFindings, worstByPad } from './padFindings';

const STEPS = [
  runStep('heat-1', { kind: 'heat', pad: '1', phase: 'remove' }),
  runStep('heat-2', { kind: 'heat', pad: '2', phase: 'remove' }),
  runStep('lift', { kind: 'gate', effect: 'part-off' }),
  runStep('dress'),
];
const story = (...bodies: RunEventBody[]): RunEvent[] => storyFrom(1000, ...bodies);
const heat = (pad: string, off_s: number, melted_s: number | null = null): RunEventBody[] => [
  { kind: 'heat-on', stepId: `heat-${pad}`, pad },
  ...(melted_s === null
    ? []
    : [{ kind: 'melted' as const, stepId: `heat-${pad}`, pad, elapsed_s: melted_s }]),
  { kind: 'heat-off', stepId: `heat-${pad}`, pad, elapsed_s: off_s },
];
const cost = (pad: string, padDose: number, ofSeq?: number): RunEventBody => ({
  kind: 'exposure',
  ofSeq,
  pad,
  duration_s: 1,
  padDose,
  laminateDose: 0,
  peak_C: 280,
  modelVersion: 'x',
});
const done = (stepId: string): RunEventBody => ({ kind: 'step-done', stepId });

describe('an entry that was not so', () => {
  const mispressed = story(
    { kind: 'opened' },
    ...heat('1', 44.7),
    cost('1', 0.83, 2),
    ...heat('1', 2.1, 1.2),
    cost('1', 0.04, 5),
    { kind: 'taken-back', ofSeq: 2, reason: 'the iron lay in its stand' },
  );

  it('takes a mis-pressed heat of 44 s away with its cost, and leaves the real one', () => {
    const state = runState(STEPS, mispressed);
    expect(state.dwells.map((d) => d.off_s)).toEqual([2.1]);
    expect(spentDoses([mispressed]).padDose['1']).toBeCloseTo(0.04, 12);
    const site = { id: 's', pads: [{ id: 's-1', name: '1' }] };
    expect(exposuresOf([{ siteId: 's', events: mispressed }], [site]).map((e) => e.dose)).toEqual([0.04]);
  });

  it('stays in the record, and is not taken back twice', () => {
    expect(mispressed).toHaveLength(9);
    expect(standingEvents(mispressed).some((e) => e.seq === 2)).toBe(false);
    expect(retractRefusal(mispressed, 2)).toMatch(/already/);
    expect(retractRefusal(mispressed, 5)).toBeNull();
    expect(retractRefusal(mispressed, 1)).toMatch(/only a heating/);
  });

  it('is not the heating that goes on', () => {
    const open = story({ kind: 'opened' }, { kind: 'heat-on', stepId: 'heat-1', pad: '1' });
    expect(retractRefusal(open, 2)).toMatch(/still under heat/);
  });

  it('a heat that lasted otherwise keeps its place, and its cost is the one reckoned after', () => {
    const events = story(
      { kind: 'opened' },
      ...heat('1', 9, 1.2),
      cost('1', 0.5, 2),
      { kind: 'correction', ofSeq: 4, elapsed_s: 2.5, reason: 'forgot to press' },
      cost('1', 0.06, 2),
    );
    const [dwell] = runState(STEPS, events).dwells;
    expect(dwell).toMatchObject({ off_s: 2.5, melted_s: 1.2, exposure: { padDose: 0.06 } });
    expect(spentDoses([events]).padDose['1']).toBeCloseTo(0.06, 12);
  });

  it('what was measured of a heating stands in the place of what the model gave, whatever came in between', () => {
    const measured = (pad: string, padDose: number, ofSeq: number): RunEventBody => ({
      ...(cost(pad, padDose, ofSeq) as Extract<RunEventBody, { kind: 'exposure' }>),
      measured: 'thermocouple',
    });
    const both = story(
      { kind: 'opened' },
      ...heat('1', 2, 1.2),
      cost('1', 0.5, 2),
      ...heat('2', 2, 1.2),
      measured('1', 0.4, 2),
      cost('2', 0.3, 6),
    );
    expect(spentDoses([both]).padDose).toEqual({ '1': 0.4, '2': 0.3 });
    expect(runState(STEPS, both).dwells[0]!.exposure).toMatchObject({
      padDose: 0.4,
      measured: 'thermocouple',
    });

    // Heated together, each pad has an entry; none of them puts another one out.
    const together = story(
      { kind: 'opened' },
      ...heat('1', 2),
      cost('1', 0.5, 2),
      cost('2', 0.5, 2),
      measured('1', 0.2, 2),
      measured('2', 0.1, 2),
    );
    expect(spentDoses([together]).padDose).toEqual({ '1': 0.2, '2': 0.1 });

    // A heat that lasted otherwise is reckoned anew, from what was measured too, though the next pin was heated meanwhile.
    const corrected = storyFrom(
      1000,
      ...heat('1', 9, 1.2),
      cost('1', 0.5, 1),
      ...heat('2', 2),
      measured('1', 0.4, 1),
      { kind: 'correction', ofSeq: 3, elapsed_s: 2, reason: 'forgot to press' },
      measured('1', 0.06, 1),
    );
    expect(spentDoses([corrected]).padDose).toEqual({ '1': 0.06 });
  });

  it('a step that was not done leaves no mark of it', () => {
    const events = story({ kind: 'opened' }, ...heat('1', 2, 1), done('heat-1'), {
      kind: 'taken-back',
      ofSeq: 5,
      reason: 'the foot pedal',
    });
    expect(runState(STEPS, events)).toMatchObject({ stepIndex: 0 });
  });
});

describe('never lift what did not melt (common practice: most lifted pads are pulled, not burnt)', () => {
  const upTo = (second: RunEventBody[]): RunEvent[] =>
    story({ kind: 'opened' }, ...heat('1', 2, 1.1), done('heat-1'), ...second, done('heat-2'));
  const unseen = upTo(heat('2', 6));

  it('names the pins whose melt nobody saw, and refuses the step as it is', () => {
    const state = runState(STEPS, unseen);
    expect(notSeenMolten(state, STEPS)).toEqual(['2']);
    expect(refusal(state, STEPS, { kind: 'step-done', stepId: 'lift' }, unseen)).toMatch(
      /pin 2 was not seen molten/,
    );
  });

  it.each([
    ['they moved freely', { kind: 'moved-freely' }],
    ['someone says why', { kind: 'override', reason: 'its leg is cut' }],
  ] as const)('goes on where %s', (_name, passed) => {
    const state = runState(STEPS, unseen);
    expect(refusal(state, STEPS, { kind: 'step-done', stepId: 'lift', passed }, unseen)).toBeNull();
  });

  it('an early end of a clock is no word on what holds', () => {
    const passed = { kind: 'early', left_s: 3, reason: 'in a hurry' } as const;
    const state = runState(STEPS, unseen);
    expect(refusal(state, STEPS, { kind: 'step-done', stepId: 'lift', passed }, unseen)).toMatch(/pin 2/);
  });

  it('heated again and seen molten it is free; the last heating counts', () => {
    const again = upTo([...heat('2', 6), ...heat('2', 3, 1.9)]);
    expect(notSeenMolten(runState(STEPS, again), STEPS)).toEqual([]);
    const wrong = upTo([...heat('2', 3, 1.9), ...heat('2', 2)]);
    expect(notSeenMolten(runState(STEPS, wrong), STEPS)).toEqual(['2']);
  });

  it('pins taken in turn each count', () => {
    const row = [
      runStep('heat-row', { kind: 'heat', pad: '1', inTurn: ['1', '2', '3'], phase: 'remove' }),
      STEPS[2]!,
    ];
    const events = story(
      { kind: 'opened' },
      ...heat('1', 2, 1).map((e) => ('stepId' in e ? { ...e, stepId: 'heat-row' } : e)),
    );
    expect(notSeenMolten(runState(row, events), row)).toEqual(['2', '3']);
  });

  it('asks nothing of a part that was cut off cold: its stubs are heated after it has left', () => {
    const cut = [
      runStep('cut', { effect: 'part-off' }),
      runStep('heat-1', { kind: 'heat', phase: 'remove', pad: '1' }),
    ];
    expect(notSeenMolten(runState(cut, []), cut)).toEqual([]);
  });
});

describe('a job closed in the middle', () => {
  const events = story(
    { kind: 'opened' },
    ...heat('1', 2, 1),
    done('heat-1'),
    { kind: 'closed', outcome: 'part-done', cause: '' },
    { kind: 'resumed' },
  );

  it('goes on where it stood', () => {
    expect(runState(STEPS, events)).toMatchObject({ status: 'running', stepIndex: 1, outcome: null });
    const closed = events.slice(0, -1);
    const state = runState(STEPS, closed);
    expect(refusal(state, STEPS, { kind: 'resumed' }, closed)).toBeNull();
    expect(refusal(state, STEPS, done('heat-2'), closed)).toMatch(/closed/);
    // A mis-press is put right whenever it is noticed.
    expect(refusal(state, STEPS, { kind: 'taken-back', ofSeq: 2, reason: 'x' }, closed)).toBeNull();
  });
});

describe('what is said of a pad', () => {
  const found = (
    id: string,
    state: Parameters<typeof worstByPad>[0][number]['state'],
    takesBackId: string | null = null,
  ) => ({
    id,
    padId: 'p',
    state,
    takesBackId,
  });
  const now = (...list: ReturnType<typeof found>[]) =>
    (presentFindings(list).get('p') ?? []).map((f) => f.state);

  it('may be several things at once: a bridge does not hide flaked mask', () => {
    expect(now(found('a', 'flaked'), found('b', 'bridged'), found('c', 'dull'))).toEqual([
      'flaked',
      'bridged',
      'dull',
    ]);
    expect(now(found('a', 'dull'), found('b', 'cracked'))).toEqual(['cracked']);
    expect(now(found('a', 'flaked'), found('b', 'lifted'), found('c', 'repaired'))).toEqual(['repaired']);
    expect(now(found('a', 'repaired'), found('b', 'lifted'))).toEqual(['lifted']);
  });

  it('is without what was taken back', () => {
    expect(now(found('a', 'sound'), found('b', 'flaked'), found('c', 'flaked', 'b'))).toEqual(['sound']);
    expect(worstByPad([found('a', 'lifted'), found('b', 'lifted', 'a')]).get('p')).toBeUndefined();
  });
});
