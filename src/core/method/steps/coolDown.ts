import { AIR } from '../settings';
import type { CoolDown } from '../air/wayDown';
import type { PhaseWork } from './phaseWork';
import { step, type Step } from './step';

/** A controlled way down after air, with its clock. */
export function coolSteps({ coolDown }: PhaseWork): Step[] {
  if (!coolDown) return [];
  const away =
    coolDown.airAway_s > 0 ? `Draw the nozzle away bit by bit over ${coolDown.airAway_s} s, air on. ` : '';
  const held =
    coolDown.heldPreheat_s > coolDown.airAway_s
      ? coolDown.how === 'preheater held, then off'
        ? `Preheater stays on ${coolDown.heldPreheat_s} s, then off.`
        : `Preheater down to 50 °C over ${Math.round(coolDown.heldPreheat_s / 60)} min, then off.`
      : coolDown.airAway_s > 0
        ? 'Then all heat off.'
        : 'All heat off.';
  return [
    step({
      id: 'cool',
      kind: 'wait',
      title: 'Let it come down, do not move it',
      detail: `${away}${held} Board flat, no fan. Bow left about ${(100 * coolDown.bowLeft).toFixed(2)} % of ${(100 * coolDown.bowLimit).toFixed(2)} %.`,
      why: coolInWords(coolDown),
      wait_s: Math.max(30, coolDown.clock_s),
      cautions: ['hot-board'],
    }),
  ];
}

function coolInWords({ ok, bowLeft, bowLimit, fall_K_s }: CoolDown): string {
  if (ok) return 'Cooled unevenly, the spot that was soft pulls the board out of flat.';
  return bowLeft > bowLimit
    ? 'No way down that was tried keeps the bow within its limit; this one leaves the least.'
    : `Its body falls by ${fall_K_s.toFixed(1)} K/s to the liquidus; ${AIR.coolRamp_K_s} K/s is what such a body is made for (J-STD-020, from memory). No way down that was tried is gentler.`;
}
