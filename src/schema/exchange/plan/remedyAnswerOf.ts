import { bindingInWords, touchInWords } from '~/core/method/bindingWords';
import type { Binding, Candidate } from '~/core/method/candidate';
import type { Remedy } from '~/core/method/plan/remedies/remedy';
import type { Setting } from '~/core/method/request';
import { celsius, litresPerMinute, millimetres, wholeCelsius } from '~/core/quantity/convert';
import { optionAnswerOf } from './optionAnswerOf';
import type { BindingAnswer, RemedyAnswer } from './planAnswer';

/** What stops a job, and what would free it, in bench units and words. */

export const bindingAnswerOf = (of: Binding): BindingAnswer => {
  const { neighbour, ...binding } = of;
  return {
    ...binding,
    says: bindingInWords(of),
    neighbour: neighbour
      ? { ref: neighbour.ref, body_C: celsius(neighbour.body_K), joint_C: celsius(neighbour.joint_K) }
      : null,
  };
};

export function remedyAnswerOf(remedy: Remedy): RemedyAnswer {
  const stub: Candidate = {
    setting: remedy.setting,
    pins: [],
    feasible: remedy.works,
    time_s: remedy.time_s,
    damage: remedy.damage,
    binding: remedy.binding,
  };
  const binding = remedy.binding && bindingAnswerOf(remedy.binding);
  return {
    kind: remedy.kind,
    method: remedy.method,
    works: remedy.works,
    onBench: remedy.onBench,
    changes: changesInWords(remedy),
    achieves: remedy.works
      ? `every pin melts and is off within ${remedy.time_s!.toFixed(1)} s, at ${(100 * remedy.damage).toPrecision(2)} % of the worst pad’s budget`
      : binding
        ? `still not enough: ${touchInWords(binding.pad)} ${binding.says}`
        : 'still not enough: it does at nominal values, but not surely once contact and tip vary',
    option: {
      ...optionAnswerOf(remedy.method, stub),
      melt_s: { p10: null, p50: null, p90: null },
      stop_s: null,
      padDose: { p50: remedy.damage, p90: null },
      laminateDose: null,
      partPeak_C: null,
    },
  };
}

function changesInWords(remedy: Remedy): string {
  const { setting } = remedy;
  const at = toolInWords(setting);
  const warm = setting.preheat
    ? `preheater ${wholeCelsius(setting.preheat.setpoint_K)} °C for ${setting.preheat.soak_s} s (board about ${wholeCelsius(remedy.board_K)} °C)`
    : null;
  const away = remedy.onBench ? '' : ' (not on this bench)';
  switch (remedy.kind) {
    case 'preheat':
      return warm ? `Warm the board first${away}: ${warm}, ${at}` : at;
    case 'wider-tip':
    case 'wider-tip-and-preheat':
      return `A wider tip${away}: ${at}${warm ? `, board warmed: ${warm}` : ''}`;
    case 'low-melt':
      return `Low-melt alloy in every joint${away}: ${at}`;
    case 'leaded':
      return `Leaded solder into the lead-free joints${away}: ${at}${warm ? `, ${warm}` : ''}`;
    case 'give-up-the-part':
      return `Treat the part as scrap and ${remedy.method === 'twist-off' ? 'twist it off' : 'cut it away'}: ${at}${warm ? `, board warmed: ${warm}` : ''}`;
    case 'shield':
      return `Foil over the neighbours${away}: ${at}${warm ? `, ${warm}` : ''}`;
    case 'fresh-solder':
      return `Fresh solder on every joint first: ${at}`;
    case 'hot-air':
      return `Hot air over the whole part${away}: ${at}${warm ? `, ${warm}` : ''}`;
    case 'hot-air-and-preheat':
      return `Hot air, the board warmed from below${away}: ${at}${warm ? `, ${warm}` : ''}`;
    case 'iron':
      return `An iron${away}: ${at}${warm ? `, ${warm}` : ''}`;
    case 'gun':
      return `A desoldering gun${away}: ${at}${warm ? `, ${warm}` : ''}`;
    case 'tweezers':
      return `Hot tweezers${away}: ${at}${warm ? `, ${warm}` : ''}`;
    case 'neighbour-off':
      return `${remedy.freed} off first, back on after: ${at}${warm ? `, ${warm}` : ''}`;
    case 'shared-heat':
      return `${remedy.freed} off in the same heat, both back on after: ${at}${warm ? `, ${warm}` : ''}`;
    case 'one-at-a-time':
      return `One part at a time: ${at}${warm ? `, ${warm}` : ''}`;
  }
}

function toolInWords(setting: Setting): string {
  if (setting.kind === 'air') {
    return `air ${wholeCelsius(setting.air_K)} °C, ${litresPerMinute(setting.flow_m3_s).toFixed(0)} L/min`;
  }
  return `${setting.tip.shape} ${millimetres(setting.tip.width_m).toFixed(1)} mm at ${wholeCelsius(setting.setpoint_K)} °C`;
}
