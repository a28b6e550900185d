// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Dwell } from '~/core/record/runState';
import type { JobStep } from '~/schema/records/jobs/jobPlan';
import { LiftGate } from './LiftGate';
import { TakeBackDialog } from './TakeBackDialog';
import { heatedInWords, turnOf } from './turn';

afterEach(cleanup);
// What jsdom has not got.
vi.stubGlobal('CSS', { escape: (text: string) => text });

const step = (changes: Partial<JobStep> = {}): JobStep => ({
  id: 'heat-1',
  kind: 'heat',
  title: 'Clear pins 1 to 3',
  detail: '',
  why: '',
  cautions: [],
  pad: '1',
  dwell: null,
  wait_s: null,
  phase: 'remove',
  inTurn: ['1', '2', '3'],
  stroke: [],
  reads_C: null,
  effect: null,
  picture: false,
  ...changes,
});
const dwell = (pad: string, on_ms: number, melted_s: number | null, off_s: number | null = 2): Dwell => ({
  stepId: 'heat-1',
  pad,
  onSeq: on_ms,
  on_ms,
  melted_s,
  off_s,
  meltedSeq: null,
  offSeq: null,
  exposure: null,
});

describe('whose turn it is', () => {
  it('goes pin by pin, each with a clock of its own', () => {
    const at = { stepStart_ms: 0, dwells: [dwell('1', 10, 1), dwell('2', 20, null, null)] };
    expect(turnOf(step(), at)).toMatchObject({ pad: '2', done: 1, of: 3 });
  });

  it('gone back to, a row asks only for the pins that were not seen molten', () => {
    const dwells = [dwell('1', 10, 1), dwell('2', 20, null), dwell('3', 30, 1)];
    expect(turnOf(step(), { stepStart_ms: 0, dwells }).pad).toBeNull();
    const back = turnOf(step(), { stepStart_ms: 100, dwells });
    expect(back).toMatchObject({ pad: '2', done: 2 });
    const again = [...dwells, dwell('2', 110, 1.4)];
    expect(turnOf(step(), { stepStart_ms: 100, dwells: again }).pad).toBeNull();
  });

  it('a step of one pad is heated anew when it is gone back to', () => {
    const alone = step({ inTurn: [] });
    const dwells = [dwell('1', 10, 1)];
    expect(turnOf(alone, { stepStart_ms: 0, dwells }).pad).toBeNull();
    expect(turnOf(alone, { stepStart_ms: 100, dwells })).toMatchObject({ pad: '1', lastDwell: null });
  });

  it('pins are named as they are', () => {
    expect(heatedInWords(['all'])).toBe('the joints');
    expect(heatedInWords(['2', '5'])).toBe('pins 2, 5');
  });
});

describe('the lift', () => {
  const gate = (changes: Partial<Parameters<typeof LiftGate>[0]> = {}) => {
    const heard = { onWhere: vi.fn(), onPass: vi.fn(), run: vi.fn(() => true) };
    render(<LiftGate held={['2']} kept={false} asked={false} where="" {...heard} {...changes} />);
    return heard;
  };

  it('names what was not seen molten, and offers its heat again first', () => {
    const { run } = gate();
    expect(screen.getByRole('alert').textContent).toContain('Not seen molten: pin 2.');
    fireEvent.click(screen.getByRole('button', { name: /Heat pin 2 again/ }));
    expect(run).toHaveBeenCalledWith('again');
  });

  it('is passed on a word that is written out', () => {
    const { onPass } = gate();
    fireEvent.click(screen.getByRole('button', { name: 'Go on all the same' }));
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Pass the gate' }).disabled).toBe(true);
    fireEvent.change(screen.getByRole('textbox'), { target: { value: 'its leg is cut' } });
    fireEvent.click(screen.getByRole('button', { name: 'Pass the gate' }));
    expect(onPass).toHaveBeenCalledWith({ kind: 'override', reason: 'its leg is cut' });
  });

  it('with every melt seen only says that it is off; a kept part says where', () => {
    const { onWhere } = gate({ held: [], kept: true });
    expect(screen.queryByRole('alert')).toBeNull();
    expect(screen.getByRole('button', { name: /^It is off/ })).toBeTruthy();
    fireEvent.change(screen.getByLabelText(/Where it will lie/), { target: { value: 'tray 3' } });
    expect(onWhere).toHaveBeenCalledWith('tray 3');
  });
});

describe('taking an entry back', () => {
  const events = [
    { kind: 'opened', seq: 1, at_ms: 0, by: 'MK' },
    { kind: 'heat-on', stepId: 'heat-1', pad: '1', seq: 2, at_ms: 1000, by: 'MK' },
    { kind: 'heat-off', stepId: 'heat-1', pad: '1', elapsed_s: 44.7, seq: 3, at_ms: 46_000, by: 'MK' },
  ] as const;
  const dialog = () => {
    const heard = { onClose: vi.fn(), onWrite: vi.fn(), onFinding: vi.fn() };
    render(
      <TakeBackDialog
        isOpen
        events={events}
        steps={[step()]}
        findings={[]}
        padName={(id) => id}
        {...heard}
      />,
    );
    fireEvent.click(screen.getByRole('radio', { name: /Pin 1 heated 44\.7 s/ }));
    return heard;
  };

  it('names the heat by its length, and needs a reason', () => {
    const { onWrite } = dialog();
    const button = screen.getByRole<HTMLButtonElement>('button', { name: 'Was not so' });
    expect(button.disabled).toBe(true);
    fireEvent.change(screen.getByLabelText('Because'), { target: { value: 'lay in its stand' } });
    fireEvent.click(button);
    expect(onWrite).toHaveBeenCalledWith({ kind: 'taken-back', ofSeq: 2, reason: 'lay in its stand' });
  });

  it('or says how long it really lasted, with a comma as with a point', () => {
    const { onWrite } = dialog();
    fireEvent.click(screen.getByText('it lasted otherwise'));
    fireEvent.change(screen.getByLabelText('Off after, s'), { target: { value: '2,4' } });
    fireEvent.change(screen.getByLabelText('Because'), { target: { value: 'forgot to press' } });
    fireEvent.click(screen.getByRole('button', { name: 'Correct it' }));
    expect(onWrite).toHaveBeenCalledWith({
      kind: 'correction',
      ofSeq: 3,
      elapsed_s: 2.4,
      reason: 'forgot to press',
    });
  });
});
