// @vitest-environment jsdom
import { cleanup, render } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { sharedLife, type PadExposure } from '~/core/record/heatLife';
import { SiteHeat } from './SiteHeat';

afterEach(cleanup);

const exposure = (
  pad: number,
  at_ms: number,
  dose: number,
  sharedFrom: string | null = null,
): PadExposure => ({
  padId: `u7-${pad}`,
  at_ms,
  by: 'MK',
  duration_s: 60,
  dose,
  peak_C: 240 + pad,
  sharedFrom,
});
const drawn = (exposures: readonly PadExposure[]): string[] => {
  const { container } = render(<SiteHeat label="Board" life={sharedLife(exposures)} nameOf={(id) => id} />);
  return [...container.querySelectorAll('rect title')].map((title) => title.textContent);
};

describe('the heat of a board on one line', () => {
  it('has a heat under air once for the most spent pad and once for all beside it, not once a pad', () => {
    const heats = [1, 2, 3].flatMap((at) =>
      Array.from({ length: 100 }, (_, i) => exposure(i, at, 0.001 * (i + 1))),
    );
    const bars = drawn(heats);
    expect(bars).toHaveLength(6);
    expect(bars.filter((words) => words.includes('99 pads together'))).toHaveLength(3);
  });

  it('has touches one after another each by itself', () => {
    expect(drawn([exposure(1, 1, 0.02), exposure(2, 2, 0.01), exposure(1, 3, 0.02)])).toHaveLength(3);
  });
});
