import { celsius } from '~/core/quantity/convert';
import { REGULATOR_CHAINS as CHAINS, REGULATOR_LIMITS as LIMITS } from '../partData';
import type { RegulatorPackage } from '../parts/part';
import { no, note, ok, type SwapRule } from './rule';

/** Junction temperature by a chain of resistances from a loss, K. */
export function junction_K(
  loss_W: number,
  package_: RegulatorPackage,
  ambient_K: number,
  heatSink_K_W: number | null,
): number {
  const { junctionToCase, junctionToAir, interface: between } = CHAINS[package_];
  const chain =
    heatSink_K_W === null ? junctionToAir.value : junctionToCase.value + between.value + heatSink_K_W;
  return ambient_K + loss_W * chain;
}

const output: SwapRule = (original, candidate) => {
  if (original.output_V === undefined || candidate.output_V === undefined) return null;
  const numbers = { original_V: original.output_V, candidate_V: candidate.output_V };
  return Math.abs(candidate.output_V / original.output_V - 1) <= 0.025
    ? ok('output', `${candidate.output_V} V as before`, numbers)
    : no(
        'output',
        `${candidate.output_V} V where ${original.output_V} V is asked`,
        numbers,
        `${original.output_V} V`,
      );
};

const dropout: SwapRule = (_original, { output_V, dropout_V }, { input_V }) => {
  if (output_V === undefined || dropout_V === undefined || input_V === undefined) return null;
  const over_V = input_V - output_V;
  const numbers = { over_V, dropout_V };
  return over_V >= dropout_V
    ? ok('dropout', `${over_V.toFixed(1)} V over its output, it asks ${dropout_V} V`, numbers)
    : no(
        'dropout',
        `${over_V.toFixed(1)} V over its output and it asks ${dropout_V} V: it does not regulate`,
        numbers,
        `a dropout under ${over_V.toFixed(1)} V`,
      );
};

const current: SwapRule = (original, { rating_A }, { current_A }) => {
  const asked = current_A ?? original.rating_A;
  if (asked === undefined || rating_A === undefined) return null;
  const numbers = { asked_A: asked, candidate_A: rating_A };
  return rating_A >= asked
    ? ok('current', `${rating_A} A for ${asked} A`, numbers)
    : no('current', `${rating_A} A for ${asked} A`, numbers, `${asked} A or more`);
};

const warmth: SwapRule = (
  _original,
  candidate,
  { input_V, current_A, heatSink_K_W = null, ambient_K = LIMITS.inCase.value },
) => {
  const { output_V, package: package_ = 'to220', shutdown_K = LIMITS.shutdown.value } = candidate;
  if (output_V === undefined || input_V === undefined || current_A === undefined) return null;
  const loss_W = (input_V - output_V) * current_A;
  const fitted_K = junction_K(loss_W, package_, ambient_K, heatSink_K_W);
  const bare_K = junction_K(loss_W, package_, LIMITS.room.value, null);
  const numbers = {
    loss_W,
    junction_C: celsius(fitted_K),
    junctionBare_C: celsius(bare_K),
    workedTo_C: celsius(LIMITS.workedTo.value),
    shutdown_C: celsius(shutdown_K),
  };
  const words = `(${input_V} − ${output_V}) V × ${current_A} A = ${loss_W.toFixed(1)} W: its junction comes to ${celsius(fitted_K).toFixed(0)} °C ${heatSink_K_W === null ? 'without a sink' : `on a sink of ${heatSink_K_W} K/W`}`;
  const test =
    heatSink_K_W !== null && bare_K > shutdown_K
      ? `; a bench test without its sink switches itself off (${celsius(bare_K).toFixed(0)} °C): that is no fault`
      : heatSink_K_W !== null && bare_K > LIMITS.workedTo.value
        ? `; tested without its sink it comes to ${celsius(bare_K).toFixed(0)} °C: seconds only`
        : '';
  const most_K_W =
    (LIMITS.workedTo.value - ambient_K) / loss_W -
    CHAINS[package_].junctionToCase.value -
    CHAINS[package_].interface.value;
  const turned =
    most_K_W > 0 ? `a sink of ${most_K_W.toFixed(0)} K/W or better` : 'less input voltage, or less current';
  if (fitted_K > shutdown_K) return no('temperature', `${words}: it switches itself off`, numbers, turned);
  if (fitted_K > LIMITS.workedTo.value)
    return no(
      'temperature',
      `${words}, over ${celsius(LIMITS.workedTo.value).toFixed(0)} °C`,
      numbers,
      turned,
    );
  return test ? note('temperature', `${words}${test}`, numbers) : ok('temperature', words, numbers);
};

export const REGULATOR_RULES: readonly SwapRule[] = [output, dropout, current, warmth];
