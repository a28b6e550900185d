import { isSurface } from '~/core/packages/form';
import { wholeCelsius } from '~/core/quantity/convert';
import { HAZARDS, hazardsOf, type Hazard, type PhaseRequest } from '../request';
import type { PhaseWork } from './phaseWork';
import { step, type Step } from './step';

/** What is made safe, and known, before anything is touched. */

const GATES: Readonly<Record<Hazard, { title: string; detail: string }>> = {
  mains: { title: 'Unplug and isolate', detail: 'Plug in sight, not only the switch off.' },
  eht: { title: 'Discharge the tube', detail: 'To the tube’s own ground braid, twice, a minute apart.' },
  'stored-charge': {
    title: 'Discharge and measure',
    detail: 'Every reservoir capacitor below 60 V, meter left on while the voltage recovers.',
  },
  lithium: {
    title: 'Take the cell out',
    detail: 'By its holder or its tabs, tool insulated, ends never joined.',
  },
  'leaking-electrolyte': {
    title: 'Clean the leak first',
    detail: 'Blot, wash with alcohol, look at the copper under it.',
  },
};

/** Off and unplugged first, always: a charge that is bled from a live unit comes back. Then each hazard in its turn. */
const IN_TURN: readonly Hazard[] = ['mains', 'eht', 'stored-charge', 'lithium', 'leaking-electrolyte'];

export function safeSteps(phases: readonly PhaseWork[]): Step[] {
  const { request } = phases[0]!;
  const hazards = IN_TURN.filter((hazard) => hazardsOf(request).includes(hazard));
  return [
    ...(hazards.includes('mains') ? [] : [powerOff]),
    ...hazards.map((hazard) =>
      step({
        id: `gate-${hazard}`,
        kind: 'gate',
        ...GATES[hazard],
        ...(hazard === 'lithium' ? cellGate(phases) : {}),
        why: 'Nothing is touched before its hazard is cleared.',
        cautions: [hazard],
      }),
    ),
    ...discharge(request),
    STATIC,
    ...(request.phase === 'fit' ? [] : [baseline(request)]),
  ];
}

/** Every hazard has its turn. */
if (new Set(IN_TURN).size !== HAZARDS.length) throw new Error('a hazard has no turn');

const powerOff = step({
  id: 'gate-power',
  kind: 'gate',
  title: 'Power off, cables off',
  detail: 'Unplugged, batteries and every cable out, not only switched off.',
  why: 'A tip earths what it touches: on a live board that is a short.',
});

const STATIC = step({
  id: 'static',
  kind: 'do',
  title: 'Strap on, mat earthed',
  detail: 'Strap and mat tested today; the board on the mat. Never strapped to a unit that is plugged in.',
  why: 'What static kills often dies weeks later.',
});

/** Parts that hold a charge by themselves, or may: an axial part is a resistor as often. */
const HOLDS_CHARGE: ReadonlySet<string> = new Set(['radial', 'canElectrolytic', 'axial', 'tantalum']);

const discharge = ({ site, hazards, phase }: PhaseRequest): Step[] =>
  phase !== 'fit' && HOLDS_CHARGE.has(site.part.family) && !hazards.includes('stored-charge')
    ? [
        step({
          id: 'discharge',
          kind: 'gate',
          title: `Discharge ${site.ref}`,
          detail: `${site.part.family === 'axial' ? 'If it is a capacitor: s' : 'S'}ome hundred ohms across its ends, then below 1 V by meter.`,
          why: 'What it still holds goes through the iron, the meter or you.',
        }),
      ]
    : [];

const baseline = ({ site }: PhaseRequest): Step =>
  step({
    id: 'baseline',
    kind: 'inspect',
    title: 'Read the site cold',
    detail: `Each ${isSurface(site.part) ? 'land' : 'pin'} of ${site.ref} to its next point, and to its neighbours for shorts. Mark what is open, short or hurt already.`,
    why: 'Damage done here is told from damage found.',
  });

/** A cell is taken out before anything is warm; where it is the part itself, its ends are covered. */
const cellGate = (phases: readonly PhaseWork[]): { title?: string; detail: string } =>
  phases[0]!.request.site.part.family === 'cell'
    ? {
        title: 'Cover one end of the cell',
        detail:
          'Tape over one tab while the other is worked, tools insulated. Seconds on a tab; warm, swollen or smelling: stop.',
      }
    : { detail: cellInWords(phases) };

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
