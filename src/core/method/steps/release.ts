import { padNamesOf } from '~/core/packages/form';
import { matesOf, type PhaseRequest } from '../request';
import type { Release } from '../ways/method';
import { cleanSite } from './cleaning';
import { coolSteps } from './coolDown';
import { dressing } from './dressing';
import type { PhaseWork } from './phaseWork';
import { step, type Step } from './step';

/** How the part leaves, and what is done with it and its lands. `alone`: no other half follows. */
export function afterRemoval(phase: PhaseWork, alone: boolean): Step[] {
  const { request, method } = phase;
  return [
    ...release(request, method.release ?? 'molten'),
    ...coolSteps(phase),
    ...(request.goal === 'read-and-refit' ? [readPart(request)] : []),
    ...(method.after?.(request) ?? []),
    ...dressing(phase),
    ...(request.goal === 'remove-keep-part' ? [store(request)] : []),
    // Where nothing follows, the last cleaning is this one.
    ...(alone ? [] : [cleanSite()]),
  ];
}

const RELEASED: Readonly<
  Record<Exclude<Release, 'gone'>, { readonly title: string; readonly detail: string }>
> = {
  molten: {
    title: 'Lift the part',
    detail: 'At once, while all is molten, straight up and without force. If one holds, stop and heat again.',
  },
  freed: {
    title: 'Take the part out',
    detail: 'Every lead moves on its own: straight up, without force. If one holds, that one is freed again.',
  },
  rocked: {
    title: 'Out with its last leg',
    detail: 'While the last joint is molten, in the same breath. If it holds, melt that one again.',
  },
};

/** How the part leaves; a part that was cut or twisted off has left already. */
function release(request: PhaseRequest, how: Release): Step[] {
  if (how === 'gone') return [];
  const mates = matesOf(request)
    .slice(1)
    .map((mate) => mate.ref);
  const { title, detail } = RELEASED[how];
  return [
    step({
      id: how === 'freed' ? 'take-out' : 'lift',
      kind: 'gate',
      effect: 'part-off',
      title,
      detail: `${detail}${mates.length > 0 ? ` Then ${mates.join(', ')} in the same heat.` : ''}`,
      why: 'Most lifted pads are pulled, not burnt.',
      cautions: ['hot-board'],
    }),
  ];
}

const store = ({ site, history }: PhaseRequest): Step =>
  step({
    id: 'store',
    kind: 'do',
    title: 'Put the part away',
    detail: `Static-safe bag, marked ${site.ref}, board, and heat number ${history.partCycles + 1}. Leads straight and clean.`,
    why: 'A pulled part without its story is thrown away, or fitted once too often.',
  });

/** More pins than this can hold contents; fewer hold a value that is measured. */
const MEASURED_PINS = 3;

const readPart = ({ site }: PhaseRequest): Step =>
  padNamesOf(site.part).length <= MEASURED_PINS
    ? step({
        id: 'read',
        kind: 'gate',
        title: 'Measure the part out of circuit',
        detail:
          'Leads cleaned, value and loss against its marking and limits; twice, leads turned over. What reads wrong does not go back.',
        why: 'In circuit its neighbours were measured with it.',
      })
    : step({
        id: 'read',
        kind: 'gate',
        title: 'Read the part, and read it again',
        detail: 'Two reads alike, checksum written down, before it goes anywhere near the iron again.',
        why: 'What is in it may exist nowhere else.',
      });
