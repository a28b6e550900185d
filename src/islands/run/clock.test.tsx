// @vitest-environment jsdom
import { act, cleanup, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useTick, type Clock } from './useNow';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

let drawn = 0;
function Zone({ clock, from_ms }: { readonly clock: Clock; readonly from_ms: number }) {
  const zone = useTick(clock, (now_ms) => (now_ms < from_ms ? 'not yet' : 'window'));
  drawn++;
  return <p>{zone}</p>;
}

const running = (): Clock => {
  const began_ms = Date.now();
  return { first_ms: 0, read_ms: () => Date.now() - began_ms, runs: true };
};

describe('what a clock says', () => {
  it('draws a component anew when that changes, and not twenty times a second', () => {
    drawn = 0;
    const clock = running();
    render(<Zone clock={clock} from_ms={5000} />);
    act(() => void vi.advanceTimersByTime(4900));
    expect(screen.getByText('not yet')).toBeTruthy();
    const before = drawn;
    act(() => void vi.advanceTimersByTime(200));
    expect(screen.getByText('window')).toBeTruthy();
    act(() => void vi.advanceTimersByTime(5000));
    expect(before).toBeLessThanOrEqual(2);
    expect(drawn).toBeLessThanOrEqual(5);
  });

  it('is of what it is told of now: another turn needs no tick', () => {
    const clock = { ...running(), runs: false };
    const { rerender } = render(<Zone clock={clock} from_ms={5000} />);
    rerender(<Zone clock={clock} from_ms={0} />);
    expect(screen.getByText('window')).toBeTruthy();
  });
});
