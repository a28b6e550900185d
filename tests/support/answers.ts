import type { OptionAnswer, PinAnswer } from '~/schema/exchange/plan/planAnswer';

/** A setting and a pin as a plan answers with them; each test says what it changes. */

export const OPTION: OptionAnswer = {
  method: 'leg-at-a-time',
  tool: 'Iron',
  toolId: 'iron',
  tip: { shape: 'chisel', width_mm: 2.4, construction: 'cartridge' },
  kind: 'hand',
  nozzle: null,
  setpoint_C: 340,
  perPad_C: {},
  preheat: null,
  flow_L_min: null,
  standoff_mm: null,
  approach_s: 0,
  shielded: false,
  fluxed: true,
  freshSolder: true,
  melt_s: { p10: null, p50: 1, p90: null },
  liftFrom_s: 2.2,
  stop_s: 6,
  padDose: { p50: 0.03, p90: null },
  laminateDose: 0,
  partPeak_C: 40,
  rampRatio: null,
  warp_pct: null,
  neighboursAtRisk: [],
  coolDown_s: null,
  feasible: true,
};

export const pin = (part: Partial<PinAnswer>): PinAnswer => ({
  pad: '1',
  pads: [],
  draws: 200,
  melt_s: { p10: 0.5, p50: 0.8, p90: 1.2 },
  liftFrom_s: 1.3,
  holdAfterMelt_s: 2,
  stop_s: 6,
  stopBecause: 'pad budget',
  chanceSolidAtStop: 0.01,
  sure: true,
  padPeak_C: null,
  padDose: { p10: 0.01, p50: 0.02, p90: 0.05 },
  laminateDose: { p10: 0, p50: 0, p90: 0 },
  ...part,
});
