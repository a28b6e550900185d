import { PLAN } from '../settings';
import { wholeCelsius, litresPerMinute } from '~/core/quantity/convert';
import { isSurface, padNamesOf } from '~/core/packages/form';
import { isHurt, PAD_STATES } from '~/core/record/padStates';
import { repairFor } from '~/core/record/repairs';
import { turnOnto } from '~/core/packages/polarity';
import { bakeAdvice, DRY_REWORK_K } from '~/core/packages/moisture';
import { SURFACE_TRAITS } from '~/core/packages/surfaceFamilies';
import type { CoolDown } from '../air/wayDown';
import type { KeepOut } from '../limits/keepOut';
import type { PinBand } from '../hand/bands';
import { padsInWords, type Method } from '../ways/method';
import { matesOf, padOrder, type Hazard, type PhaseRequest, type Setting } from '../request';
import { AIR } from '../settings';
import { step, type Step } from './step';

/** One phase as far as its steps need it. */
export interface PhaseWork {
  readonly request: PhaseRequest;
  readonly method: Method;
  readonly setting: Setting;
  readonly bands: readonly PinBand[];
  readonly bodyPeak_K: number;
  readonly coolDown: CoolDown | null;
  readonly keepOut: KeepOut | null;
  readonly coolDown_s: number | null;
}

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
    ...(request.phase === 'fit' && request.site.undressed ? dressing(request) : []),
    ...(request.phase === 'remove' ? [] : mendSteps(request)),
    ...(request.phase === 'fit' ? [marking(), seat(request)] : []),
    setStation(setting),
    ...preheatSteps(setting),
    flux(request, setting),
    ...work.map((s, i): Step => (i === lastHeat ? { ...s, effect: 'part-on' } : s)),
    ...(request.phase === 'remove'
      ? afterRemoval(phase)
      : [...coolSteps(phase), inspectFitted(request), ...readSteps(request), ...hardwareOn(request)]),
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

const marking = (): Step =>
  step({
    id: 'marking',
    kind: 'gate',
    title: 'Read the marking back',
    detail: 'Value, rating, suffix, read aloud from the part itself and against the note.',
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

function setStation(setting: Setting): Step {
  return step({
    id: 'set',
    kind: 'gate',
    title: 'Set the station',
    detail:
      setting.kind === 'hand'
        ? `${setting.tool.name}, ${tipWords(setting.tip)}, ${wholeCelsius(setting.setpoint_K)} °C. Read the temperature back from its display.`
        : `${setting.station.name}, nozzle ${nozzleWords(setting)}, ${wholeCelsius(setting.air_K)} °C, ${litresPerMinute(setting.flow_m3_s).toFixed(0)} L/min, ${(setting.standoff_m * 1e3).toFixed(0)} mm off. Read temperature and flow back from its display.`,
    why: 'A station left at another setting is the commonest way to scorch a board.',
    cautions: ['hot-board'],
  });
}

const tipWords = (tip: Extract<Setting, { kind: 'hand' }>['tip']): string =>
  tip.shape === 'hollow'
    ? `bore ${(tip.inner_m * 1e3).toFixed(1)} mm`
    : `${tip.shape} ${(tip.width_m * 1e3).toFixed(1)} mm`;

const nozzleWords = ({ nozzle }: Extract<Setting, { kind: 'air' }>): string =>
  nozzle.shape === 'round'
    ? `${(nozzle.diameter_m * 1e3).toFixed(0)} mm round`
    : `${(nozzle.width_m * 1e3).toFixed(0)} × ${(nozzle.height_m * 1e3).toFixed(0)} mm`;

function preheatSteps({ preheat }: Setting): Step[] {
  if (!preheat) return [];
  return [
    step({
      id: 'preheat',
      kind: 'wait',
      title: 'Warm the board',
      detail: `Preheater at ${wholeCelsius(preheat.setpoint_K)} °C under the site; it stays on until the plan says off.`,
      why: 'A warm board takes less from the tool: the plane pins come within reach.',
      wait_s: preheat.soak_s,
      cautions: ['hot-board'],
    }),
  ];
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

/** A controlled way down after air, with its clock. */
function coolSteps({ coolDown }: PhaseWork): Step[] {
  if (!coolDown) return [];
  const away =
    coolDown.airAway_s > 0 ? `Draw the nozzle away bit by bit over ${coolDown.airAway_s} s, air on. ` : '';
  const held =
    coolDown.heldPreheat_s > coolDown.airAway_s
      ? coolDown.how === 'preheater held, then off'
        ? `Preheater stays on ${coolDown.heldPreheat_s} s, then off.`
        : `Preheater down to 50 °C over ${Math.round(coolDown.heldPreheat_s / 60)} min, then off.`
      : coolDown.airAway_s > 0
        ? 'Then all heat off.'
        : 'All heat off.';
  return [
    step({
      id: 'cool',
      kind: 'wait',
      title: 'Let it come down, do not move it',
      detail: `${away}${held} Board flat, no fan. Bow left about ${(100 * coolDown.bowLeft).toFixed(2)} % of ${(100 * coolDown.bowLimit).toFixed(2)} %.`,
      why: coolInWords(coolDown),
      wait_s: Math.max(30, coolDown.clock_s),
      cautions: ['hot-board'],
    }),
  ];
}

function coolInWords({ ok, bowLeft, bowLimit, fall_K_s }: CoolDown): string {
  if (ok) return 'Cooled unevenly, the spot that was soft pulls the board out of flat.';
  return bowLeft > bowLimit
    ? 'No way down that was tried keeps the bow within its limit; this one leaves the least.'
    : `Its body falls by ${fall_K_s.toFixed(1)} K/s to the liquidus; ${AIR.coolRamp_K_s} K/s is what such a body is made for (J-STD-020, from memory). No way down that was tried is gentler.`;
}

function afterRemoval(phase: PhaseWork): Step[] {
  const { request } = phase;
  const kept = request.goal === 'remove-keep-part' || request.goal === 'read-and-refit';
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
    ...dressing(request),
  ];
}

/** What a site needs between a part and the next: lands flat, holes clear, looked at and read. */
function dressing(request: PhaseRequest): Step[] {
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

/** What a power tab is held by comes off cold, and how it lay is written down. */
const hardwareOff = ({ site }: PhaseRequest): Step[] =>
  site.part.family === 'to220'
    ? [
        step({
          id: 'hardware',
          kind: 'do',
          title: 'Screw, clip and heat sink off',
          detail:
            'Cold. Keep insulator, bush and washer together and note their order: the tab is often pin two and live.',
          why: 'A sink drinks the iron’s heat, and a part still screwed down pulls its lands.',
        }),
      ]
    : [];

const hardwareOn = ({ site, phase }: PhaseRequest): Step[] =>
  site.part.family === 'to220' && phase === 'fit'
    ? [
        step({
          id: 'hardware-on',
          kind: 'gate',
          title: 'Heat sink, insulator and screw back',
          detail:
            'Fresh paste or pad, insulator and bush as they lay, screw not overtight. Tab to sink by meter: open where it was insulated.',
          why: 'Without its sink it trips or dies in the first test; without its insulator it shorts to the sink.',
        }),
      ]
    : [];

/** Damaged lands are put right before a part hides them; each repair has its own way. */
function mendSteps({ site }: PhaseRequest): Step[] {
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

/** A repaired land is proved by meter before the job ends. */
function readSteps({ site }: PhaseRequest): Step[] {
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

/** What has to be known or done about water before a moulded body passes 200 °C. */
function bakeSteps(phases: readonly PhaseWork[]): Step[] {
  const lives = phases.filter(
    ({ request }) =>
      request.phase !== 'remove' || request.goal === 'remove-keep-part' || request.goal === 'read-and-refit',
  );
  const hottest = lives.reduce<PhaseWork | null>((a, b) => (a && a.bodyPeak_K >= b.bodyPeak_K ? a : b), null);
  if (!hottest) return [];
  const { site, moisture } = hottest.request;
  const moulded = isSurface(site.part) && SURFACE_TRAITS[site.part.family].bodyLimit === null;
  if (!moulded || hottest.bodyPeak_K <= DRY_REWORK_K) return [];
  const why = `The body passes 200 °C (about ${wholeCelsius(hottest.bodyPeak_K)} °C): water in it boils and cracks it (J-STD-033).`;
  if (!moisture) {
    return [
      step({
        id: 'moisture',
        kind: 'gate',
        title: 'Its moisture level, before any heat',
        detail: 'Read it from the bag or the maker’s data; past its floor life it is baked first.',
        why,
      }),
    ];
  }
  const advice = bakeAdvice(
    moisture.level,
    site.part.body.height_m,
    moisture.exposed_s,
    hottest.bodyPeak_K,
    moisture.bake_C,
  );
  if (advice.kind === 'none') return [];
  return [
    step({
      id: 'moisture',
      kind: 'gate',
      title:
        advice.kind === 'bake'
          ? `Bake ${advice.hours} h at ${advice.at_C} °C first`
          : 'Bake as its label says',
      detail: `Level ${moisture.level}, ${Math.round(moisture.exposed_s / 3600)} h out of its bag.`,
      why,
    }),
  ];
}
