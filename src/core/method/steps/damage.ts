import { isHurt, PAD_STATES } from '~/core/record/padStates';
import { repairFor } from '~/core/record/repairs';
import type { PhaseRequest } from '../request';
import { step, type Step } from './step';

/** Damaged lands are put right before a part hides them; each repair has its own way. */
export function mendSteps({ site }: PhaseRequest): Step[] {
  return Object.entries(site.padStates).flatMap(([pad, state]): Step[] => {
    const repair = isHurt(state) ? repairFor(state) : null;
    if (!repair) return [];
    return [
      step({
        id: `mend-${pad}`,
        kind: 'gate',
        title: `Put pin ${pad} right: ${PAD_STATES[state].name.toLowerCase()}`,
        detail: `${repair.how} Mark it repaired when it is done.`,
        why: 'Under the part it cannot be reached again; left, it opens in use.',
      }),
    ];
  });
}

/** Pads whose land is gone: nothing there takes solder. */
export const landless = ({ site }: PhaseRequest): ReadonlySet<string> =>
  new Set(Object.entries(site.padStates).flatMap(([pad, state]) => (state === 'torn' ? [pad] : [])));

/** Pins without a land are joined by their repair, not soldered to what is not there. */
export const joinSteps = (request: PhaseRequest): Step[] =>
  [...landless(request)].map((pad) =>
    step({
      id: `join-${pad}`,
      kind: 'gate',
      title: `Join pin ${pad} by its repair`,
      detail:
        'Its pad is gone: the repair’s foil or wire goes to the lead. The lead rests, no force on the board.',
      why: 'Solder on bare laminate holds nothing and chars it.',
      cautions: ['fume'],
    }),
  );

/** A repaired land is proved by meter before the job ends. */
export function readSteps({ site }: PhaseRequest): Step[] {
  const hurt = Object.entries(site.padStates).flatMap(([pad, state]) => (isHurt(state) ? [pad] : []));
  if (hurt.length === 0) return [];
  return [
    step({
      id: 'read-lands',
      kind: 'gate',
      title: `Read pin ${hurt.join(', ')} by meter`,
      detail: 'Continuity to the next point of its net, read and recorded on the site’s checklist.',
      why: 'A repair that was not read is a guess; the board stays open until it is.',
    }),
  ];
}
