import { celsius } from '~/core/quantity/convert';
import { ALLOYS } from '~/core/materials/alloys';
import { FLOOD } from '~/core/materials/consumables';
import { formOf, padNamesOf } from '~/core/packages/form';
import { mixture, type Mixture } from '~/core/solder/mixture';
import { holeTouch } from '../hand/holeTouch';
import { padOrder, type PhaseRequest } from '../request';
import { PLAN } from '../settings';
import { leadedWireOf, lowMeltOf } from '../solders';
import { touchSteps } from '../steps/heatSteps';
import { wickLowMelt } from '../steps/lowMelt';
import { step } from '../steps/step';
import { hasHoles } from './hole';
import { allLands, isFamily, LEADED, noIron, TABBED } from './lands';
import { forbids, hurtForbids, hurtPads, notes, NOTHING, type Method } from './method';

/** A bead over every lead, and the tip drawn along until the part floats. */
const swept: Method['work'] = (request, setting, bands) => [
  step({
    id: 'flood',
    kind: 'do',
    title: 'Flood the leads',
    detail: 'Flux, then solder along every side until all leads stand in one bead.',
    why: 'The bead carries heat from the tip to leads it does not touch and stays liquid between two passes.',
    cautions: ['lead', 'fume'],
  }),
  ...touchSteps(request, setting, bands, {
    title: () => 'Sweep until it floats',
    detail:
      'Tip along one side, across, along the other, without stopping. When a nudge moves the whole part, lift.',
    ifNotMolten:
      'Iron off, let it set. Warm the board from below, or take a wider tip; never lever a side up.',
  }),
];

export const floodAndSweep: Method = {
  id: 'flood-and-sweep',
  name: 'Flood all joints, sweep the iron, lift',
  phases: ['remove'],
  about: 'A bead over every lead is kept liquid by one iron drawn along all of them until the part floats.',
  failure: 'One side sets while the other is swept; lifted then, its pads come along.',
  leaves: 'Pads under much solder, to be wicked flat; the part whole and bridged all over.',
  needs: { ...NOTHING, freshSolder: 'bead', braid: true },
  survival: 0.85,
  harm: 0.05,
  hands_s: { once: 60, perPad: 3 },
  release: 'molten',
  heat: allLands('iron swept over all', 'swept', (request) => request.irons, {
    added_m3: FLOOD.perLead.value,
  }),
  suits: (request) => isFamily(request, ...LEADED, 'sot23', 'ceramicCrystal'),
  rules: (request) => [...noIron(request), ...hurtForbids(request, 'a tip drawn over it takes it along')],
  work: swept,
};

/** What lead-free joints become under a bead of leaded solder; leaded wire of the bench, or the usual one. */
function leadedMixture(request: PhaseRequest): Mixture {
  const { alloy } = request.site;
  const leaded = leadedWireOf(request)?.alloy ?? 'sn60pb40';
  return mixture([
    { alloy, mass_kg: jointSolder_m3(request) * ALLOYS[alloy].density.value },
    { alloy: leaded, mass_kg: FLOOD.perLead.value * ALLOYS[leaded].density.value },
  ]);
}

export const leadedFlood: Method = {
  ...floodAndSweep,
  id: 'leaded-flood',
  name: 'Flood lead-free joints with leaded solder, sweep, lift',
  about: 'A bead of tin–lead over every lead takes the joints’ melting down by some thirty kelvin.',
  failure: 'A joint the bead never reached stays lead-free and solid, and holds.',
  leaves: 'Pads under leaded solder on a lead-free board: wicked flat, marked, and never mixed by chance.',
  needs: { ...NOTHING, freshSolder: 'bead', braid: true, leaded: true },
  heat: allLands('iron swept over all, leaded', 'swept', (request) => request.irons, {
    added_m3: FLOOD.perLead.value,
    melting: leadedMixture,
    longest_s: PLAN.longestSweep_s,
  }),
  suits: (request) => floodAndSweep.suits(request) && ALLOYS[request.site.alloy].leadFreeProcess,
  rules: (request) => [
    ...floodAndSweep.rules(request),
    ...(leadedWireOf(request) ? [] : [forbids('No leaded wire is in stock.')]),
    notes(mixtureInWords(leadedMixture(request))),
  ],
  lastResort: () =>
    'It leaves lead on a board that has none: only where nothing else will do, and where that is allowed.',
};

/** Low-melt alloy fed to each joint: what bridges to the next lead, and through a hole some of what stands in it. */
export function lowMeltPerPad_m3(request: PhaseRequest): number {
  return hasHoles(request) ? FLOOD.lowMeltShare.value * jointSolder_m3(request) : FLOOD.perLead.value;
}

const jointSolder_m3 = ({ site, board }: PhaseRequest): number =>
  formOf(site.part, site.alloy, board.thickness_m).pads[0]!.solder_m3;

/** What the joints become once flooded: the same volumes that the heat model floods them with. */
export function floodedMixture(request: PhaseRequest): Mixture {
  const { alloy } = request.site;
  const low = lowMeltOf(request);
  return mixture([
    { alloy, mass_kg: jointSolder_m3(request) * ALLOYS[alloy].density.value },
    { alloy: low, mass_kg: lowMeltPerPad_m3(request) * ALLOYS[low].density.value },
  ]);
}

const EACH_LEADED = allLands('iron swept over all, low-melt', 'swept', (request) => request.irons, {
  added_m3: FLOOD.perLead.value,
  melting: (request) => floodedMixture(request),
});

export const lowMeltFlood: Method = {
  id: 'low-melt-flood',
  name: 'Low-melt alloy over all joints',
  phases: ['remove'],
  about:
    'A bismuth or indium alloy melted into every joint keeps them liquid together at a far lower temperature.',
  failure: 'A joint it never mixed with still holds; what is left of it weakens the next joints.',
  leaves: 'Pads under low-melt alloy, to be wicked clean twice; the part whole, its leads coated.',
  needs: { ...NOTHING, lowMelt: true, braid: true },
  survival: 0.9,
  // Every land is wicked twice after it.
  harm: 0.06,
  hands_s: { once: 180, perPad: 12 },
  release: 'molten',
  heat: {
    ...EACH_LEADED,
    // A joint on a land is so thin that it dissolves in seconds; along a barrel that would take the better part of
    // an hour (thickness squared over about 1e-9 m²/s in the melt), so each pin has to pass its own melting first.
    touchesOf: (request, setting) =>
      hasHoles(request)
        ? padOrder(request).map((pad) => holeTouch(request, setting, pad))
        : EACH_LEADED.touchesOf(request, setting),
  },
  suits: (request) =>
    (hasHoles(request) && padNamesOf(request.site.part).length > 3) ||
    isFamily(request, ...LEADED, ...TABBED),
  rules: (request) => [
    ...noIron(request),
    ...(request.supplies.some((s) => s.kind === 'low-melt')
      ? []
      : [forbids('No low-melt alloy is in stock.')]),
    ...(hurtPads(request).length > 0
      ? [
          notes(
            `The tip stays off pin ${hurtPads(request).join(', ')}: its pad is damaged, and the alloy reaches it from beside.`,
          ),
        ]
      : []),
    notes(mixtureInWords(floodedMixture(request))),
    ...(hasHoles(request)
      ? [
          notes(
            'In a barrel it mixes only once the old solder is liquid: each pin is taken past its own melting.',
          ),
        ]
      : []),
  ],
  work: (request, setting, bands) => [
    step({
      id: 'low-melt',
      kind: 'do',
      title: 'Melt low-melt alloy into every joint',
      detail: `Flux, then each joint past its own melting so that it mixes. ${mixtureInWords(floodedMixture(request))}`,
      why: 'Mixed, all joints stay liquid for many seconds and can be freed together.',
      cautions: ['fume', 'lead'],
    }),
    ...touchSteps(request, setting, bands, {
      title: (pins) => (bands.length > 1 ? `Keep ${pins} liquid` : 'Sweep until it floats'),
      detail: 'When everything moves at a nudge, lift without force.',
    }),
  ],
  after: (request) => [wickLowMelt(floodedMixture(request).bismuthWithLead)],
};

/** A mixture's melting range as a technician reads it. */
function mixtureInWords(mix: Mixture): string {
  const [from, to] = [celsius(mix.solidus_K), celsius(mix.liquidus_K)].map(Math.round) as [number, number];
  const range = from === to ? `${to} °C` : `${from} to ${to} °C`;
  return `Mixed, it melts over ${range}, the upper figure good to about ${Math.round(mix.uncertainty_K)} K.`;
}
