import { AS_IT_CAME } from '~/core/record/occupancy';
// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { OPTION } from '../../../tests/support/answers';
import { AIR_CHOICE, BENCH_SHEET, HAND_CHOICE } from '../../../tests/support/choices';
import { SIMULATE_EXAMPLE } from '../../../tests/support/requests';
import type { StepEdit } from '~/core/method/steps/edits';
import {
  foundAnswer,
  type FoundAnswer,
  type PhaseAnswer,
  type StepAnswer,
} from '~/schema/exchange/plan/planAnswer';
import type { ChoiceInput, PlanInput } from '~/schema/exchange/plan/planRequest';
import { GoalPanel } from './GoalPanel';
import { MatterPanel } from './MatterPanel';
import { SettingPanel } from './SettingPanel';
import { start } from './state';
import { StepsPanel } from './StepsPanel';

afterEach(cleanup);

const step = (id: string, changes: Partial<StepAnswer> = {}): StepAnswer => ({
  id,
  kind: 'do',
  title: `Do ${id}`,
  detail: `How ${id} is done`,
  why: `Why ${id} is done`,
  cautions: [],
  pad: null,
  dwell: null,
  wait_s: null,
  phase: null,
  inTurn: [],
  stroke: [],
  reads_C: null,
  effect: null,
  picture: false,
  ...changes,
});

const heat = (pad: string, ifNotMolten = 'Tip off. Let it cool.'): StepAnswer =>
  step(`heat-${pad}`, {
    kind: 'heat',
    pad,
    title: `Heat pin ${pad}`,
    dwell: {
      setpoint_C: 340,
      expect_s: [0.5, 1.2],
      liftFrom_s: 1.3,
      holdAfterMelt_s: 2,
      stop_s: 6,
      ifNotMolten,
    },
  });

describe('the steps of a plan', () => {
  const STEPS = [
    step('set', { kind: 'gate' }),
    step('flux'),
    heat('1'),
    heat('2'),
    heat('3', 'Tip off. Warm the board.'),
    step('dry', { kind: 'wait', wait_s: 240 }),
  ];
  const shown = (changes: Partial<Parameters<typeof StepsPanel>[0]> = {}) => {
    const heard = { onEdits: vi.fn<(edits: readonly StepEdit[]) => void>(), onKeep: vi.fn(), run: vi.fn() };
    render(
      <StepsPanel
        steps={STEPS}
        times={null}
        edits={[]}
        why={false}
        editing={false}
        kept={null}
        {...heard}
        {...changes}
      />,
    );
    return heard;
  };
  const titles = (): string[] =>
    screen.getAllByRole('listitem').map((li) => li.querySelector('strong')!.textContent);

  it('tell temperature, expected melt and stop of a heat, and the clock of a wait', () => {
    shown();
    expect(
      screen.getAllByText('340 °C · molten by about 0.8 s, at worst 1.2 s · stop at 6.0 s'),
    ).toHaveLength(3);
    expect(screen.getByText(/^240 s$/)).toBeTruthy();
  });

  it('tell how long all of it takes', () => {
    const pace = { ratio: 1, sd: 0, share: 0, own: 0, others: 0, way: { ratio: 1, jobs: 0 } };
    shown({ times: { hands_s: 60, heat_s: 20, pace } });
    // A gate of 45 s and a step done by hand of 60 s, the ways' 60 s of hands and 20 s of heat, and a clock of 240 s.
    expect(screen.getByText(/^About 7\.1 min in all, 7\.1 min to 7\.1 min/)).toBeTruthy();
    expect(screen.getByText(/no job here was timed yet/)).toBeTruthy();
  });

  it('tell what to do at the stop once for heats that say the same', () => {
    shown();
    expect(screen.getAllByText(/Not molten at the stop: Tip off. Let it cool/)).toHaveLength(1);
    expect(screen.getAllByText(/Not molten at the stop: Tip off. Warm the board/)).toHaveLength(1);
  });

  it('give their reasons when asked', () => {
    shown();
    expect(screen.queryByText('Why flux is done')).toBeNull();
    cleanup();
    shown({ why: true });
    expect(screen.getByText('Why flux is done')).toBeTruthy();
  });

  it('are moved, reworded and left out; gates and heat stay', () => {
    const heard = shown({ editing: true });
    fireEvent.click(screen.getByRole('button', { name: 'Move “Do flux” up' }));
    expect(heard.onEdits).toHaveBeenLastCalledWith([{ op: 'move', id: 'flux', after: '' }]);
    fireEvent.click(screen.getByRole('button', { name: 'Leave “Do flux” out' }));
    expect(heard.onEdits).toHaveBeenLastCalledWith([{ op: 'hide', id: 'flux' }]);
    for (const name of [
      'Leave “Do set” out',
      'Leave “Heat pin 1” out',
      'Move “Do set” up',
      'Move “Do dry” down',
    ])
      expect(screen.getByRole<HTMLButtonElement>('button', { name }).disabled).toBe(true);
    fireEvent.click(screen.getByRole('button', { name: 'Reword “Do flux”' }));
    fireEvent.change(screen.getAllByLabelText('Title')[0]!, { target: { value: 'Flux it well' } });
    fireEvent.click(screen.getByRole('button', { name: 'Reword it' }));
    expect(heard.onEdits).toHaveBeenLastCalledWith([
      { op: 'reword', id: 'flux', title: 'Flux it well', detail: 'How flux is done' },
    ]);
  });

  it('show what was left out, and put it back without losing other changes', () => {
    const reword = { op: 'reword', id: 'set', title: 'Set it', detail: 'To 340' } as const;
    const heard = shown({ editing: true, edits: [{ op: 'hide', id: 'flux' }, reword] });
    expect(titles()).not.toContain('Do flux');
    expect(screen.getByText(/Left out: Do flux/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Put back' }));
    expect(heard.onEdits).toHaveBeenLastCalledWith([reword]);
    fireEvent.click(screen.getByRole('button', { name: 'Undo every change' }));
    expect(heard.onEdits).toHaveBeenLastCalledWith([]);
  });

  it('are added to, with a clock that must be one', () => {
    const heard = shown({ editing: true });
    const form = within(screen.getByText('Add a step').closest('details')!);
    const add = form.getByRole<HTMLButtonElement>('button', { name: 'Add it', hidden: true });
    expect(add.disabled).toBe(true);
    fireEvent.change(form.getByLabelText('Title'), { target: { value: 'Photograph it' } });
    fireEvent.change(form.getByLabelText('Kind'), { target: { value: 'wait' } });
    fireEvent.change(form.getByLabelText('Clock, s'), { target: { value: 'soon' } });
    expect(form.getByText('give 1 to 86400 s')).toBeTruthy();
    expect(add.disabled).toBe(true);
    fireEvent.change(form.getByLabelText('Clock, s'), { target: { value: '90' } });
    fireEvent.click(add);
    expect(heard.onEdits).toHaveBeenLastCalledWith([
      expect.objectContaining({
        op: 'add',
        after: 'dry',
        kind: 'wait',
        title: 'Photograph it',
        wait_s: 90,
      }),
    ]);
  });
});

describe('what a plan takes and does', () => {
  const phase: PhaseAnswer = {
    phase: 'remove',
    chosen: OPTION,
    frontier: [],
    pins: [],
    meltOrder: [],
    neighbours: [],
    methods: [],
    materials: {
      solderWire_mm: 6,
      wireDiameter_mm: 0.8,
      braid_mm: 4,
      braidWidth_mm: 2,
      flux_mL: 0.002,
      solvent_mL: 0.3,
      paste_g: 0,
      lowMelt_g: 0,
      foil_cm2: 0,
      tape_cm2: 0,
      mixture: null,
    },
    coolDown: null,
    shared: null,
    keepOut: null,
  };
  const answer = (changes: Partial<FoundAnswer>): FoundAnswer =>
    foundAnswer.parse({
      outcome: 'found',
      modelVersion: 'm',
      ...phase,
      then: [],
      consumption: [],
      partCycles: null,
      cautions: [],
      steps: [step('set')],
      ...changes,
    });
  const input = {
    site: { ...SIMULATE_EXAMPLE.site, ref: 'C7' },
    neighbours: [],
  } as unknown as PlanInput;
  const shown = (changes: Partial<FoundAnswer>) =>
    render(<MatterPanel answer={answer(changes)} input={input} />);

  it('warns before stock runs out, in the unit it is counted in', () => {
    shown({
      consumption: [
        { kind: 'wire', supplyId: 'w', name: 'Wire 0.8', amount: 12.7, left: 8, unit: 'mm', short: true },
        { kind: 'flux', supplyId: null, name: 'flux', amount: 0.002, left: null, unit: 'mL', short: false },
      ],
    });
    expect(screen.getByText(/Wire 0.8 will run out: 13 mm wanted, 8 mm left/)).toBeTruthy();
    expect(screen.getByText('flux (none in stock)')).toBeTruthy();
    expect(screen.getByText('2 µL')).toBeTruthy();
  });

  it('tells the melting range of mixed solder, with its warning', () => {
    shown({
      materials: {
        ...phase.materials,
        mixture: {
          solidus_C: 96.2,
          liquidus_C: 178.9,
          uncertainty_K: 24,
          warning: 'Bismuth with lead leaves a phase that melts near 96 °C.',
        },
      },
    });
    expect(screen.getByText(/melts over 96 to 179 °C, good to about 24 K. Bismuth with lead/)).toBeTruthy();
  });

  it('counts the part’s heat cycles, and warns past what a body is good for', () => {
    shown({ partCycles: { before: 1, after: 3, most: 3, over: false } });
    expect(screen.getByText('Heat cycles: 1 before, 3 after this.')).toBeTruthy();
    cleanup();
    shown({ partCycles: { before: 3, after: 5, most: 3, over: true } });
    expect(screen.getByText(/heat cycle 5 of this part, and a body is good for about 3/)).toBeTruthy();
  });

  it('names neighbours that get too hot, and else the warmest', () => {
    const c8 = { ref: 'C8', joint_C: 120, body_C: 90, ok: true };
    shown({ neighbours: [c8, { ...c8, ref: 'C9', joint_C: 60 }] });
    expect(screen.getByText('None at risk; warmest C8 at 120 °C.')).toBeTruthy();
    cleanup();
    shown({ neighbours: [{ ...c8, body_C: 214, ok: false }] });
    expect(screen.getByText(/C8 reaches 214 °C: shield it/)).toBeTruthy();
    cleanup();
    shown({});
    expect(screen.getByText('No other part on this board.')).toBeTruthy();
  });

  it.each([
    [{ limit_C: 60, within_mm: 12.3 }, /keep it farther than 13 mm from C7; nearer, the board passes 60 °C/],
    [{ limit_C: 60, within_mm: null }, /the whole board passes 60 °C; it has to come out/],
    [{ limit_C: 60, within_mm: 0 }, /nothing beyond the joints passes 60 °C/],
  ])('says how far a lithium cell has to stay away: %o', (keepOut, says) => {
    const { container } = shown({ keepOut });
    expect(container.querySelector('[data-keep-out]')!.textContent).toMatch(says);
  });

  it('says what one heat for several parts saves', () => {
    const { container } = shown({
      shared: {
        refs: ['U1', 'U2'],
        heatsApart: 2,
        timeApart_s: 410,
        padDoseApart: 0.08,
        time_s: 240,
        padDose: 0.05,
      },
    });
    expect(container.querySelector('[data-shared]')!.textContent).toBe(
      'U1 and U2 in one heat: 240 s of heat instead of 410 s in 2 heats, and 5.0 % of the worst pad’s budget instead of 8.0 %.',
    );
  });

  it('tells the way down with its clock and bow, and owns up to what it does not keep', () => {
    const coolDown = {
      how: 'nozzle drawn away, then off',
      clock_s: 260,
      heldPreheat_s: 20,
      bowHot_pct: 0.41,
      bowLeft_pct: 0.1,
      bowLimit_pct: 0.75,
      ok: true,
    };
    shown({ coolDown });
    expect(screen.getByText(/Nozzle drawn away, then off; cool to the touch after 260 s/)).toBeTruthy();
    expect(screen.queryByText(/No way down that was tried/)).toBeNull();
    cleanup();
    shown({ coolDown: { ...coolDown, ok: false } });
    expect(screen.getByText(/No way down that was tried/)).toBeTruthy();
  });

  it('always says that local codes come first', () => {
    shown({ cautions: [{ id: 'mains', text: 'Mains primary: only unplugged.' }] });
    expect(screen.getByText(/Local codes, .* come first/)).toBeTruthy();
    expect(screen.getByText('Mains primary: only unplugged.')).toBeTruthy();
  });
});

describe('what is set on a tool', () => {
  const [iron] = BENCH_SHEET.tools;
  const small = {
    id: 'small',
    name: 'Small iron',
    power_W: 30,
    offset_K: 0,
    range_C: [200, 400],
    tips: [{ shape: 'conical', width_mm: 0.5, construction: 'cartridge' }],
  } as const;
  const shown = (choice: ChoiceInput, changes: object = {}) => {
    const heard = { onSetting: vi.fn(), run: vi.fn() };
    render(
      <SettingPanel
        choice={choice}
        {...BENCH_SHEET}
        tools={[{ ...iron!, offset_K: -6 }, small]}
        {...heard}
        {...changes}
      />,
    );
    return heard;
  };

  it('another tool brings its own tip and keeps the temperature within its range', () => {
    const heard = shown(HAND_CHOICE);
    fireEvent.change(screen.getByLabelText('Tool'), { target: { value: 'small' } });
    expect(heard.onSetting).toHaveBeenCalledWith({
      toolId: 'small',
      tip: small.tips[0],
      setpoint_C: 400,
    });
    expect(screen.getByText('Reaches 6 K less than it shows; counted in.')).toBeTruthy();
  });

  it('tip, temperature, warmth, flux and solder are one press each', () => {
    const heard = shown(HAND_CHOICE);
    fireEvent.click(screen.getByRole('radio', { name: /bevel/ }));
    expect(heard.onSetting).toHaveBeenLastCalledWith({ tip: iron!.tips[1] });
    fireEvent.change(screen.getByLabelText('Set temperature'), { target: { value: '365' } });
    expect(heard.onSetting).toHaveBeenLastCalledWith({ setpoint_C: 365 });
    fireEvent.click(screen.getByRole('radio', { name: /warmed, 150 °C 120 s/ }));
    expect(heard.onSetting).toHaveBeenLastCalledWith({
      preheat: { kind: 'convective', setpoint_C: 150, soak_s: 120 },
    });
    fireEvent.click(screen.getByRole('button', { name: /^Flux/ }));
    expect(heard.run).toHaveBeenLastCalledWith('flux');
  });

  it('without a preheater on the bench a board stays cold', () => {
    shown(HAND_CHOICE, { preheat: null });
    expect(screen.queryByRole('radio', { name: /warmed/ })).toBeNull();
  });

  it('air has nozzle, temperature, flow, stand-off and foil, and says how it is approached', () => {
    const heard = shown(AIR_CHOICE);
    fireEvent.change(screen.getByLabelText('Nozzle'), {
      target: { value: JSON.stringify({ width_mm: 12, height_mm: 12 }) },
    });
    expect(heard.onSetting).toHaveBeenLastCalledWith({ nozzle: { width_mm: 12, height_mm: 12 } });
    fireEvent.change(screen.getByLabelText('Flow'), { target: { value: '60' } });
    expect(heard.onSetting).toHaveBeenLastCalledWith({ flow_L_min: 60 });
    fireEvent.change(screen.getByLabelText('Stand-off'), { target: { value: '15' } });
    expect(heard.onSetting).toHaveBeenLastCalledWith({ standoff_mm: 15 });
    expect(screen.getByText('The first 60 s from 40 mm, to warm the region.')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: /No foil/ }));
    expect(heard.run).toHaveBeenLastCalledWith('foil');
  });

  it('says when the bench has no tool for a way', () => {
    shown(HAND_CHOICE, { tools: [] });
    expect(screen.getByText('No tool for this way is on the bench.')).toBeTruthy();
    cleanup();
    shown(AIR_CHOICE, { stations: [] });
    expect(screen.getByText('No hot-air station is on the bench.')).toBeTruthy();
  });
});

describe('what is wanted', () => {
  const shown = (goal: Parameters<typeof start>[0], changes: object = {}) => {
    const heard = { onGoal: vi.fn(), onPhase: vi.fn(), onWorth: vi.fn(), onMates: vi.fn() };
    render(
      <GoalPanel
        state={start(goal, '1', ['U2'])}
        socket
        occupancy={AS_IT_CAME}
        onlyCopyOn={null}
        near={['U2', 'U3']}
        {...heard}
        {...changes}
      />,
    );
    return heard;
  };

  it('every goal is offered, a socket only where one exists', () => {
    const heard = shown('remove-keep-part');
    expect(screen.getAllByRole('option')).toHaveLength(7);
    fireEvent.change(screen.getByLabelText('Goal'), { target: { value: 'replace' } });
    expect(heard.onGoal).toHaveBeenCalledWith('replace');
    cleanup();
    shown('remove-keep-part', { socket: false });
    expect(screen.queryByRole('option', { name: 'Fit a socket' })).toBeNull();
  });

  it('both halves of a job can be looked at, and only those there are', () => {
    const heard = shown('replace');
    fireEvent.click(screen.getByRole('radio', { name: 'Put it on' }));
    expect(heard.onPhase).toHaveBeenCalledWith('fit');
    cleanup();
    shown('reflow');
    expect(screen.queryByRole('radio', { name: 'Put it on' })).toBeNull();
    expect(screen.queryByRole('radio', { name: 'scarce' })).toBeNull();
  });

  it('parts beside it join the heat and leave it', () => {
    const heard = shown('remove-keep-part');
    fireEvent.click(screen.getByLabelText('U3'));
    expect(heard.onMates).toHaveBeenLastCalledWith(['U2', 'U3']);
    fireEvent.click(screen.getByLabelText('U2'));
    expect(heard.onMates).toHaveBeenLastCalledWith([]);
  });
});
