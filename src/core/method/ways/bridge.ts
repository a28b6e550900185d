import { PAD_STATES } from '~/core/record/padStates';
import { padOrder, type PhaseRequest } from '../request';
import { touchSteps } from '../steps/heatSteps';
import { EACH_JOINT, noIron } from './lands';
import { forbids, NOTHING, padsInWords, type Method, type Rule } from './method';

/** Pads that were found bridged, in the order of work. */
const bridgedPads = (request: PhaseRequest): string[] =>
  padOrder(request).filter((pad) => request.site.padStates[pad] === 'bridged');

/** The rule of every way that melts a whole part again: where nothing but a bridge is wrong, the other joints are left alone. */
export function bridgedOnly(request: PhaseRequest): Rule[] {
  const bridged = bridgedPads(request);
  const others = Object.entries(request.site.padStates).filter(
    ([, state]) => state !== 'bridged' && PAD_STATES[state].defect,
  );
  return request.phase === 'reflow' && bridged.length > 0 && others.length === 0
    ? [
        forbids(
          `Nothing but the bridge at ${padsInWords(bridged)} is wrong: it is cleared there, the other joints are left alone.`,
        ),
      ]
    : [];
}

export const clearBridge: Method = {
  id: 'clear-bridge',
  name: 'Wick the bridge, at its pins alone',
  phases: ['reflow'],
  about: 'Flux, then braid or a clean wet tip draws the bridge away along the leads; nothing else is heated.',
  failure: 'Too little flux, and the bridge only moves on to the next pin.',
  leaves: 'Two joints with less solder than their neighbours, to be looked at.',
  needs: { ...NOTHING, braid: true },
  survival: 0.99,
  harm: 0.02,
  hands_s: { once: 20, perPad: 5 },
  heat: {
    ...EACH_JOINT,
    key: 'iron, bridged pins',
    freshSolder: false,
    touchesOf: (request, setting) => {
      const bridged = new Set(bridgedPads(request));
      return EACH_JOINT.touchesOf(request, setting).filter(({ name }) => bridged.has(name));
    },
  },
  suits: (request) => bridgedPads(request).length > 0,
  rules: noIron,
  work: (request, setting, bands) =>
    touchSteps(request, setting, bands, {
      title: (pins) => `Clear the bridge at ${pins}`,
      detail:
        'Fluxed braid on the bridge, tip on the braid, drawn away along the lead. Look from both sides.',
      ifNotMolten: 'Tip off. More flux, fresh braid, once more; a wider tip where it drinks too slowly.',
    }),
};
