import type { PinBand } from './bands';
import type { CautionId } from './cautions';
import { padOrder, type Goal, type Hazard, type PlanRequest, type Setting } from './request';

/** What the technician is told while a pin is under the iron. */
export interface DwellTarget {
  readonly setpoint_K: number;
  readonly expect_s: readonly [number, number];
  readonly liftFrom_s: number;
  readonly holdAfterMelt_s: number;
  readonly stop_s: number;
  readonly ifNotMolten: string;
}

export type StepKind = 'gate' | 'do' | 'heat' | 'wait' | 'inspect';

/** One line of the traveller. A gate must be confirmed before anything after it; heat and wait carry a clock. */
export interface Step {
  readonly id: string;
  readonly kind: StepKind;
  readonly title: string;
  readonly detail: string;
  readonly why: string;
  readonly cautions: readonly CautionId[];
  readonly pad: string | null;
  readonly dwell: DwellTarget | null;
  readonly wait_s: number | null;
}

type Draft = Partial<Step> & Pick<Step, 'id' | 'kind' | 'title' | 'detail' | 'why'>;

const step = (draft: Draft): Step => ({ cautions: [], pad: null, dwell: null, wait_s: null, ...draft });

const GATES: Readonly<Record<Hazard, { title: string; detail: string }>> = {
  'stored-charge': {
    title: 'Discharge and measure',
    detail: 'Every reservoir capacitor below 60 V, meter left on while you wait for it to creep back.',
  },
  mains: { title: 'Unplug and isolate', detail: 'Plug in sight, not only the switch off.' },
  eht: { title: 'Discharge the tube', detail: 'To the tube’s own ground braid, twice, a minute apart.' },
  lithium: { title: 'Take the cell out', detail: 'Or shield it and keep it colder than the hand can bear.' },
  'leaking-electrolyte': {
    title: 'Clean the leak first',
    detail: 'Blot, wash with alcohol, look at the copper under it.',
  },
};

/** The whole job in the trade's order, from the plan's own numbers. */
export function stepsFor(
  request: PlanRequest,
  setting: Setting,
  bands: readonly PinBand[],
  coolDown_s: number | null,
): Step[] {
  const order = padOrder(request);
  const removing = request.goal === 'remove-keep-part' || request.goal === 'remove-sacrifice-part';
  return [
    ...request.hazards.map((hazard) =>
      step({
        id: `gate-${hazard}`,
        kind: 'gate',
        ...GATES[hazard],
        why: 'Nothing is touched before its hazard is cleared.',
        cautions: [hazard],
      }),
    ),
    setStation(setting),
    ...preheatSteps(setting),
    ...(request.goal === 'fit' ? [seatPart()] : []),
    step({
      id: 'flux',
      kind: 'do',
      title: 'Flux',
      detail: `Flux on ${padsInWords(order)}, solder side.`,
      why: 'Flux strips the oxide: a dry touch passes heat five to ten times worse.',
      cautions: ['fume'],
    }),
    ...(request.goal === 'remove-sacrifice-part' && order.length > 3 ? [cutBody()] : []),
    ...(setting.freshSolder
      ? [
          step({
            id: 'solder',
            kind: 'do',
            title: request.goal === 'fit' ? 'Tin the tip' : 'Add fresh solder',
            detail:
              request.goal === 'fit'
                ? 'A wet tip with a small bead.'
                : `A bead of about 3 mm of 0.8 mm wire on ${padsInWords(order)}.`,
            why: 'It wets, it bridges tip to land and lead, and an old joint melts sooner.',
            cautions: ['lead'],
          }),
        ]
      : []),
    ...order.flatMap((pad, i) => heatSteps(request, setting, bands, pad, i === order.length - 1)),
    ...(removing ? afterRemoval(request.goal, order) : []),
    step({
      id: 'inspect',
      kind: 'inspect',
      title: 'Inspect',
      detail: removing
        ? 'Lands flat and still bonded, rings whole, no bridge, tracks whole where the body hid them. Mark what you find.'
        : 'Wetting all round, fill to the far side, no bridge, part square. Mark what you find.',
      why: 'A lifted pad found now is a small repair; found after the new part hides it, it is a fault.',
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
      wait_s: Math.max(OPEN_DRY_s, coolDown_s ?? 0),
      cautions: ['hot-board'],
    }),
  ];
}

/** Solvent under a part needs more than three minutes (common practice). */
const OPEN_DRY_s = 240;

const padsInWords = (pads: readonly string[]): string =>
  pads.length <= 2
    ? `pin${pads.length > 1 ? 's' : ''} ${[...pads].sort((a, b) => Number(a) - Number(b)).join(' and ')}`
    : `all ${pads.length} pins`;

function setStation(setting: Setting): Step {
  const { tip } = setting;
  return step({
    id: 'set',
    kind: 'gate',
    title: 'Set the station',
    detail: `${setting.iron.name}, ${tip.shape} ${(tip.width_m * 1e3).toFixed(1)} mm. Read the temperature back from its display.`,
    why: 'A station left at another setting is the commonest way to scorch a board.',
    cautions: ['hot-board'],
    dwell: null,
  });
}

function preheatSteps(setting: Setting): Step[] {
  if (!setting.preheat) return [];
  return [
    step({
      id: 'preheat',
      kind: 'wait',
      title: 'Warm the board',
      detail: `Preheater at ${(setting.preheat.setpoint_K - 273.15).toFixed(0)} °C under the site.`,
      why: 'A warm board takes less from the iron: the plane pins come within reach.',
      wait_s: setting.preheat.soak_s,
      cautions: ['hot-board'],
    }),
  ];
}

const seatPart = (): Step =>
  step({
    id: 'seat',
    kind: 'gate',
    title: 'Orientation, then seat',
    detail: 'Mark to mark with the board; read the value back aloud; seat flat, bend nothing yet.',
    why: 'A wrongly turned part is found now or by its smoke.',
  });

const cutBody = (): Step =>
  step({
    id: 'cut',
    kind: 'do',
    title: 'Cut the body away',
    detail: 'Flush cutters at each pin, no levering; leave the stubs standing.',
    why: 'The part is given up so that each pin can be taken alone and no land is pulled.',
    cautions: ['eyes'],
  });

function heatSteps(
  request: PlanRequest,
  setting: Setting,
  bands: readonly PinBand[],
  pad: string,
  last: boolean,
): Step[] {
  const band = bands.find((b) => b.pad === pad);
  if (!band) throw new Error(`no band for pad ${pad}`);
  const removing = request.goal === 'remove-keep-part' || request.goal === 'remove-sacrifice-part';
  const onPlane = (request.site.connections[pad] ?? []).some(
    (c) => c.kind === 'solid-plane' || c.kind === 'thermal-relief',
  );
  return [
    step({
      id: `heat-${pad}`,
      kind: 'heat',
      title: `Heat pin ${pad}`,
      detail: removing
        ? 'Tip flat on land and lead together. When the whole joint moves, rock the lead free, then iron off.'
        : 'Tip flat on land and lead together, feed solder to the joint and not to the tip, then iron off.',
      why: onPlane
        ? 'This pin meets a plane: it melts last and its land lifts first.'
        : 'Heat until every part of the joint is liquid; force before that takes the land with it.',
      cautions: ['fume'],
      pad,
      dwell: {
        setpoint_K: setting.setpoint_K,
        expect_s: [band.melt_s.p10, band.melt_s.p90],
        liftFrom_s: band.liftFrom_s,
        holdAfterMelt_s: band.holdAfterMelt_s,
        stop_s: band.stop_s,
        ifNotMolten: onPlane
          ? 'Iron off. Let it cool a minute. Warm the board from below before the second try, or use a wider tip.'
          : 'Iron off. Let it cool a minute. Clean and tin the tip, flux, fresh solder, try once more.',
      },
    }),
    ...(last || request.goal !== 'fit' ? [] : [anchorCheck(pad)]),
  ];
}

const anchorCheck = (pad: string): Step =>
  step({
    id: `look-${pad}`,
    kind: 'inspect',
    title: 'Look again',
    detail: `One pin (${pad}) holds the part. Flat? Square? Right way round?`,
    why: 'The last moment at which turning it costs one joint.',
  });

function afterRemoval(goal: Goal, order: readonly string[]): Step[] {
  return [
    step({
      id: 'lift',
      kind: 'do',
      title: goal === 'remove-keep-part' ? 'Lift the part' : 'Take the part out',
      detail: 'Without force. If a lead holds, stop and heat that pin again.',
      why: 'Most lifted pads are pulled, not burnt.',
      cautions: ['hot-board'],
    }),
    step({
      id: 'dress',
      kind: 'do',
      title: 'Dress the holes',
      detail: `Pump or wick ${padsInWords(order)} clear; pads flat; continuity from each land to its next point.`,
      why: 'A clear hole takes the new lead without pushing the barrel out.',
      cautions: ['fume'],
    }),
  ];
}
