import { isSurface } from '~/core/packages/form';
import { padOrder, type PhaseRequest } from '../request';
import { padsInWords } from '../ways/method';
import { step, type Step } from './step';

/** What a site needs between a part and the next: lands flat, holes clear, looked at and read. */
export function dressing(request: PhaseRequest): Step[] {
  const order = padOrder(request);
  const holes = !isSurface(request.site.part);
  return [
    step({
      id: 'dress',
      kind: 'do',
      title: holes ? 'Dress the holes' : 'Dress the lands',
      detail: `Pump or wick ${padsInWords(order)} ${holes ? 'clear; lands flat' : 'flat; never drag braid across dry'}.`,
      why: holes
        ? 'A clear hole takes the new lead without pushing the barrel out.'
        : 'A flat land lets the new part lie down.',
      cautions: ['fume'],
    }),
    step({
      id: 'inspect',
      kind: 'inspect',
      title: 'Inspect before anything hides it',
      detail:
        'Lands flat and still bonded, rings whole, no bridge, vias and tracks whole where the body hid them; each pad to its next point by meter. Mark what you find.',
      why: 'A lifted pad found now is a small repair; found after the new part hides it, it is a fault.',
    }),
  ];
}
