import { z } from 'zod';
import { benchWire, LAID_IDS, SIGNAL_A } from '~/core/electrical/benchWire';
import { combine } from '~/core/electrical/combine';
import { discharged, suggestDischarge } from '~/core/electrical/discharge';
import { JUMPER } from '~/core/electrical/jumperData';
import { judge, type Judgement } from '~/core/electrical/meter/judge';
import { checkSwap, type SwapAnswer } from '~/core/electrical/swap/check';
import { wireResistance_Ohm } from '~/core/electrical/wire';
import { valueInWords } from '~/core/quantity/partValue';
import { InputError } from '~/schema/values/faults';
import { oneOf, quantity, text, wholeNumber } from '~/schema/values/fields';
import {
  circuitInput,
  circuitOfInput,
  figureOf,
  partInput,
  partOfInput,
  readingInput,
  readingOfInput,
} from './part';

/** The small questions about parts: what is asked, and its answer, in bench units. */

export const swapInput = z.strictObject({
  original: partInput,
  candidate: partInput,
  circuit: circuitInput.default({}),
});
export const swapAnswerOf = ({ original, candidate, circuit }: z.infer<typeof swapInput>): SwapAnswer =>
  checkSwap(
    partOfInput(original, '$.original'),
    partOfInput(candidate, '$.candidate'),
    circuitOfInput(circuit),
  );

export const judgeInput = z.strictObject({ part: partInput, reading: readingInput });

export interface JudgeAnswer {
  readonly verdict: Judgement['verdict'] | 'nothing-to-judge';
  readonly limits: readonly {
    readonly what: string;
    readonly read: number | null;
    readonly low: number | null;
    readonly high: number | null;
    readonly verdict: Judgement['verdict'];
    readonly reason: string;
  }[];
  readonly reason: string;
}
export function judgeAnswerOf({ part, reading: read }: z.infer<typeof judgeInput>): JudgeAnswer {
  const answer = judge(partOfInput(part, '$.part'), readingOfInput(read));
  if (!answer)
    return {
      verdict: 'nothing-to-judge',
      limits: [],
      reason: `nothing was read that tells of a ${part.kind}`,
    };
  return {
    verdict: answer.verdict,
    reason: answer.reason,
    limits: answer.figures.map((f) => ({ ...f, read: Number.isFinite(f.read) ? f.read : null })),
  };
}

/** More lines of stock than this are not tried with each other. */
const MOST_STOCK = 60;

export const combineInput = z.strictObject({
  wanted: partInput,
  stock: z.array(partInput.extend({ count: wholeNumber(0, 1e6).default(1) })).max(MOST_STOCK),
  most: z.union([z.literal(1), z.literal(2), z.literal(3)]).default(3),
  circuit: circuitInput.default({}),
});

/** So many combinations are worth reading. */
const SHOWN = 12;

export function combineAnswerOf({ wanted, stock, most, circuit }: z.infer<typeof combineInput>) {
  const lines = stock.map(({ count, ...part }, i) => ({
    part: partOfInput(part, `$.stock[${i}]`),
    count,
    i,
  }));
  const placeOf = new Map(lines.map(({ part, i }) => [part, i]));
  const found = combine(partOfInput(wanted, '$.wanted'), lines, most, circuitOfInput(circuit));
  return {
    combinations: found.slice(0, SHOWN).map((c) => ({
      parts: c.parts.map((part) => placeOf.get(part)!),
      how: c.how,
      value: c.whole.value!,
      tolerance_pct: 100 * Math.max(...c.worst),
      toleranceRootSumSquare_pct: 100 * c.rootSumSquare,
      rating_V: c.whole.rating_V ?? null,
      rating_W: c.whole.rating_W ?? null,
      esr_Ohm: c.whole.esr_Ohm ?? null,
      verdict: c.verdict,
      notes: c.notes,
    })),
  };
}

export const dischargeInput = z.strictObject({
  capacitance: z.union([quantity('F', 0, 1e3), text(1, 40)]),
  voltage_V: quantity('V', 0, 100_000),
  resistor: z.union([quantity('Ω', 0, 1e12), text(1, 40)]),
  to_V: quantity('V', 0.1, 100_000).default(60),
});
export function dischargeAnswerOf(input: z.infer<typeof dischargeInput>) {
  const value_F = figureOf(input.capacitance, 'capacitance', '$.capacitance')!.value;
  const resistor_Ohm = figureOf(input.resistor, 'resistance', '$.resistor', 'meter')!.value;
  if (resistor_Ohm === 0)
    throw new InputError([
      { path: '$.resistor', message: 'is 0 Ω, which is a short; give the resistor that bleeds it' },
    ]);
  const { voltage_V: from_V, to_V } = input;
  const told = suggestDischarge({ value_F, from_V, to_V });
  return {
    ...discharged({ value_F, from_V, resistor_Ohm, to_V }),
    suggested: told && {
      resistor: valueInWords(told.resistor_Ohm, 'resistance'),
      power_W: told.power_W,
      time_s: told.time_s,
    },
  };
}

export const jumperInput = z.strictObject({
  current_A: quantity('A', 0, 1000),
  length_mm: quantity('mm', 1, 10_000),
  rise_K: quantity('K', 1, 100).default(20),
  lostCopper: z
    .strictObject({ width_mm: quantity('mm', 0.05, 100), weight_oz: quantity('oz', 0.1, 20) })
    .nullable()
    .default(null),
  laid: oneOf(LAID_IDS).default('on-laminate'),
});

const OUNCE_m = 34.8e-6;

/** What gauge, and why; null where the thickest of a bench carries too little. */
export function jumperAnswerOf({
  current_A,
  length_mm,
  rise_K,
  lostCopper,
  laid,
}: z.infer<typeof jumperInput>) {
  const case_K = JUMPER.caseAir.value;
  const lost_m2 = lostCopper && (lostCopper.width_mm / 1000) * lostCopper.weight_oz * OUNCE_m;
  const wire = benchWire({ current_A, rise_K, case_K, laid, lost_m2 });
  if (!wire)
    return {
      gauge: null,
      reasons: ['more than any wire of a bench carries: bar, braid, or two in parallel'],
    };
  const length_m = length_mm / 1000;
  return {
    gauge: wire.gauge,
    diameter_mm: wire.diameter_m * 1000,
    carries_A: wire.carries_A,
    drop_mV: 1000 * current_A * wireResistance_Ohm(length_m, wire.diameter_m, case_K + rise_K),
    insulation:
      current_A <= SIGNAL_A
        ? 'enamelled wire that tins through, or wrapping wire'
        : 'insulated wire or a sleeve over its whole length',
    reasons: wire.because,
  };
}
