import { celsius } from '~/core/quantity/convert';
import type { Binding } from './candidate';
import { PLAN } from './settings';

/** The binding limit as the end of a sentence that begins with its pin. */
export function bindingInWords(binding: Binding): string {
  if (binding.limit === 'method') return 'cannot be reached by any tool or method on this bench';
  if (binding.neighbour) {
    const { ref, body_K, bodyLimit_K, joint_K } = binding.neighbour;
    const meanwhile =
      body_K > bodyLimit_K
        ? `the body of ${ref} reaches ${degrees(body_K)} meanwhile, and stands ${degrees(bodyLimit_K)}`
        : `the joints of ${ref} reach ${degrees(joint_K)} meanwhile: they melt, or are less than ${PLAN.neighbourMargin_K} K from it`;
    return `would be molten in time, but ${meanwhile}`;
  }
  if (binding.shortOfLiquidus_K !== null) {
    const by = binding.shortOfLiquidus_K < 1 ? 'just' : `${binding.shortOfLiquidus_K.toFixed(0)} K`;
    return `never melts through: the ${binding.lastToMelt} stays ${by} below liquidus`;
  }
  const which = binding.limit === 'melt' ? 'longest dwell' : binding.limit;
  return binding.short_s
    ? `meets its ${which} ${binding.short_s.toFixed(1)} s before it could be off`
    : `has too little room before its ${which} once contact and tip vary`;
}

const degrees = (temperature_K: number): string => `${Math.round(celsius(temperature_K))} °C`;

/** One touch as a sentence names it. */
export const touchInWords = (pad: string): string => (pad === 'all' ? 'the joints together' : `pin ${pad}`);
