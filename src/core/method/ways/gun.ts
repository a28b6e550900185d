import { mixture } from '~/core/solder/mixture';
import { holeTouch } from '../hand/holeTouch';
import { padOrder } from '../request';
import { touchSteps } from '../steps/heatSteps';
import { step } from '../steps/step';
import { clinchedFirst, fittingNozzles, hasHoles } from './hole';
import { forbids, hurtForbids, notes, NOTHING, padsInWords, type Method } from './method';

/** Past this share of its bore closed a gun draws too little air to empty a hole (assumed, common practice). */
const CLOGGED = 0.5;

export const gun: Method = {
  id: 'gun',
  name: 'Desoldering gun, hole by hole',
  phases: ['remove'],
  about: 'The hollow tip stands on the pad over the lead; suction starts once the whole barrel is liquid.',
  failure: 'A plane pin’s far side stays solid as suction chills it, and holds.',
  leaves: 'Clear holes, clean pads, the part whole.',
  needs: { ...NOTHING, freshSolder: 'usual' },
  survival: 0.95,
  harm: 0.03,
  hands_s: { once: 60, perPad: 6 },
  heat: {
    kind: 'hand',
    key: 'gun, hole by hole',
    toolsOf: (request) =>
      request.guns.flatMap((tool) => {
        const tips = fittingNozzles(request, tool);
        return tips.length > 0 ? [{ ...tool, tips }] : [];
      }),
    touchesOf: (request, setting) => padOrder(request).map((pad) => holeTouch(request, setting, pad)),
    freshSolder: true,
  },
  suits: hasHoles,
  release: 'freed',
  cold: clinchedFirst,
  rules: (request) => [
    ...(request.guns.length === 0
      ? [forbids('No desoldering gun is on the bench.')]
      : request.guns.every((tool) => fittingNozzles(request, tool).length === 0)
        ? [forbids('No nozzle of the gun goes over this lead and stands on its land.')]
        : []),
    ...(request.guns.length > 0 && request.guns.every((tool) => (tool.clogged ?? 0) > CLOGGED)
      ? [forbids('The gun’s nozzle is more than half closed: clean it before it is asked to clear anything.')]
      : []),
    ...hurtForbids(request, 'suction and the nozzle’s edge pull it off'),
    ...(request.site.clinched
      ? [notes('Clinched leads keep the nozzle off the pad: cut them flush or straighten them first.')]
      : []),
  ],
  work: (request, setting, bands) => [
    step({
      id: 'solder',
      kind: 'do',
      title: 'Add fresh solder',
      detail: `A bead on ${padsInWords(padOrder(request))}.`,
      why: `It wets, it carries heat, and an old joint melts sooner (${mixedWords(request.site.alloy)}).`,
      cautions: ['lead'],
    }),
    ...touchSteps(request, setting, bands, {
      title: (pins) => `Clear ${pins}`,
      detail:
        'Nozzle flat on the pad, lead inside. When the lead moves freely, trigger and circle once, then off.',
      cautions: ['fume', 'eyes'],
    }),
  ],
};

const mixedWords = (alloy: Parameters<typeof mixture>[0][number]['alloy']): string =>
  alloy === 'sac305' || alloy === 'sn993cu07' ? 'leaded wire brings lead-free down' : 'oxide is left behind';
