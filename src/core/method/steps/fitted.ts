import { isSurface } from '~/core/packages/form';
import { turnOnto } from '~/core/packages/polarity';
import { SURFACE_TRAITS } from '~/core/packages/surfaceFamilies';
import type { PhaseRequest } from '../request';
import { step, type Step } from './step';

/** What is read, set and proved of a part that goes on. */

export const marking = ({ goal }: PhaseRequest): Step =>
  step({
    id: 'marking',
    kind: 'gate',
    title: goal === 'fit-socket' ? 'Look at the socket' : 'Read the marking back',
    detail:
      goal === 'fit-socket'
        ? 'Pins, pitch and row spacing as the part’s; its notch to pin one. Contacts clean, turned-pin or leaf as agreed.'
        : 'Value, rating, suffix, read aloud from the part itself and against the note.',
    why: 'A near-identical part for another variant fails in a confusing way.',
  });

export function seat({ site }: PhaseRequest): Step {
  const { title, detail } = turnOnto({ part: site.part, nets: site.nets ?? {} }, site.polarity);
  return step({
    id: 'seat',
    kind: 'gate',
    title,
    detail: `${detail} Square over its pads, flat${LONG_LEADS.has(site.part.family) ? ', leads formed to the holes and not at the body' : ''}; bend nothing yet.`,
    why: 'A wrongly turned part is found now or by its smoke.',
    picture: true,
  });
}

/** Balls that went through a removal are not used again. */
export const reballed = ({ site, goal }: PhaseRequest): Step[] =>
  isSurface(site.part) && site.part.family === 'bga' && goal === 'read-and-refit'
    ? [
        step({
          id: 'reball',
          kind: 'gate',
          title: 'New balls on the pack',
          detail: 'Old ones wicked off, pads flat; new balls by stencil, re-melted, every one seen.',
          why: 'Balls that were torn apart are of unlike height: some of them would not meet their land.',
        }),
      ]
    : [];

/** Parts whose leads come long; pins of other families are as long as they should be. */
const LONG_LEADS: ReadonlySet<string> = new Set(['radial', 'axial', 'to220', 'to92']);

export const trim = ({ site, phase }: PhaseRequest): Step[] =>
  phase === 'fit' && LONG_LEADS.has(site.part.family)
    ? [
        step({
          id: 'trim',
          kind: 'do',
          title: 'Trim the leads',
          detail:
            'Above the fillet, never into it, the end held so that it does not fly. A class that wants them cut before soldering had it done at the seating; a joint that was cut into is melted once more.',
          why: 'A long end shorts to the case; a cut into the joint cracks it.',
          cautions: ['eyes'],
        }),
      ]
    : [];

/** Joints that no eye reaches are proved some other way. */
export function inspectFitted({ site }: PhaseRequest): Step {
  const hidden = isSurface(site.part) && SURFACE_TRAITS[site.part.family].hidden;
  return step({
    id: 'inspect',
    kind: 'inspect',
    title: 'Inspect',
    detail: hidden
      ? 'Joints hide under the body: X-ray where there is one. Else the outer row at a slant, the part square and at one height, each net by meter. Mark what you find.'
      : isSurface(site.part)
        ? 'Wetting at heel, toe and sides of every foot, no bridge, part square. Mark what you find.'
        : 'Wetting all round, fill to the far side, no bridge, part square. Mark what you find.',
    why: 'A cold joint passes today’s test and fails on the bench of the next visit.',
  });
}

export const meter = ({ site }: PhaseRequest): Step =>
  step({
    id: 'meter',
    kind: 'gate',
    title: 'Continuity and shorts by meter',
    detail: `Each pin of ${site.ref} to its next point; pin to pin; every supply to ground. Held against what was read cold.`,
    why: 'A short is found by a meter, not by a supply.',
  });
