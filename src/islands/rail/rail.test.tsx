// @vitest-environment jsdom
import { act, cleanup, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Rail, RailLine } from '~/schema/sheets/rail';
import { RailView } from './RailView';

const NOW_ms = 1_800_000_000_000;
const line = (jobId: string, changes: Partial<RailLine> = {}): RailLine => ({
  key: jobId,
  href: `/jobs/${jobId}`,
  jobId,
  stepId: null,
  then: '',
  boardId: 'b',
  gates: null,
  boardName: 'Beacon driver 4',
  siteRef: 'C31',
  step: 'Let it dry',
  clock: null,
  ...changes,
});
const clock = (kind: 'heat' | 'wait', left_s: number): RailLine['clock'] =>
  ({ kind, due_ms: NOW_ms + left_s * 1000 }) as RailLine['clock'];
const rail = (...lines: RailLine[]): Rail => ({ now_ms: NOW_ms, lines });

const answer = vi.fn<() => Promise<Response>>();
beforeEach(() => {
  vi.useFakeTimers({ now: NOW_ms });
  answer.mockReset();
  vi.stubGlobal('fetch', answer);
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('the rail', () => {
  it('has a line for each job under way, which leads to it', () => {
    render(<RailView first={rail(line('a'), line('b', { siteRef: 'U7' }))} />);
    const links = screen.getAllByRole('link');
    expect(links.map((l) => l.getAttribute('href'))).toEqual(['/jobs/a', '/jobs/b']);
    expect(links[1]!.textContent).toContain('U7');
  });

  it('says so where nothing is under way', () => {
    render(<RailView first={rail()} />);
    expect(screen.getByText('No job under way, no clock runs.')).toBeTruthy();
  });

  it.each([
    ['wait', 90, 'left'],
    ['wait', -5, 'Ready: go on'],
    ['heat', 3, 'to its stop'],
    ['heat', -2, 'past its stopTake the heat off'],
  ] as const)('a %s with %i s to go is told by word as well as by colour', (kind, left_s, words) => {
    render(<RailView first={rail(line('a', { clock: clock(kind, left_s) }))} />);
    expect(screen.getByRole('link').textContent).toContain(words);
  });

  it('goes on by itself, second by second, while the server is away, and says that it is', async () => {
    answer.mockRejectedValue(new TypeError('refused'));
    render(<RailView first={rail(line('a', { clock: clock('wait', 90) }))} />);
    expect(screen.getByRole('link').textContent).toContain('1:30');
    await act(() => vi.advanceTimersByTimeAsync(30_000));
    expect(screen.getByRole('link').textContent).toContain('1:00');
    expect(screen.getByText(/No answer from the bench computer/)).toBeTruthy();
  });

  it('takes what the server says once it answers again', async () => {
    answer.mockRejectedValueOnce(new TypeError('refused'));
    answer.mockImplementation(() =>
      Promise.resolve(Response.json(rail(line('c', { siteRef: 'J2', clock: clock('wait', 40) })))),
    );
    render(<RailView first={rail(line('a'))} />);
    await act(() => vi.advanceTimersByTimeAsync(5_100));
    expect(screen.getByText(/No answer/)).toBeTruthy();
    await act(() => vi.advanceTimersByTimeAsync(5_100));
    expect(screen.queryByText(/No answer/)).toBeNull();
    expect(screen.getByRole('link').textContent).toContain('J2');
  });
});
