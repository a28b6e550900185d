import { dryingUnder_s, WARM_AIR_K, waterUnder_s } from '~/core/drying/underBody';
import { DRYING } from '~/core/materials/drying';
import { isSurface } from '~/core/packages/form';
import { wholeCelsius } from '~/core/quantity/convert';
import { PLAN } from '../settings';
import type { PlanRequest } from '../request';
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

type Washed = Pick<PlanRequest, 'hazards' | 'site'>;

/** Leaked electrolyte is salt: alcohol alone leaves it. */
const isWashed = ({ hazards }: Pick<Washed, 'hazards'>): boolean => hazards.includes('leaking-electrolyte');

/** As long as the gap beneath the part takes to let its water go, and no shorter than benches leave it. */
function oven_s({ site: { part } }: Pick<Washed, 'site'>, stays: boolean): number {
  const beneath_s = stays && isSurface(part) ? (waterUnder_s(part, DRYING.lowOven.value) ?? 0) : 0;
  return Math.ceil(Math.max(DRYING.ovenTime.value, beneath_s));
}

/** What washing takes of a board's time with that part on it; nothing where it is not washed. */
export const washing_s = (request: Washed): number =>
  isWashed(request) ? DRYING.washTime.value + oven_s(request, true) : 0;

/** Washed in warm water, the water driven out by alcohol and the rest by an oven. */
export function washSteps(phases: readonly PhaseWork[]): Step[] {
  const { request } = phases.at(-1)!;
  if (!isWashed(request)) return [];
  return [
    step({
      id: 'wash',
      kind: 'wait',
      title: 'Wash it',
      detail: `Ultrasonic or brush, water and cleaner at ${wholeCelsius(DRYING.washWater.value)} °C. Cells, displays and open switches out or covered first.`,
      why: 'Electrolyte is salt in water: what alcohol leaves of it goes on eating copper.',
      wait_s: DRYING.washTime.value,
      cautions: ['leaking-electrolyte'],
    }),
    step({
      id: 'rinse',
      kind: 'do',
      title: 'Rinse with alcohol',
      detail:
        'Flood it with 2-propanol and blow it off, twice: it takes the water along. Then moving air until nothing smells of it.',
      why: 'Water under bodies stays for hours; alcohol is gone in minutes.',
      cautions: ['solvent'],
    }),
    step({
      id: 'oven',
      kind: 'wait',
      title: 'Low oven',
      detail: `${wholeCelsius(DRYING.lowOven.value)} °C. Nothing that smells of alcohol goes in: its vapour in a shut oven goes off.`,
      why: 'What is left of the water sits under bodies and in the laminate’s edges.',
      wait_s: oven_s(request, request.phase !== 'remove'),
      cautions: ['hot-board', 'solvent'],
    }),
  ];
}

/** As long as the gap beneath the part that stays takes, or the board to come down. */
export function dry(phases: readonly PhaseWork[]): Step {
  const { request } = phases.at(-1)!;
  const { site, phase } = request;
  const cooled_s = Math.max(...phases.map((p) => (p.coolDown ? 0 : (p.coolDown_s ?? 0))));
  // What comes out of an oven is dry beneath its parts already.
  const under_s =
    phase === 'remove' || !isSurface(site.part) || isWashed(request) ? null : dryingUnder_s(site.part);
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
