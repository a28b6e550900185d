// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { AIR_SETTING, airSheetOf } from '../../../tests/support/airField';
import { AirPanel } from './AirPanel';
import type { AirSet } from './state';

afterEach(cleanup);

const SET: AirSet = { setting: { ...AIR_SETTING, preheat: null }, airOn_s: 120 };
const PREHEATER = {
  name: 'Warm-air preheater',
  usual: { kind: 'convective' as const, setpoint_C: 150, soak_s: 120 },
  range_C: [60, 200] as const,
};

function panel(changes: Partial<Parameters<typeof AirPanel>[0]> = {}) {
  const heard = { onChange: vi.fn(), onTime: vi.fn(), run: vi.fn() };
  const [station] = airSheetOf().stations;
  render(<AirPanel station={station!} set={SET} preheater={PREHEATER} {...heard} {...changes} />);
  return heard;
}

describe('what is set for hot air', () => {
  it('are the plan’s own settings, each within what the station reaches', () => {
    const heard = panel();
    const air = screen.getByLabelText<HTMLInputElement>('Air at the nozzle');
    expect([air.min, air.max, air.value]).toEqual(['100', '480', '380']);
    fireEvent.change(air, { target: { value: '400' } });
    expect(heard.onChange).toHaveBeenLastCalledWith({ setpoint_C: 400 });
    fireEvent.change(screen.getByLabelText('Flow'), { target: { value: '60' } });
    expect(heard.onChange).toHaveBeenLastCalledWith({ flow_L_min: 60 });
    fireEvent.change(screen.getByLabelText('Stand-off'), { target: { value: '12' } });
    expect(heard.onChange).toHaveBeenLastCalledWith({ standoff_mm: 12 });
  });

  it('has time of its own: how long the air stays on is not the tool’s', () => {
    const heard = panel();
    fireEvent.change(screen.getByLabelText('Air on for'), { target: { value: '200' } });
    expect(heard.onTime).toHaveBeenCalledWith(200);
    expect(heard.onChange).not.toHaveBeenCalled();
  });

  it('offers the station’s nozzles by their size', () => {
    const heard = panel();
    const nozzle = screen.getByLabelText<HTMLSelectElement>('Nozzle');
    expect([...nozzle.options].map((o) => o.text)).toEqual(['⌀ 8 mm', '30 × 30 mm', '18 × 18 mm']);
    fireEvent.change(nozzle, { target: { value: nozzle.options[0]!.value } });
    expect(heard.onChange).toHaveBeenCalledWith({ nozzle: { diameter_mm: 8 } });
  });

  it('warms from below at the preheater’s usual setting, and turns it then', () => {
    const heard = panel();
    expect(screen.queryByLabelText('Preheater')).toBeNull();
    fireEvent.click(screen.getByText('150 °C, 120 s first'));
    expect(heard.onChange).toHaveBeenCalledWith({ preheat: PREHEATER.usual });
    cleanup();
    const warm = panel({ set: { ...SET, setting: { ...SET.setting, preheat: PREHEATER.usual } } });
    fireEvent.change(screen.getByLabelText('Preheater'), { target: { value: '180' } });
    expect(warm.onChange).toHaveBeenCalledWith({ preheat: { ...PREHEATER.usual, setpoint_C: 180 } });
    fireEvent.click(screen.getByText('off'));
    expect(warm.onChange).toHaveBeenLastCalledWith({ preheat: null });
  });

  it('says nothing of warmth from below where the bench has no preheater', () => {
    panel({ preheater: null });
    expect(screen.queryByText(/From below/)).toBeNull();
  });

  it('says by word whether foil lies around', () => {
    const heard = panel();
    fireEvent.click(screen.getByRole('button', { name: /No foil/ }));
    expect(heard.run).toHaveBeenCalledWith('foil');
    cleanup();
    panel({ set: { ...SET, setting: { ...SET.setting, shielded: true } } });
    expect(screen.getByRole('button', { name: /Foil around/ }).getAttribute('aria-pressed')).toBe('true');
  });
});
