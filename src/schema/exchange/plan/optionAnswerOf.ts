import type { Candidate } from '~/core/method/candidate';
import type { Setting } from '~/core/method/request';
import { celsius, litresPerMinute, millimetres } from '~/core/quantity/convert';
import { asWritten, nozzleRecordOf, tipRecordOf } from '../si/tools';
import type { OptionAnswer } from './planAnswer';

/** One setting in bench units, as it stands on a frontier, beside a method or behind a remedy. */
export function optionAnswerOf(method: string, candidate: Candidate): OptionAnswer {
  const { pins } = candidate;
  // None where nothing was left of the search that could be told by pin.
  const slowest = pins.reduce<(typeof pins)[number] | null>(
    (a, b) => (a && (a.fullMelt_s ?? Infinity) >= (b.fullMelt_s ?? Infinity) ? a : b),
    null,
  );
  const worst = (pick: (pin: Candidate['pins'][number]) => number): number | null =>
    finite(Math.max(...pins.map(pick)));
  return {
    method,
    ...toolAnswerOf(candidate.setting),
    preheat: preheatAnswerOf(candidate.setting),
    melt_s: { p10: null, p50: slowest?.fullMelt_s ?? null, p90: null },
    liftFrom_s: candidate.time_s,
    stop_s: slowest && finite(slowest.stop_s),
    padDose: { p50: worst((pin) => pin.padDoseAtOff), p90: null },
    laminateDose: worst((pin) => pin.laminateDoseAtOff),
    partPeak_C: finite(celsius(Math.max(...pins.map((pin) => pin.bodyPeak_K)))),
    rampRatio: candidate.rampRatio ?? null,
    warp_pct: null,
    neighboursAtRisk: (candidate.neighbours ?? []).filter((n) => !n.ok).map((n) => n.ref),
    coolDown_s: null,
    feasible: candidate.feasible,
  };
}

type ToolAnswer = Pick<
  OptionAnswer,
  | 'kind'
  | 'tool'
  | 'toolId'
  | 'tip'
  | 'nozzle'
  | 'setpoint_C'
  | 'perPad_C'
  | 'flow_L_min'
  | 'standoff_mm'
  | 'approach_s'
  | 'shielded'
  | 'fluxed'
  | 'freshSolder'
>;

function toolAnswerOf(setting: Setting): ToolAnswer {
  if (setting.kind === 'air') {
    return {
      kind: 'air',
      tool: setting.station.name,
      toolId: setting.station.id,
      tip: null,
      nozzle: nozzleRecordOf(setting.nozzle),
      setpoint_C: Math.round(celsius(setting.air_K)),
      perPad_C: {},
      flow_L_min: asWritten(litresPerMinute(setting.flow_m3_s)),
      standoff_mm: asWritten(millimetres(setting.standoff_m)),
      approach_s: setting.approach_s,
      shielded: setting.shielded,
      fluxed: true,
      freshSolder: false,
    };
  }
  return {
    kind: 'hand',
    tool: setting.tool.name,
    toolId: setting.tool.id,
    tip: tipRecordOf(setting.tip),
    nozzle: null,
    setpoint_C: Math.round(celsius(setting.setpoint_K)),
    perPad_C: Object.fromEntries(
      Object.entries(setting.perPad_K ?? {}).map(([pad, t_K]) => [pad, Math.round(celsius(t_K))]),
    ),
    flow_L_min: null,
    standoff_mm: null,
    approach_s: 0,
    shielded: false,
    fluxed: setting.fluxed,
    freshSolder: setting.freshSolder,
  };
}

const preheatAnswerOf = ({ preheat }: Setting): OptionAnswer['preheat'] =>
  preheat && {
    kind: preheat.kind,
    setpoint_C: asWritten(celsius(preheat.setpoint_K)),
    soak_s: preheat.soak_s,
  };

/** What never happens has no figure. */
export const finite = (value: number): number | null => (Number.isFinite(value) ? value : null);
