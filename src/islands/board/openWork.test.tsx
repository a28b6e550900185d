// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { SettledItem } from '~/core/record/openItem';
import { MoreDialog } from './MoreDialog';
import { OpenWork } from './OpenWork';
import { PartDialog } from './PartDialog';
import { StageDialog, type StageAsked } from './StageDialog';
import { StageLine } from './StageLine';
import { BLANK_BOARD } from '../../../tests/support/sheets';

afterEach(cleanup);
// What jsdom has not got.
vi.stubGlobal('CSS', { escape: (text: string) => text });

const item = (changes: Partial<SettledItem> = {}): SettledItem => ({
  key: 'part:s:off-kept:1',
  kind: 'part-off',
  siteId: 's',
  jobId: null,
  says: 'C7: off, kept: tray 3',
  next: 'Fit C7',
  settled: null,
  ...changes,
});

const shown = (open: readonly SettledItem[], closed = false) => {
  const heard = { onSettle: vi.fn(), onSite: vi.fn(), onTested: vi.fn() };
  render(<OpenWork open={open} closed={closed} {...heard} />);
  return heard;
};

describe('open work', () => {
  it('is deferred with a reason, never without one', () => {
    const heard = shown([item()]);
    fireEvent.click(screen.getByRole('button', { name: 'Defer' }));
    const defer = screen.getByRole<HTMLButtonElement>('button', { name: 'Defer it' });
    expect(defer.disabled).toBe(true);
    fireEvent.change(screen.getByLabelText(/Until when/), { target: { value: '  next visit ' } });
    fireEvent.click(defer);
    expect(heard.onSettle).toHaveBeenCalledWith(item(), 'deferred', 'next visit');
  });

  it('is accepted in one’s own name, and left by Escape', () => {
    const heard = shown([item()]);
    fireEvent.click(screen.getByRole('button', { name: 'Accept' }));
    fireEvent.keyDown(screen.getByLabelText(/Why it may stay/), { key: 'Escape' });
    expect(screen.queryByRole('button', { name: /in my name/ })).toBeNull();
    expect(heard.onSettle).not.toHaveBeenCalled();
  });

  it('leads to its site, its job, its reading and its test', () => {
    const heard = shown([
      item(),
      item({ key: 'j', kind: 'job', jobId: 'j', says: 'C8: its job is open' }),
      item({ key: 'u', kind: 'unverified', says: 'C9 pin 1: repaired' }),
      item({ key: 't', kind: 'untested', siteId: null, says: 'Not tested' }),
    ]);
    fireEvent.click(screen.getByRole('button', { name: 'C7: off, kept: tray 3' }));
    expect(heard.onSite).toHaveBeenCalledWith('s');
    expect(screen.getByRole('link', { name: 'Go on' }).getAttribute('href')).toBe('/jobs/j');
    expect(screen.getByRole('link', { name: 'Plan' }).getAttribute('href')).toBe('/sites/s/plan');
    expect(screen.getByRole('link', { name: 'Continuity' }).getAttribute('href')).toBe('/sites/s/check');
    fireEvent.click(screen.getByRole('button', { name: 'It was tested' }));
    expect(heard.onTested).toHaveBeenCalledOnce();
    // A job that is open is closed, not deferred.
    expect(screen.getAllByRole('button', { name: 'Defer' })).toHaveLength(3);
  });

  it('what is settled folds away with who said so, and nothing is said on a closed board', () => {
    const settled = { key: 'k', as: 'deferred', by: 'HL', at_ms: 0, reason: 'next visit' } as const;
    shown([item({ settled })], true);
    expect(screen.getByRole('heading', { name: 'Nothing open' })).toBeTruthy();
    expect(screen.getByText(/deferred by HL, 1 Jan 1970\. next visit/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Defer' })).toBeNull();
  });
});

const stage = (asked: StageAsked, open: readonly SettledItem[] = []) => {
  const onEnter = vi.fn();
  render(<StageDialog asked={asked} open={open} error={null} onClose={vi.fn()} onEnter={onEnter} />);
  const button = screen.getAllByRole<HTMLButtonElement>('button').at(-1)!;
  return { onEnter, button };
};

describe('closing, parking and testing a board', () => {
  it('nothing is handed back over open work, which it names', () => {
    const { button } = stage('hand-back', [item()]);
    expect(screen.getByText('C7: off, kept: tray 3')).toBeTruthy();
    expect(screen.queryByRole('radio')).toBeNull();
    expect(button.disabled).toBe(true);
  });

  it('no outcome is chosen beforehand', () => {
    const { button, onEnter } = stage('hand-back');
    expect(screen.getAllByRole<HTMLInputElement>('radio').every((radio) => !radio.checked)).toBe(true);
    expect(button.disabled).toBe(true);
    fireEvent.click(screen.getByText('improved'));
    fireEvent.click(button);
    expect(onEnter).toHaveBeenCalledWith({ kind: 'handed-back', outcome: 'improved', cause: '' });
  });

  it('parked needs what for, and takes a day', () => {
    const { button, onEnter } = stage('park');
    fireEvent.click(screen.getByText('an answer'));
    expect(button.disabled).toBe(true);
    fireEvent.change(screen.getByLabelText(/What is awaited/), { target: { value: 'whose clamp' } });
    fireEvent.change(screen.getByLabelText(/Expected on/), { target: { value: '2027-01-05' } });
    fireEvent.click(button);
    const due_ms = new Date('2027-01-05T12:00').getTime();
    expect(onEnter).toHaveBeenCalledWith({ kind: 'parked', awaits: 'answer', what: 'whose clamp', due_ms });
  });

  it.each([
    ['scrap', { kind: 'scrapped', cause: 'burnt' }],
    ['reopen', { kind: 'reopened', reason: 'burnt' }],
  ] as const)('%s needs its reason', (asked, body) => {
    const { button, onEnter } = stage(asked);
    expect(button.disabled).toBe(true);
    fireEvent.change(screen.getByRole('textbox'), { target: { value: 'burnt' } });
    fireEvent.click(button);
    expect(onEnter).toHaveBeenCalledWith(body);
  });

  it('a test says how, and whether it worked every time', () => {
    const { button, onEnter } = stage('tested');
    fireEvent.change(screen.getByRole('textbox'), { target: { value: 'cold, ten times' } });
    expect(button.disabled).toBe(true);
    fireEvent.click(screen.getByText('not every time'));
    fireEvent.click(button);
    expect(onEnter).toHaveBeenCalledWith({ kind: 'tested', how: 'cold, ten times', passed: false });
  });

  it('the line says what is parked and what is closed, with the way on', () => {
    const onResume = vi.fn();
    const standing = {
      ...BLANK_BOARD.standing,
      stage: { is: 'closed', outcome: 'part-done', cause: 'no part to be had', at_ms: 0 },
    } as const;
    render(<StageLine standing={standing} onResume={onResume} />);
    expect(screen.getByText(/part done\. no part to be had/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Open it again' }));
    expect(onResume).toHaveBeenCalledOnce();
  });
});

describe('what stands on a site, told by hand', () => {
  it('asks where a kept part lies, and nothing of one that was never there', () => {
    const onEnter = vi.fn();
    render(<PartDialog site={{ id: 's', ref: 'C7' }} error={null} onClose={vi.fn()} onEnter={onEnter} />);
    fireEvent.click(screen.getByText('off, kept'));
    fireEvent.change(screen.getByLabelText(/Where it lies/), { target: { value: 'tray 3' } });
    fireEvent.click(screen.getByText('never populated'));
    expect(screen.queryByRole('textbox')).toBeNull();
    fireEvent.click(screen.getByText('off, kept'));
    fireEvent.click(screen.getByRole('button', { name: 'Write it down' }));
    expect(onEnter).toHaveBeenCalledWith({
      kind: 'part',
      siteId: 's',
      is: 'off-kept',
      what: '',
      where: 'tray 3',
    });
  });
});

describe('the rarer pages of a board', () => {
  it('open from a list, by a letter or a press', () => {
    const heard = { run: vi.fn(() => true), onClose: vi.fn() };
    render(<MoreDialog isOpen {...heard} />);
    fireEvent.keyDown(screen.getByRole('button', { name: /Add a part/ }), { key: 'o' });
    expect(heard.run).toHaveBeenCalledWith('photos');
    fireEvent.click(screen.getByRole('button', { name: /Print its label/ }));
    expect(heard.run).toHaveBeenLastCalledWith('label');
    expect(heard.onClose).toHaveBeenCalledTimes(2);
  });
});
