// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { degreesIn } from './shown';
import { StationGate } from './StationGate';

afterEach(cleanup);

const shown = (typed: string, asked: boolean) => {
  const heard = { onShown: vi.fn(), onPass: vi.fn(), onReplan: vi.fn(), run: vi.fn(() => true) };
  render(<StationGate station={null} read_C={null} planned_C={340} shown={typed} asked={asked} {...heard} />);
  return { ...heard, field: screen.getByLabelText('Its display shows, °C') };
};

describe('a station read back', () => {
  it('is typed where the hand lands, and Space or Enter holds it against the plan', () => {
    const { field, run } = shown('340', false);
    expect(document.activeElement).toBe(field);
    fireEvent.keyDown(field, { key: ' ' });
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(run.mock.calls).toEqual([['go'], ['go']]);
    expect(screen.queryByRole('alert')).toBeNull();
  });

  it('another temperature is said with both figures, and passed only with a reason', () => {
    const { onPass, onReplan } = shown('480', true);
    expect(screen.getByRole('alert').textContent).toMatch(/480 °C and the plan is for 340 °C/);
    // Or it is planned again at what the station has.
    fireEvent.click(screen.getByRole('button', { name: /plan again at 480 °C/ }));
    expect(onReplan).toHaveBeenCalledWith(480);
    fireEvent.click(screen.getByRole('button', { name: 'Go on all the same' }));
    const pass = screen.getByRole('button', { name: 'Pass the gate' });
    expect((pass as HTMLButtonElement).disabled).toBe(true);
    fireEvent.change(screen.getByLabelText(/Why it is worked at another/), {
      target: { value: 'tip reads low' },
    });
    fireEvent.click(pass);
    expect(onPass).toHaveBeenCalledWith({ kind: 'override', reason: 'tip reads low' });
  });

  it('nothing typed is asked for, with no way round it', () => {
    shown('', true);
    expect(screen.getByRole('alert').textContent).toMatch(/Nothing was read/);
    expect(screen.queryByRole('button', { name: 'Go on all the same' })).toBeNull();
  });

  it('takes a comma for a point, and no words', () => {
    expect([
      degreesIn('340'),
      degreesIn(' 339,5 '),
      degreesIn('hot'),
      degreesIn(''),
      degreesIn('900'),
    ]).toEqual([340, 339.5, undefined, undefined, undefined]);
  });
});
