import { dryingUnder_s, WARM_AIR_K } from '~/core/drying/underBody';
import { isSurface } from '~/core/packages/form';
import { wholeCelsius } from '~/core/quantity/convert';
import { PLAN } from '../settings';
import type { PhaseWork } from './phaseWork';
import { step, type Step } from './step';

/** How a job ends: clean, dry, looked at, measured, and only then powered. */

/** Between the halves of a job, where the next part would hide what is left. */
export const cleanSite = (): Step =>
  step({
    id: 'clean-site',
    kind: 'do',
    title: 'Clean the site',
    detail: 'Iron in its stand, board under 50 °C. Solvent and brush, blot, air.',
    why: 'Residue hides cracks and lifted pads, and goes off under the next part.',
    cautions: ['solvent'],
  });

export const cleanAll = (): Step =>
  step({
    id: 'clean',
    kind: 'do',
    title: 'Clean',
    detail: 'Iron in its stand, board under 50 °C. Solvent and brush, blot, then air.',
    why: 'Residue near high-impedance nodes leaks, and hides cracks.',
    cautions: ['solvent'],
  });

/** As long as the gap beneath the part that stays takes, or the board to come down. */
export function dry(phases: readonly PhaseWork[]): Step {
  const { site, phase } = phases.at(-1)!.request;
  const cooled_s = Math.max(...phases.map((p) => (p.coolDown ? 0 : (p.coolDown_s ?? 0))));
  const under_s = phase === 'remove' || !isSurface(site.part) ? null : dryingUnder_s(site.part);
  const beneath =
    under_s !== null && under_s > PLAN.underPartDry_s
      ? ` Warm air at ${wholeCelsius(WARM_AIR_K)} °C meanwhile: without it the gap under ${site.ref} takes some times as long.`
      : '';
  return step({
    id: 'dry',
    kind: 'wait',
    title: 'Let it dry and cool',
    detail: `No power before this clock ends.${beneath}`,
    why: 'Solvent under bodies conducts for minutes after the open surface looks dry.',
    wait_s: Math.ceil(Math.max(PLAN.underPartDry_s, cooled_s, under_s ?? 0)),
    cautions: ['hot-board'],
  });
}

export const supply = (): Step =>
  step({
    id: 'supply',
    kind: 'gate',
    title: 'Supply before first power',
    detail: 'Voltage, polarity and limit read from the supply itself, against the unit’s label.',
    why: 'A wrong supply is a classic root cause and a classic way to kill a just-repaired board.',
  });
