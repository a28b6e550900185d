import { isHood } from '~/core/thermal/surface/jet';
import { kelvin, litresPerMinute, wholeCelsius } from '~/core/quantity/convert';
import { boardTemperature_K } from '~/core/thermal/preheat';
import { bodyCounts } from '../goals';
import type { PhaseRequest, Setting } from '../request';
import { AIR } from '../settings';
import type { PhaseWork } from './phaseWork';
import { step, type Step } from './step';

/** The tool as the plan sets it, read back before anything is heated by it. */
export function setStation(setting: Setting): Step {
  return step({
    id: 'set',
    kind: 'gate',
    title: 'Set the station',
    detail:
      setting.kind === 'hand'
        ? `${setting.tool.name}, ${tipWords(setting.tip)}, ${wholeCelsius(setting.setpoint_K)} °C. ${setting.tip.shape === 'hollow' ? 'Bore rodded, filter clean.' : 'Tip cleaned and tinned.'} Check that its display shows it.`
        : `${setting.station.name}, nozzle ${nozzleWords(setting)}, ${wholeCelsius(setting.air_K)} °C, ${litresPerMinute(setting.flow_m3_s).toFixed(0)} L/min, ${(setting.standoff_m * 1e3).toFixed(0)} mm off. Read temperature and flow back from its display.`,
    reads_K: setting.kind === 'hand' ? setting.setpoint_K : setting.air_K,
    why: 'A station left at another setting is the commonest way to scorch a board.',
    cautions: ['hot-board'],
  });
}

/** A body that is to live and rises faster than it should: an exception that is taken knowingly, or planned otherwise. */
export const shockSteps = ({ request, rampRatio }: PhaseWork): Step[] =>
  rampRatio !== null && rampRatio > AIR.toldRamp && bodyCounts(request.goal, request.phase)
    ? [
        step({
          id: 'shock',
          kind: 'gate',
          title: `${request.site.ref} is warmed fast`,
          detail: `Its body rises ${rampRatio.toFixed(1)} times as fast as it should. Gentler: longer from far off, or the board warmer.`,
          why: 'Moulded bodies crack inside and ceramic ones at their ends; nothing shows it at once.',
        }),
      ]
    : [];

const tipWords = (tip: Extract<Setting, { kind: 'hand' }>['tip']): string =>
  tip.shape === 'hollow'
    ? `bore ${(tip.inner_m * 1e3).toFixed(1)} mm`
    : `${tip.shape} ${(tip.width_m * 1e3).toFixed(1)} mm`;

const nozzleWords = ({ nozzle }: Extract<Setting, { kind: 'air' }>): string =>
  nozzle.shape === 'round'
    ? `${(nozzle.diameter_m * 1e3).toFixed(0)} mm round`
    : `${(nozzle.width_m * 1e3).toFixed(0)} × ${(nozzle.height_m * 1e3).toFixed(0)} mm${isHood(nozzle) ? ' hood' : ''}`;

/** Flux that has stood longer than this on a board this warm is spent (common practice). */
const SPENT = { after_s: 120, over_K: kelvin(120) } as const;

/** A board that is warmed first, with its clock; flux that does not outlast it is renewed. */
export function preheatSteps({ board, ambient_K, phase }: PhaseRequest, { preheat, kind }: Setting): Step[] {
  if (!preheat) return [];
  const board_K = boardTemperature_K(board, preheat, ambient_K);
  // Under a part that is set nothing can be renewed, and paste brings flux that is made for a soak.
  const renewed =
    preheat.soak_s > SPENT.after_s && board_K > SPENT.over_K && !(kind === 'air' && phase === 'fit');
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
    ...(renewed
      ? [
          step({
            id: 'flux-again',
            kind: 'do',
            title: 'Flux once more',
            detail: `The board stands at about ${wholeCelsius(board_K)} °C: a little on the joints, from the side, it hisses.`,
            why: 'Flux that has stood minutes on a hot board is spent.',
            cautions: ['fume', 'hot-board', 'eyes'],
          }),
        ]
      : []),
  ];
}
