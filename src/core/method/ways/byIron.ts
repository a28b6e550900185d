import { throughHole } from '../hand/holeTouch';
import { keepsPart } from '../goals';
import { padOrder, type PhaseRequest } from '../request';
import { touchSteps } from '../steps/heatSteps';
import { step, type Step } from '../steps/step';
import { TIGHT_HOLE } from './data';
import { clinchedFirst, EACH_HOLE, EACH_STUB, hasHoles } from './hole';
import { noIron } from './lands';
import {
  forbids,
  hurtForbids,
  hurtPads,
  lossOfPart,
  notes,
  NOTHING,
  padsInWords,
  type Method,
} from './method';

/** More legs than this cannot be walked out by rocking one at a time (common practice). */
const ROCKABLE_PINS = 3;

const pinsOf = ({ site }: PhaseRequest): number => throughHole(site).pins;

const freshSolder = (request: PhaseRequest): Step =>
  step({
    id: 'solder',
    kind: 'do',
    title: 'Add fresh solder',
    detail: `A bead of about 3 mm of 0.8 mm wire on ${padsInWords(padOrder(request))}.`,
    why: 'It wets, it bridges tip to pad and lead, and an old joint melts sooner.',
    cautions: ['lead'],
  });

export const legAtATime: Method = {
  id: 'leg-at-a-time',
  name: 'Iron, one lead at a time, rocking the part',
  phases: ['remove'],
  about: 'Each joint is melted in turn and the part rocked a little out of it.',
  failure: 'Rocked while the far side still holds, the barrel or the pad comes with the lead.',
  leaves: 'Holes closed with solder, pads tinned, the part whole.',
  needs: { ...NOTHING, freshSolder: 'usual', braid: true },
  survival: 0.95,
  harm: 0.06,
  hands_s: { once: 20, perPad: 12 },
  heat: EACH_HOLE,
  suits: hasHoles,
  release: 'rocked',
  cold: clinchedFirst,
  rules: (request) => [
    ...noIron(request),
    ...hurtForbids(request, 'rocking pulls it off'),
    ...(pinsOf(request) > ROCKABLE_PINS
      ? [
          forbids(
            `${pinsOf(request)} pins must be free at the same time and one iron frees one: up to ${ROCKABLE_PINS} legs can be rocked out.`,
          ),
        ]
      : [
          notes(
            `With ${pinsOf(request)} leg${pinsOf(request) > 1 ? 's' : ''} the part can be rocked out one leg at a time.`,
          ),
        ]),
  ],
  work: (request, setting, bands) => [
    freshSolder(request),
    ...touchSteps(request, setting, bands, {
      title: (pins) => `Heat ${pins}`,
      detail:
        'Tip flat on pad and lead together. When the whole joint moves, rock the lead free, then iron off.',
    }),
  ],
};

export const pumpOrWick: Method = {
  id: 'pump-or-wick',
  name: 'Iron with pump and braid, hole by hole',
  phases: ['remove'],
  about: 'Each hole is filled with fresh solder, melted through, and pumped; what is left is wicked.',
  failure: 'A skin of solder along the wall holds a lead that looks free.',
  leaves: 'Clear or nearly clear holes, the part whole.',
  needs: { ...NOTHING, freshSolder: 'usual', braid: true },
  survival: 0.9,
  harm: 0.06,
  hands_s: { once: 40, perPad: 20 },
  heat: EACH_HOLE,
  suits: hasHoles,
  release: 'freed',
  cold: clinchedFirst,
  rules: (request) => {
    const { holeDiameter_m, leadDiameter_m } = throughHole(request.site);
    const room_m = holeDiameter_m - leadDiameter_m;
    return [
      ...noIron(request),
      ...(room_m < TIGHT_HOLE.clearance.value - 1e-9 && pinsOf(request) > ROCKABLE_PINS
        ? [
            forbids(
              `The holes leave ${(room_m * 1e3).toFixed(2)} mm about the lead: a pump does not clear so tight a hole.`,
            ),
          ]
        : []),
      ...(request.site.clinched ? [notes('Clinched leads are cut flush first.')] : []),
      ...(hurtPads(request).length > 0
        ? [notes(`Pin ${hurtPads(request).join(', ')} is wicked, not pumped: its pad is damaged.`)]
        : []),
    ];
  },
  work: (request, setting, bands) => [
    freshSolder(request),
    ...touchSteps(request, setting, bands, {
      title: (pins) => `Clear ${pins}`,
      detail:
        'Tip on pad and lead until the far side moves, then pump close over it. The lead is left to stand free.',
    }),
    step({
      id: 'wiggle',
      kind: 'inspect',
      title: 'Wiggle every pin',
      detail:
        'Each must move in its hole on its own. If one holds, stop: solder it again and clear it again.',
      why: 'Most lifted pads are pulled, not burnt.',
    }),
  ],
};

const ON_ITS_BASE =
  'Its base sits on the board and leaves no room for cutters: only where no pin can be freed.';
/** Bodies under which cutters find no lead. */
const NO_ROOM: Readonly<Record<string, string>> = {
  radial:
    'A can that sits flat leaves no room for cutters at its leads, and cut open it spills: only where no lead can be freed.',
  relay: ON_ITS_BASE,
  switch: ON_ITS_BASE,
  transformer: ON_ITS_BASE,
};

/** How bodies that are no plain pack are cut. */
const CUT_WORDS: Readonly<Record<string, string>> = {
  radial: 'Lean the can, cutters into the gap, one lead, then the other; no levering. Wipe up what spills.',
  cell: 'One tab, then tape over its end, then the other. Cutters across both short the cell.',
  relay: 'Cover off, then flush cutters at each pin, no levering. Leave the stubs standing.',
  display: 'Cutters under the glass, at each pin, no levering: glass splinters. Leave the stubs standing.',
};

export const cutThenPins: Method = {
  id: 'cut-then-pins',
  name: 'Cut the body away, then a pin at a time',
  phases: ['remove'],
  about: 'The pins are cut at the body; each stub is then melted and taken out alone.',
  failure: 'Cutters that lever on the board crack pads and tracks.',
  leaves: 'Holes closed with solder, pads tinned, no part.',
  needs: { ...NOTHING, freshSolder: 'usual', braid: true },
  survival: 0,
  harm: 0.04,
  hands_s: { once: 30, perPad: 10 },
  heat: EACH_STUB,
  suits: (request) => hasHoles(request) && pinsOf(request) > 1,
  lastResort: ({ site }) => NO_ROOM[site.part.family] ?? null,
  rules: (request) => [
    ...noIron(request),
    ...lossOfPart(request, keepsPart(request.goal)),
    notes(`The part is given up, so each of its ${pinsOf(request)} pins comes out alone.`),
  ],
  release: 'gone',
  cold: (request) => [
    step({
      id: 'cut',
      kind: 'do',
      title: 'Cut the body away',
      detail:
        CUT_WORDS[request.site.part.family] ??
        'Flush cutters at each pin, no levering; leave the stubs standing.',
      why: 'The part is given up so that each pin can be taken alone and no pad is pulled.',
      effect: 'part-off',
      cautions: ['eyes'],
    }),
  ],
  work: (request, setting, bands) => [
    freshSolder(request),
    ...touchSteps(request, setting, bands, {
      title: (pins) => `Take out ${pins}`,
      detail: 'Tip on pad and stub. When it moves, lift the stub out with tweezers, then iron off.',
    }),
  ],
};
