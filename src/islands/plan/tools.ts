import { nozzleRecordOf, tipRecordOf } from '~/schema/exchange/si/tools';
import { usualPreheat } from '~/core/method/bench';
import { nozzlesFor } from '~/core/method/air/airSearch';
import { AIR, PLAN } from '~/core/method/settings';
import { methodOf } from '~/core/method/ways';
import type { MethodId } from '~/core/method/ways/method';
import type { PhaseRequest } from '~/core/method/request';
import { celsius, litresPerMinute } from '~/core/quantity/convert';
import type {
  AirSettingInput,
  ChoiceInput,
  HandSettingInput,
  PreheatInput,
} from '~/schema/exchange/plan/planRequest';
import type { HotAirSpec } from '~/schema/values/toolSpec';

/** Tools of the bench as the panel offers them, and what a method begins with. */

type Tip = HandSettingInput['tip'];

export interface OfferedTool {
  readonly id: string;
  readonly name: string;
  readonly power_W: number;
  readonly range_C: readonly [number, number];
  readonly tips: readonly Tip[];
  readonly offset_K: number;
}

/** A hot-air station as the panel offers it. */
export interface OfferedStation {
  readonly id: string;
  readonly name: string;
  readonly spec: HotAirSpec;
}

/** Tools in the hand that a method can use here; none for hot air. */
export function toolsFor(request: PhaseRequest, method: MethodId): OfferedTool[] {
  const { heat } = methodOf(method);
  if (heat.kind === 'air') return [];
  return heat.toolsOf(request).map((tool) => ({
    id: tool.id,
    name: tool.name,
    power_W: tool.power_W,
    range_C: [Math.round(celsius(tool.setpointRange_K[0])), Math.round(celsius(tool.setpointRange_K[1]))],
    tips: tool.tips.map(tipRecordOf),
    offset_K: tool.offset_K ?? 0,
  }));
}

export const tipWords = (tip: Tip): readonly [string, string] =>
  'inner_mm' in tip
    ? ['bore', `${tip.inner_mm.toFixed(1)} mm`]
    : [tip.shape, `${tip.width_mm.toFixed(1)} mm`];

export const preheatFor = (request: PhaseRequest): PreheatInput | null => {
  const heater = request.preheaters[0];
  if (!heater) return null;
  const usual = usualPreheat(heater);
  return {
    kind: usual.kind,
    setpoint_C: Math.round(celsius(usual.setpoint_K)),
    soak_s: usual.soak_s,
  };
};

/** Where a method is begun by hand, when the search has nothing better; null where the bench has no tool for it. */
export function beginning(request: PhaseRequest, method: MethodId): ChoiceInput | null {
  const { heat } = methodOf(method);
  const { phase } = request;
  if (heat.kind === 'air') {
    const station = request.stations[0];
    if (!station) return null;
    const [nozzle] = nozzlesFor(request, station);
    const [least_m3_s, most_m3_s] = station.flowRange_m3_s;
    const setting: AirSettingInput = {
      kind: 'air',
      toolId: station.id,
      nozzle: nozzleRecordOf(nozzle),
      setpoint_C: clamp(AIR.begin.air_C, [celsius(station.airRange_K[0]), celsius(station.airRange_K[1])]),
      flow_L_min: Math.round(litresPerMinute(least_m3_s + AIR.begin.flowShare * (most_m3_s - least_m3_s))),
      standoff_mm: AIR.begin.standoff_mm,
      preheat: preheatFor(request),
      approach_s: 0,
      shielded: false,
    };
    return { phase, method, setting };
  }
  const tool = toolsFor(request, method)[0];
  if (!tool) return null;
  return {
    phase,
    method,
    setting: {
      kind: 'hand',
      toolId: tool.id,
      tip: tool.tips[0]!,
      setpoint_C: clamp(PLAN.begin_C, tool.range_C),
      perPad_C: {},
      preheat: null,
      fluxed: true,
      freshSolder: heat.freshSolder,
    },
  };
}

export const clamp = (value: number, [low, high]: readonly [number, number]): number =>
  Math.min(high, Math.max(low, value));
