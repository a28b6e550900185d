// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { BoardClock } from '~/core/record/boardClock';
import { BoardClocks } from './BoardClocks';

afterEach(cleanup);

const clock = (changes: Partial<BoardClock> = {}): BoardClock => ({
  id: 'c',
  kind: 'solvent',
  what: '',
  siteId: 's',
  jobId: 'j',
  stepId: 'dry',
  started_ms: 0,
  due_ms: 1000,
  ended_ms: null,
  ...changes,
});
function shown(one: BoardClock, running: readonly string[]) {
  const onEnter = vi.fn();
  render(
    <BoardClocks
      clocks={[one]}
      closed={false}
      running={new Set(running)}
      refOf={() => 'C7'}
      onEnter={onEnter}
      onStart={() => undefined}
    />,
  );
  return onEnter;
}

describe('a clock on its board', () => {
  // Rule broken: the drying of a job that was closed ran on for ever, and nobody could say that it had been seen.
  it('that outlived its job is seen and ended like any other', () => {
    const entered = shown(clock(), []);
    fireEvent.click(screen.getByRole('button', { name: 'Seen' }));
    expect(entered).toHaveBeenCalledWith({ kind: 'clock-ended', clockId: 'c', reason: '' });
  });

  it('that a job stands in is ended by going on with the job', () => {
    shown(clock(), ['j']);
    expect(screen.queryByRole('button', { name: 'Seen' })).toBeNull();
    expect(screen.getByRole('link', { name: 'Its job' })).toBeTruthy();
  });

  it('is ended early with a reason: the wait of a job by its end, any other by itself', () => {
    const later = Date.now() + 3_600_000;
    const end = (): void => {
      fireEvent.click(screen.getByRole('button', { name: 'End early' }));
      expect(screen.getByRole('button', { name: 'End it' })).toHaveProperty('disabled', true);
      fireEvent.change(screen.getByLabelText('Why it is ended early'), { target: { value: 'blown dry' } });
      fireEvent.click(screen.getByRole('button', { name: 'End it' }));
    };
    const ofJob = shown(clock({ due_ms: later }), ['j']);
    end();
    expect(ofJob.mock.calls[0]![0]).toMatchObject({ kind: 'clock-moved', clockId: 'c', reason: 'blown dry' });
    cleanup();
    const alone = shown(clock({ due_ms: later }), []);
    end();
    expect(alone).toHaveBeenCalledWith({ kind: 'clock-ended', clockId: 'c', reason: 'blown dry' });
  });
});
