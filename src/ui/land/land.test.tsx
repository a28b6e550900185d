// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { PAD_STATE_IDS, PAD_STATES, padStateOfLetter } from '~/core/record/padStates';
import { throughHolePackage } from '~/schema/values/package';
import { LandDrawing } from './LandDrawing';
import { TypedNumber } from './typedNumber';
import { nextPad } from './walk';

afterEach(cleanup);

const GRID = [
  { pad: '1', x: 0, y: 0 },
  { pad: '2', x: 2, y: 0 },
  { pad: '3', x: 4, y: 0 },
  { pad: '4', x: 4, y: 3 },
];

describe('walking pads with arrows', () => {
  it('goes to the nearest pad that way, and stays where there is none', () => {
    expect(nextPad(GRID, '1', 'ArrowRight')).toBe('2');
    expect(nextPad(GRID, '3', 'ArrowDown')).toBe('4');
    expect(nextPad(GRID, '1', 'ArrowLeft')).toBeNull();
    expect(nextPad(GRID, null, 'ArrowUp')).toBe('1');
    expect(nextPad(GRID, '1', 'Enter')).toBeNull();
  });
});

describe('typing a pin’s number', () => {
  const names = ['1', '2', '4', '10', '14', '41', '100'];

  it('takes digits together that follow closely, and begins anew after a pause or another key', () => {
    const typed = new TypedNumber();
    expect(typed.digit('1', 0, names)).toBe('1');
    expect(typed.digit('0', 300, names)).toBe('10');
    expect(typed.digit('0', 600, names)).toBe('100');
    expect(typed.digit('4', 3000, names)).toBe('4');
    expect(typed.digit('1', 3200, names)).toBe('41');
    typed.forget();
    expect(typed.digit('2', 3300, names)).toBe('2');
  });

  it('a digit that leads nowhere begins a new number', () => {
    const typed = new TypedNumber();
    typed.digit('1', 0, names);
    typed.digit('4', 100, names);
    expect(typed.digit('4', 200, names)).toBe('4');
    expect(typed.digit('7', 300, names)).toBeNull();
  });
});

describe('pad states', () => {
  it('have a letter each, no two alike', () => {
    const letters = PAD_STATE_IDS.map((id) => PAD_STATES[id].letter);
    expect(new Set(letters).size).toBe(letters.length);
    expect(padStateOfLetter('l')).toBe('lifted');
    expect(padStateOfLetter('z')).toBeNull();
  });
});

describe('the land drawing', () => {
  const part = throughHolePackage.parse({
    family: 'radial',
    pitch_mm: 5,
    leadDiameter_mm: 0.6,
    holeDiameter_mm: 0.9,
  });
  const draw = (selected: string | null) => {
    const onSelect = vi.fn();
    render(
      <LandDrawing
        part={part}
        from="solder side"
        selected={selected}
        onSelect={onSelect}
        pads={[
          {
            name: '1',
            net: '<b>OUT</b>',
            connections: [{ kind: 'track', width_mm: 0.4, count: 1 }],
            state: 'sound',
          },
          { name: '2', net: 'GND', connections: [{ kind: 'solid-plane', layers: [2] }], state: 'lifted' },
        ]}
      />,
    );
    return { onSelect, box: screen.getByRole('listbox') };
  };

  it('names each pad with its net, copper and state, markup as text', () => {
    draw(null);
    expect(screen.getByRole('option', { name: /Pin 1, <b>OUT<\/b>, track, Sound/ })).toBeTruthy();
    expect(screen.getByRole('option', { name: /Pin 2, GND, solid-plane, Lifted/ })).toBeTruthy();
    expect(document.querySelector('b')).toBeNull();
  });

  it('digits and arrows choose a pad', () => {
    const { onSelect, box } = draw('2');
    fireEvent.keyDown(box, { key: '1' });
    expect(onSelect).toHaveBeenLastCalledWith('1', false);
    // Seen from the solder side pin 2 lies to the left of pin 1.
    fireEvent.keyDown(box, { key: 'ArrowRight' });
    expect(onSelect).toHaveBeenLastCalledWith('1', false);
  });

  it('says that no part stands on its lands, by word and by a broken outline', () => {
    render(
      <LandDrawing
        part={part}
        from="solder side"
        selected={null}
        onSelect={vi.fn()}
        empty="off, kept"
        pads={[{ name: '1', net: '', connections: [], state: 'sound' }]}
      />,
    );
    expect(screen.getByText(/off, kept/)).toBeTruthy();
    expect(document.querySelector('[data-empty]')).not.toBeNull();
  });

  it('a pad is hit beside its land too, but never over its neighbour’s', () => {
    draw(null);
    const hits = [...document.querySelectorAll('[role="option"] > rect:first-of-type')].map((rect) => ({
      x0: Number(rect.getAttribute('x')),
      x1: Number(rect.getAttribute('x')) + Number(rect.getAttribute('width')),
    }));
    expect(hits).toHaveLength(2);
    const [left, right] = hits.sort((a, b) => a.x0 - b.x0);
    expect(left!.x1).toBeLessThan(right!.x0);
    expect(left!.x1 - left!.x0).toBeGreaterThan(1.8);
  });

  it('keeps its hands off keys that are not its own', () => {
    const { box } = draw('1');
    expect(fireEvent.keyDown(box, { key: ' ' })).toBe(true);
    // Letters belong to the screen: the lands themselves record nothing.
    expect(fireEvent.keyDown(box, { key: 'l' })).toBe(true);
  });
});
