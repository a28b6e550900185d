import { isSurface, padNamesOf } from '~/core/packages/form';
import { turnOnto } from '~/core/packages/polarity';
import { wholeCelsius } from '~/core/quantity/convert';
import { keepsPart } from '../goals';
import { matesOf, padOrder, type Hazard, type PhaseRequest, type Setting } from '../request';
import { PLAN } from '../settings';
import { padsInWords } from '../ways/method';
import { bakeSteps } from './bake';
import { coolSteps } from './coolDown';
import { mendSteps, readSteps } from './damage';
import { dressing } from './dressing';
import { hardwareOff, hardwareOn } from './hardware';
import type { PhaseWork } from './phaseWork';
import { preheatSteps, setStation } from './station';
import { step, type Step } from './step';

const GATES: Readonly<Record<Hazard, { title: string; detail: string }>> = {
  'stored-charge': {
    title: 'Discharge and measure',
    detail: 'Every reservoir capacitor below 60 V, meter left on while you wait for it to creep back.',
  },
  mains: { title: 'Unplug and isolate', detail: 'Plug in sight, not only the switch off.' },
  eht: { title: 'Discharge the tube', detail: 'To the tube’s own ground braid, twice, a minute apart.' },
  lithium: {
    title: 'Take the cell out',
    detail: 'By its holder or its tabs, tool insulated, ends never joined.',
  },
  'leaking-electrolyte': {
    title: 'Clean the leak first',
    detail: 'Blot, wash with alcohol, look at the copper under it.',
  },
};

/** The whole job in the trade's order, from the plan's own numbers. */
export function stepsFor(phases: readonly PhaseWork[]): Step[] {
  const first = phases[0]!;
  const { request } = first;
  const steps = [
    ...request.hazards.map((hazard) =>
      step({
        id: `gate-${hazard}`,
        kind: 'gate',
        ...GATES[hazard],
        ...(hazard === 'lithium' ? { detail: cellInWords(phases) } : {}),
        why: 'Nothing is touched before its hazard is cleared.',
        cautions: [hazard],
      }),
    ),
    ...bakeSteps(phases),
    ...phases.flatMap((phase, i) => {
      const own = phaseSteps(phase);
      return i === 0 ? own : own.map((s) => ({ ...s, id: `${phase.request.phase}-${s.id}` }));
    }),
    step({
      id: 'clean',
      kind: 'do',
      title: 'Clean',
      detail: 'Solvent and brush, blot, then air. Iron in its stand first.',
      why: 'Residue near high-impedance nodes leaks, and hides cracks.',
      cautions: ['solvent'],
    }),
    step({
      id: 'dry',
      kind: 'wait',
      title: 'Let it dry and cool',
      detail: 'No power before this clock ends.',
      why: 'Solvent under bodies conducts for minutes after the open surface looks dry.',
      wait_s: Math.max(PLAN.underPartDry_s, ...phases.map((p) => (p.coolDown ? 0 : (p.coolDown_s ?? 0)))),
      cautions: ['hot-board'],
    }),
    ...(first.request.phase === 'remove' && phases.length === 1
      ? []
      : [
          step({
            id: 'supply',
            kind: 'gate',
            title: 'Supply before first power',
            detail:
              'Voltage, polarity and current limit read from the supply itself, against this unit’s label.',
            why: 'A wrong supply is a classic root cause and a classic way to kill a just-repaired board.',
          }),
        ]),
  ];
  return steps;
}

/** What the model says of a cell that stays on the board: the widest of the phases' keep-outs. */
function cellInWords(phases: readonly PhaseWork[]): string {
  const keepOuts = phases.flatMap((p) => p.keepOut ?? []);
  const whole = keepOuts.some((k) => k.within_m === null);
  const within_m = Math.max(0, ...keepOuts.map((k) => k.within_m ?? 0));
  const limit = keepOuts[0] ? wholeCelsius(keepOuts[0].limit_K) : '60';
  const reach = whole
    ? `The whole board passes ${limit} °C, which is all a cell stands: it has to come out.`
    : within_m > 0
      ? `Everything within ${Math.ceil(within_m * 1e3)} mm of ${phases[0]!.request.site.ref} passes ${limit} °C (estimate), which is all a cell stands. A cell farther off that cannot come out is shielded.`
      : `Nothing beyond the joints themselves passes ${limit} °C (estimate), which is all a cell stands.`;
  return `${GATES.lithium.detail} ${reach}`;
}

function phaseSteps(phase: PhaseWork): Step[] {
  const { request, method, setting } = phase;
  const work = method.work(request, setting, phase.bands);
  const lastHeat = request.phase === 'fit' ? work.findLastIndex((s) => s.kind === 'heat') : -1;
  return [
    ...(request.phase === 'remove' ? [orientation(request), ...hardwareOff(request)] : []),
    ...(request.phase === 'fit' && request.site.undressed ? dressing(phase) : []),
    ...(request.phase === 'remove' ? [] : mendSteps(request)),
    ...(request.phase === 'fit' ? [marking(request), seat(request)] : []),
    setStation(setting),
    // Under air the board is hot by the time the nozzle comes: flux goes on cold, and works while it warms.
    ...(setting.kind === 'air'
      ? [flux(request, setting), ...preheatSteps(setting)]
      : [...preheatSteps(setting), flux(request, setting)]),
    ...work.map((s, i): Step => (i === lastHeat ? { ...s, effect: 'part-on' } : s)),
    ...(request.phase === 'remove'
      ? afterRemoval(phase)
      : [
          ...coolSteps(phase),
          ...trim(request),
          inspectFitted(request),
          ...readSteps(request),
          ...hardwareOn(request),
        ]),
  ];
}

const orientation = (request: PhaseRequest): Step =>
  step({
    id: 'orientation',
    kind: 'inspect',
    title: 'Note how it stands',
    detail: `Mark of ${request.site.ref} against the mark on the board; a photograph if they disagree.`,
    why: 'Once it is off, the board’s print is all that is left, and prints are wrong more often than parts.',
    picture: true,
  });

const marking = ({ goal }: PhaseRequest): Step =>
  step({
    id: 'marking',
    kind: 'gate',
    title: goal === 'fit-socket' ? 'Look at the socket' : 'Read the marking back',
    detail:
      goal === 'fit-socket'
        ? 'Pins, pitch and row spacing as the part’s; its notch to pin one; contacts clean, turned-pin or leaf as agreed.'
        : 'Value, rating, suffix, read aloud from the part itself and against the note.',
    why: 'A near-identical part for another variant fails in a confusing way.',
  });

function seat({ site }: PhaseRequest): Step {
  const { title, detail } = turnOnto({ part: site.part, nets: site.nets ?? {} }, site.polarity);
  return step({
    id: 'seat',
    kind: 'gate',
    title,
    detail: `${detail} Square over its pads, flat, bend nothing yet.`,
    why: 'A wrongly turned part is found now or by its smoke.',
    picture: true,
  });
}

const flux = (request: PhaseRequest, setting: Setting): Step =>
  step({
    id: 'flux',
    kind: 'do',
    title: 'Flux',
    detail: `Flux on ${padsInWords(padOrder(request))}${setting.kind === 'hand' && !isSurface(request.site.part) ? ', solder side' : ''}.`,
    why: 'Flux strips the oxide: a dry touch passes heat five to ten times worse.',
    cautions: ['fume'],
  });

function afterRemoval(phase: PhaseWork): Step[] {
  const { request } = phase;
  const kept = keepsPart(request.goal);
  const mates = matesOf(request)
    .slice(1)
    .map((mate) => mate.ref);
  const together = phase.bands.length === 1 || phase.setting.kind === 'air';
  return [
    step({
      id: 'lift',
      kind: 'gate',
      effect: 'part-off',
      title: kept ? 'Lift the part' : 'Take the part out',
      detail: `${together ? 'At once, while all is molten, straight up and' : 'Wiggle each pin first, then'} without force. If one holds, stop and heat again.${mates.length > 0 ? ` Then ${mates.join(', ')} in the same heat.` : ''}`,
      why: 'Most lifted pads are pulled, not burnt.',
      cautions: ['hot-board'],
    }),
    ...coolSteps(phase),
    ...(request.goal === 'read-and-refit' ? [readPart(request)] : []),
    ...dressing(phase),
  ];
}

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

/** Parts whose leads come long; pins of other families are as long as they should be. */
const LONG_LEADS: ReadonlySet<string> = new Set(['radial', 'axial', 'to220']);

const trim = ({ site, phase }: PhaseRequest): Step[] =>
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

const inspectFitted = ({ site }: PhaseRequest): Step =>
  step({
    id: 'inspect',
    kind: 'inspect',
    title: 'Inspect',
    detail: isSurface(site.part)
      ? 'Wetting at heel, toe and sides of every foot, no bridge by eye and by meter, part square. Mark what you find.'
      : 'Wetting all round, fill to the far side, no bridge by eye and by meter, part square. Mark what you find.',
    why: 'A cold joint passes today’s test and fails on the bench of the next visit.',
  });
