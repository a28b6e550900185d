import { valueInWords } from '~/core/quantity/partValue';
import { toleranceOf, VALUE_OF } from '../parts/part';
import { no, note, ok, type SwapRule } from './rule';

/** Rules of resistors, inductors, diodes, transistors and fuses. */

const value: SwapRule = (original, candidate) => {
  if (original.kind !== 'resistor' && original.kind !== 'inductor') return null;
  if (original.value === undefined || candidate.value === undefined) return null;
  const words = (v: number): string => valueInWords(v, VALUE_OF[original.kind]!);
  const [down, up] = toleranceOf(original);
  const [candidateDown, candidateUp] = toleranceOf(candidate);
  const numbers = { original: original.value, candidate: candidate.value };
  const pair = `${words(candidate.value)} for ${words(original.value)}`;
  const [low, high] = [original.value * (1 - down), original.value * (1 + up)];
  if (candidate.value < low || candidate.value > high)
    return no(
      'value',
      `${pair}: outside the original’s tolerance`,
      numbers,
      `${words(low)} to ${words(high)}`,
    );
  if (candidateDown > down * 1.001 || candidateUp > up * 1.001)
    return note(
      'value',
      `${pair}, and wider in tolerance: measure it, it is right if it reads within ${words(low)} to ${words(high)}`,
      numbers,
    );
  return ok('value', pair, numbers);
};

/** A figure that may be larger and not smaller. */
const atLeast =
  (
    rule: string,
    of: 'rating_V' | 'rating_A' | 'rating_W',
    unit: string,
    kinds: readonly string[],
  ): SwapRule =>
  (original, candidate) => {
    const [had, has] = [original[of], candidate[of]];
    if (!kinds.includes(original.kind) || had === undefined) return null;
    if (has === undefined)
      return note(rule, `the original stands ${had} ${unit}; the candidate’s is not known`, {
        original: had,
      });
    const numbers = { original: had, candidate: has };
    return has >= had
      ? ok(rule, `${has} ${unit} where ${had} ${unit} stood`, numbers)
      : no(rule, `${has} ${unit} where ${had} ${unit} stood`, numbers, `${had} ${unit} or more`);
  };

const fuse: SwapRule = (original, candidate) => {
  if (original.kind !== 'fuse' || original.rating_A === undefined || candidate.rating_A === undefined)
    return null;
  const numbers = { original_A: original.rating_A, candidate_A: candidate.rating_A };
  if (candidate.rating_A !== original.rating_A)
    return no(
      'current',
      `${candidate.rating_A} A where ${original.rating_A} A is asked: ${candidate.rating_A > original.rating_A ? 'the board burns before it' : 'it blows at switching on'}`,
      numbers,
      `${original.rating_A} A`,
    );
  if (original.technology && candidate.technology && original.technology !== candidate.technology)
    return no(
      'current',
      `${candidate.technology} where ${original.technology} is asked`,
      numbers,
      `a ${original.technology} fuse`,
    );
  return ok('current', `${original.rating_A} A as asked`, numbers);
};

const resistorMake: SwapRule = (original, candidate) => {
  if (original.kind !== 'resistor' || !original.technology || !candidate.technology) return null;
  const numbers = { original: original.technology, candidate: candidate.technology };
  if (original.technology === candidate.technology)
    return ok('make', `${candidate.technology} as before`, numbers);
  if (original.technology === 'fusible')
    return no(
      'make',
      'a fusible resistor is a fuse: nothing else opens as it does',
      numbers,
      'a fusible resistor',
    );
  if (candidate.technology === 'wirewound')
    return note('make', 'wound: at high frequency it is a coil', numbers);
  return note('make', `${candidate.technology} where ${original.technology} stood`, numbers);
};

/** Diodes by how fast they let go, the slowest first: a faster one stands for a slower. */
const SPEED = ['standard', 'fast', 'schottky'] as const;

const diodeMake: SwapRule = (original, candidate) => {
  if (original.kind !== 'diode' || !original.technology || !candidate.technology) return null;
  const [had, has] = [original.technology, candidate.technology];
  const numbers = { original: had, candidate: has };
  if (had === 'zener' || has === 'zener') {
    if (had !== has) return no('make', `${has} where ${had} stood`, numbers, `a ${had} diode`);
    if (original.output_V === undefined || candidate.output_V === undefined) return null;
    return Math.abs(candidate.output_V / original.output_V - 1) <= 0.05
      ? ok('make', `${candidate.output_V} V Zener for ${original.output_V} V`, numbers)
      : no(
          'make',
          `${candidate.output_V} V Zener for ${original.output_V} V`,
          numbers,
          `${original.output_V} V`,
        );
  }
  const [a, b] = [had, has].map((t) => SPEED.indexOf(t as (typeof SPEED)[number])) as [number, number];
  if (a < 0 || b < 0) return null;
  if (b < a)
    return no(
      'make',
      `a ${has} diode is slower than a ${had} one: in a switching circuit it burns`,
      numbers,
      `a ${had} diode`,
    );
  return b === a
    ? ok('make', `${has} as before`, numbers)
    : note(
        'make',
        has === 'schottky' ? 'Schottky: it leaks more when hot, and drops less' : 'faster than the original',
        numbers,
      );
};

const transistorMake: SwapRule = (original, candidate) => {
  if (original.kind !== 'transistor' || !original.technology || !candidate.technology) return null;
  const numbers = { original: original.technology, candidate: candidate.technology };
  return original.technology === candidate.technology
    ? ok('make', `${candidate.technology} as before`, numbers)
    : no('make', `${candidate.technology} where ${original.technology} stood`, numbers, original.technology);
};

export const OTHER_RULES: readonly SwapRule[] = [
  value,
  atLeast('power', 'rating_W', 'W', ['resistor', 'transistor', 'diode']),
  atLeast('rating', 'rating_V', 'V', ['resistor', 'diode', 'transistor', 'fuse', 'switch', 'connector']),
  atLeast('current', 'rating_A', 'A', ['diode', 'transistor', 'inductor', 'switch', 'connector']),
  fuse,
  resistorMake,
  diodeMake,
  transistorMake,
];
