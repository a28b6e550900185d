// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { DwellWindow, sharedEnd_s } from './DwellWindow';

afterEach(cleanup);

const TIMES = { p10_s: 0.6, p50_s: 1, p90_s: 1.9, liftFrom_s: 1.5, stop_s: 6, hold_s: 2 };

describe('the dwell window', () => {
  it('says in words what it draws', () => {
    render(<DwellWindow label="Pin 2" times={TIMES} end_s={8} />);
    expect(
      screen.getByRole('img', { name: 'Pin 2: melt expected 0.6–1.9 s, move it from 1.5 s, stop at 6.0 s' }),
    ).toBeTruthy();
  });

  it('has no window when the melt is not in reach before the stop', () => {
    render(
      <DwellWindow
        label="Pin 2"
        times={{ ...TIMES, p10_s: null, p50_s: null, p90_s: null, liftFrom_s: null }}
        end_s={8}
      />,
    );
    expect(screen.queryByText('window')).toBeNull();
    expect(screen.getByText(/stop/)).toBeTruthy();
  });

  it('several pins share an axis a little past the latest stop', () => {
    expect(sharedEnd_s([TIMES, { ...TIMES, stop_s: 3 }])).toBeCloseTo(6.36, 9);
  });
});
