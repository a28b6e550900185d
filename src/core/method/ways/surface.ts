import { FLOOD, WIRE } from '~/core/materials/consumables';
import { hasTabs, padNamesOf } from '~/core/packages/form';
import { keepsPart, type Phase } from '../goals';
import type { PinBand } from '../hand/bands';
import { padOrder, type PhaseRequest, type Setting } from '../request';
import { pinsInWords, strokeStep, touchSteps, type HeatWords } from '../steps/heatSteps';
import { oppositeOf, sidesOf } from '../steps/sides';
import { step, type Step } from '../steps/step';
import { bridgedOnly } from './bridge';
import {
  allLands,
  ALONG_ROWS,
  EACH_JOINT,
  EACH_LAND,
  isFamily,
  LEADED,
  noIron,
  TABBED,
  TWO_ENDED,
} from './lands';
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

const flux = (request: PhaseRequest) =>
  step({
    id: 'bead',
    kind: 'do',
    title: 'Flux and a little fresh solder',
    detail: `On ${padsInWords(padOrder(request))}.`,
    why: 'Fresh solder bridges tip and joint; an oxidised touch passes heat five to ten times worse.',
    cautions: ['fume', 'lead'],
  });

export const tweezers: Method = {
  id: 'tweezers',
  name: 'Hot tweezers on both ends',
  phases: ['remove', 'reflow', 'fit'],
  about:
    'A hot tip on each end melts both joints at once; the part is lifted, straightened or set between them.',
  failure: 'Squeezed before both ends are liquid, the end cap or a pad tears off.',
  leaves: 'Two tinned pads; the part whole.',
  needs: { ...NOTHING, freshSolder: 'usual' },
  survival: 0.95,
  harm: 0.03,
  hands_s: { once: 15, perPad: 3 },
  release: 'molten',
  heat: allLands('tweezers', 'each', (request) => request.tweezers),
  suits: (request) =>
    isFamily(request, ...TWO_ENDED) || (request.phase !== 'fit' && isFamily(request, 'canElectrolytic')),
  rules: (request) => [
    ...(request.tweezers.length === 0
      ? [
          forbids(
            request.irons.length > 1
              ? 'No hot tweezers are on the bench; two irons do the same in two hands, with a helper to lift.'
              : 'No hot tweezers are on the bench.',
          ),
        ]
      : []),
    ...bridgedOnly(request),
    ...(isFamily(request, 'canElectrolytic')
      ? [notes('The tips must reach the tabs under the base; the can itself must not be touched.')]
      : []),
  ],
  work: (request, setting, bands) => [
    ...(request.phase === 'fit' ? [] : [flux(request)]),
    ...touchSteps(request, setting, bands, BETWEEN_TIPS[request.phase]),
  ],
};

/** What two tips do in each phase; both touch at once, for an end heated alone cracks a ceramic body. */
const BETWEEN_TIPS: Readonly<Record<Phase, HeatWords>> = {
  remove: {
    title: () => 'Heat both ends and lift',
    detail: 'Tips on both ends at once, without pressing. When it slides, lift and put it down beside.',
  },
  reflow: {
    title: () => 'Heat both ends',
    detail: 'Tips on both ends at once, without pressing. When both are bright, straighten it, tips off.',
  },
  fit: {
    title: () => 'Heat both ends and feed each',
    detail:
      'Tips on both ends at once, wire to each in turn. Bright and flat: tips off, and nothing moves it.',
  },
};

export const blobBothEnds: Method = {
  id: 'blob-both-ends',
  name: 'One iron, a blob over both ends',
  phases: ['remove'],
  about:
    'A bead that reaches over all terminations keeps them liquid under one wide tip; the part slides off.',
  failure: 'The blob freezes on one end and the part is pushed against it.',
  leaves: 'Pads under a blob, to be wicked flat; the part whole or with tired end caps.',
  needs: { ...NOTHING, freshSolder: 'blob', braid: true },
  survival: 0.8,
  harm: 0.06,
  hands_s: { once: 20, perPad: 4 },
  release: 'molten',
  heat: allLands('iron over a blob', 'swept', (request) => request.irons, {
    added_m3: WIRE.addedToJoint.value,
  }),
  suits: (request) => isFamily(request, ...TWO_ENDED, 'sot23'),
  rules: (request) => [...noIron(request), ...hurtForbids(request, 'a part slid off takes it along')],
  work: (request, setting, bands) => [
    step({
      id: 'blob',
      kind: 'do',
      title: 'Bridge all ends with a blob',
      detail: 'Flux, then solder until one bead reaches over the whole part.',
      why: 'One bead under one tip keeps all ends liquid together.',
      cautions: ['fume', 'lead'],
    }),
    ...touchSteps(request, setting, bands, {
      title: () => 'Melt the blob and slide it off',
      detail: 'Tip flat along the part. When it swims, slide it off its pads, never up.',
    }),
  ],
};

export const twistOff: Method = {
  id: 'twist-off',
  name: 'Twist the can off, then clean the legs',
  phases: ['remove'],
  about: 'The can is turned sideways off its base cold; base and legs are then taken off with the iron.',
  failure: 'A pad that was already weak comes off with the leg.',
  leaves: 'Base and legs gone, two tinned pads; the part destroyed.',
  needs: { ...NOTHING, freshSolder: 'usual', braid: true },
  survival: 0,
  harm: 0.1,
  hands_s: { once: 25, perPad: 10 },
  heat: { ...EACH_LAND, key: 'iron, land by land' },
  suits: (request) => isFamily(request, 'canElectrolytic'),
  rules: (request) => {
    const hurt = hurtPads(request);
    return [
      ...noIron(request),
      ...lossOfPart(request, keepsPart(request.goal)),
      ...(hurt.length > 0
        ? [
            forbids(
              `Never twist where pads are damaged: ${hurt.map((pad) => `pad ${pad} is ${request.site.padStates[pad]!.replace('-', ' ')}`).join(', ')}.`,
            ),
          ]
        : []),
      ...(request.hazards.includes('leaking-electrolyte')
        ? [forbids('Leaked electrolyte eats the bond under the pads: a twist would take them along.')]
        : []),
      notes('Nothing near it is heated while the can comes off.'),
    ];
  },
  release: 'gone',
  cold: () => [
    step({
      id: 'twist',
      kind: 'do',
      title: 'Twist the can off',
      detail: 'Pliers low on the can, turned slowly about its own axis until it parts. Never pull up.',
      why: 'Turning shears the legs; pulling peels the lands.',
      effect: 'part-off',
      cautions: ['eyes', 'leaking-electrolyte'],
    }),
  ],
  work: (request, setting, bands) => [
    ...touchSteps(request, setting, bands, {
      title: (pins) => `Take ${pins} off`,
      detail: 'Iron on the leg; when it swims, wipe it off its land.',
    }),
  ],
};

export const wickThenLift: Method = {
  id: 'wick-then-lift',
  name: 'Wick side by side, then free lead by lead',
  phases: ['remove'],
  about: 'Each joint is wicked dry and its lead eased off its pad while hot, until the whole part is loose.',
  failure: 'A lead that still sticks lifts its pad as the side is raised.',
  leaves: 'Clean flat pads; leads slightly raised, to be pressed straight.',
  needs: { ...NOTHING, braid: true },
  survival: 0.8,
  harm: 0.08,
  hands_s: { once: 30, perPad: 15 },
  release: 'freed',
  heat: { ...EACH_LAND, key: 'iron through braid, land by land', freshSolder: false },
  suits: (request) => isFamily(request, ...LEADED.filter((family) => family !== 'qfp'), 'sot23', 'sod'),
  rules: (request) => [
    ...noIron(request),
    ...(isFamily(request, 'soj', 'plcc')
      ? [
          forbids(
            'J-leads hide their joints under the body: none can be seen free, so no side may be lifted.',
          ),
        ]
      : []),
    ...(hasTabs(request.site.part)
      ? [forbids('Its tabs hold the body flat: no lead can be eased up until they are molten too.')]
      : []),
    ...(hurtPads(request).length > 0
      ? [forbids(`Easing leads pulls on pads, and pad ${hurtPads(request).join(', ')} is damaged already.`)]
      : []),
  ],
  work: (request, setting, bands) =>
    touchSteps(request, setting, bands, {
      title: (pins) => `Wick ${pins}`,
      detail:
        'Fluxed braid on the joint, tip on the braid. When it has drunk, ease the lead up a hair while hot, tip off.',
    }),
};

export const cutLeads: Method = {
  id: 'cut-leads',
  name: 'Cut the leads, then wipe the lands',
  phases: ['remove'],
  about: 'The leads are cut at the body; the feet are then wiped off with the iron.',
  failure: 'A blade that reaches the board cuts tracks and mask.',
  leaves: 'Pads with old solder, to be wicked flat; no part.',
  needs: { ...NOTHING, freshSolder: 'usual', braid: true },
  survival: 0,
  harm: 0.06,
  hands_s: { once: 40, perPad: 2 },
  heat: ALONG_ROWS,
  suits: (request) => isFamily(request, 'soic', 'ssop', 'tsop', 'qfp'),
  rules: (request) => [...noIron(request), ...lossOfPart(request, keepsPart(request.goal))],
  release: 'gone',
  cold: () => [
    step({
      id: 'cut',
      kind: 'do',
      title: 'Cut every lead at the body',
      detail:
        'Flush cutters, or a blade drawn along the body in many light passes. The board is not the anvil.',
      why: 'With the body gone each foot comes off alone and no pad is pulled.',
      effect: 'part-off',
      cautions: ['eyes'],
    }),
  ],
  work: (request, setting, bands) => {
    const hurt = new Set(hurtPads(request));
    const isHurt = (band: PinBand): boolean => band.pads.some((pad) => hurt.has(pad));
    return [
      ...alongSides(
        request,
        setting,
        bands.filter((band) => !isHurt(band)),
        {
          title: (pins) => `Wipe the feet of ${pins} off`,
          detail:
            'A bead on the tip, drawn along the feet: each swims and comes along. Knock them off, next side.',
        },
      ),
      // Nothing is drawn over a hurt land.
      ...touchSteps(request, setting, bands.filter(isHurt), {
        title: (pins) => `Take the foot of ${pins} off`,
        detail: 'Tip on the foot; when it swims, lift it straight up with tweezers.',
      }),
    ];
  },
};

export const bigTipAndPreheat: Method = {
  id: 'big-tip-and-preheat',
  name: 'Big tip over tab and legs',
  phases: ['remove', 'reflow'],
  about:
    'The widest tip is drawn over the tab and the legs, bridged by solder, until all of them are liquid.',
  failure: 'The tab on its plane never melts through and its pad blisters.',
  leaves: 'Pads under much solder, to be wicked flat; the part whole.',
  needs: { ...NOTHING, freshSolder: 'bead', braid: true },
  survival: 0.85,
  harm: 0.06,
  hands_s: { once: 60, perPad: 6 },
  release: 'molten',
  heat: allLands('iron over tab and legs', 'swept', (request) => request.irons, {
    added_m3: FLOOD.perLead.value,
  }),
  suits: (request) => isFamily(request, ...TABBED),
  rules: (request) => [
    ...noIron(request),
    ...hurtForbids(request, 'a tip drawn over it takes it along'),
    ...bridgedOnly(request),
  ],
  work: (request, setting, bands) => [
    flux(request),
    ...touchSteps(request, setting, bands, {
      title: () => 'Heat tab and legs together',
      detail: 'Tip mostly on the tab, over the legs in between. When it slides, lift.',
    }),
  ],
};

export const jointByJoint: Method = {
  id: 'joint-by-joint',
  name: 'Iron, joint by joint',
  phases: ['fit', 'reflow'],
  about: 'Each joint is heated alone; nothing has to be molten at the same time.',
  failure: 'Solder fed to the tip and not to the joint leaves it cold inside.',
  leaves: 'Joints that can be looked at one by one.',
  needs: { ...NOTHING, freshSolder: 'usual' },
  survival: 0.99,
  harm: 0.02,
  hands_s: { once: 20, perPad: 6 },
  heat: EACH_JOINT,
  suits: (request) => !isFamily(request, 'qfn', 'bga'),
  rules: (request) => [
    ...noIron(request),
    ...bridgedOnly(request),
    notes('Each joint is heated alone; nothing has to be molten at the same time.'),
  ],
  work: (request, setting, bands) =>
    request.phase === 'fit'
      ? anchored(request, setting, bands, SOLDERED, (rest) => touchSteps(request, setting, rest, SOLDERED))
      : touchSteps(request, setting, bands, {
          title: (pins) => `Heat ${pins}`,
          detail: 'Tip on pad and lead, a little fresh solder, off once the whole joint is bright.',
        }),
};

export const drag: Method = {
  id: 'drag',
  name: 'Tack two corners, then drag along each side',
  phases: ['fit'],
  about: 'With two corners tacked, a wet tip is drawn along flooded leads; each takes what it needs.',
  failure: 'Too little flux leaves bridges at the end of a row.',
  leaves: 'Even fillets; a bridge to wick at most at a row’s end.',
  needs: { ...NOTHING, freshSolder: 'usual', braid: true },
  survival: 0.98,
  harm: 0.02,
  hands_s: { once: 60, perPad: 1 },
  heat: ALONG_ROWS,
  suits: (request) => isFamily(request, ...LEADED) && padNamesOf(request.site.part).length > 3,
  rules: (request) => [...noIron(request), ...hurtForbids(request, 'a tip drawn over it takes it along')],
  work: (request, setting, bands) =>
    anchored(request, setting, bands, SOLDERED, (rest) =>
      alongSides(request, setting, rest, {
        title: (pins) => `Drag along ${pins}`,
        detail:
          'Flux over the row, then one stroke: a wet tip drawn along the feet. No slower than the window says.',
      }),
    ),
};

/** One clock a side: nobody times each lead of a row. */
const alongSides = (
  request: PhaseRequest,
  setting: Setting,
  bands: readonly PinBand[],
  { title, detail }: Pick<HeatWords, 'title' | 'detail'>,
): Step[] =>
  sidesOf(
    request.site.part,
    bands.map((band) => band.pad),
  ).map((side) => strokeStep(request, setting, side, { title: title(pinsInWords(side)), detail }));

const SOLDERED: HeatWords = {
  title: (pins) => `Solder ${pins}`,
  detail: 'Tip on pad and lead together, solder fed to the joint and not to the tip, then off.',
};

/** Packs of more pins than this are held at two opposite corners before anything else is soldered. */
const HELD_BY_ONE = 3;

/** One joint, or two opposite corners of a pack; then a look while turning it still costs that little. */
function anchored(
  request: PhaseRequest,
  setting: Setting,
  bands: readonly PinBand[],
  words: HeatWords,
  others: (rest: readonly PinBand[]) => Step[],
): Step[] {
  const [first] = bands;
  if (!first || bands.length === 1) return others(bands);
  const pads = bands.map((band) => band.pad);
  // A socket is held by one pin until it is seen to sit flat.
  const corner =
    bands.length > HELD_BY_ONE && request.goal !== 'fit-socket'
      ? oppositeOf(request.site.part, first.pad, pads)
      : null;
  const anchors = bands.filter((band) => band === first || band.pad === corner);
  const rest = bands.filter((band) => !anchors.includes(band));
  const anchor = { ...words, title: (pins: string) => `Anchor ${pins}` };
  return [
    ...anchors.flatMap((band) => touchSteps(request, setting, [band], anchor)),
    step({
      id: `look-${first.pad}`,
      kind: 'inspect',
      title: 'Look again',
      detail: `${capital(pinsInWords(anchors.map((b) => b.pad)))} hold${anchors.length > 1 ? '' : 's'} the part. Flat? Square? Right way round?`,
      why: 'The last moment at which turning it costs so little.',
      picture: true,
    }),
    ...others(rest),
  ];
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
