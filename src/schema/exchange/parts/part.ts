import { z } from 'zod';
import {
  MOUNTINGS,
  PART_KINDS,
  PART_LOOKS,
  PART_SOURCES,
  REGULATOR_PACKAGES,
  SAFETY_CLASSES,
  TECHNOLOGIES,
  VALUE_OF,
  type Part,
} from '~/core/electrical/parts/part';
import type { Reading } from '~/core/electrical/meter/judge';
import { USES, type Circuit } from '~/core/electrical/swap/rule';
import { kelvin } from '~/core/quantity/convert';
import { partValueOf, type PartValue, type ValueOf, type WrittenOn } from '~/core/quantity/partValue';
import { yearOf } from '~/core/quantity/dateCode';
import { isOpen } from '~/core/quantity/resistance';
import { InputError } from '~/schema/values/faults';
import { oneOf, quantity, text, wholeNumber } from '~/schema/values/fields';

const EXAMPLES: Readonly<Record<ValueOf, string>> = {
  capacitance: '220µ, 4n7 or 104',
  resistance: '4k7, 2R2 or 103',
  inductance: '10µ or 101',
};
const READ_LIKE: Readonly<Record<ValueOf, string>> = {
  capacitance: '146µ or 3.3n, with its sign',
  resistance: '4.7, 12k or OL',
  inductance: '10µ or 2.2m, with its sign',
};

const partCase = z.strictObject({
  diameter_mm: quantity('mm', 0.5, 200).optional(),
  length_mm: quantity('mm', 0.2, 400).optional(),
  width_mm: quantity('mm', 0.2, 400).optional(),
  height_mm: quantity('mm', 0.2, 400).optional(),
  pitch_mm: quantity('mm', 0.2, 200).optional(),
});

/** A part by the figures that decide, in bench units. */
export const partInput = z.strictObject({
  kind: oneOf(PART_KINDS),
  technology: oneOf(TECHNOLOGIES).optional(),
  value: z.union([quantity('', 0, 1e12), text(1, 40)]).optional(),
  tolerance_pct: quantity('%', 0, 100).optional(),
  rating_V: quantity('V', 0, 1e6).optional(),
  rating_A: quantity('A', 0, 1e5).optional(),
  rating_W: quantity('W', 0, 1e5).optional(),
  tanDelta: quantity('', 0, 10).optional(),
  esr_Ohm: z.union([quantity('Ω', 0, 1e9), text(1, 40)]).optional(),
  ripple_A: quantity('A', 0, 1e4).optional(),
  temperature_C: quantity('°C', 0, 400).optional(),
  case: partCase.optional(),
  polar: z.boolean().optional(),
  safetyClass: oneOf(SAFETY_CLASSES).nullable().optional(),
  marking: text(0, 60).optional(),
  /** Year and week, "2231", or a year. */
  dateCode: text(0, 12).optional(),
  source: oneOf(PART_SOURCES).optional(),
  looks: oneOf(PART_LOOKS).optional(),
  mounting: oneOf(MOUNTINGS).optional(),
  heatCycles: wholeNumber(0, 100).optional(),
  pinOrder: text(0, 60).optional(),
  output_V: quantity('V', 0, 1e5).optional(),
  dropout_V: quantity('V', 0, 100).optional(),
  package: oneOf(REGULATOR_PACKAGES).optional(),
  shutdown_C: quantity('°C', 50, 300).optional(),
  contents: oneOf(['none', 'kept', 'only-copy']).optional(),
});
export type PartInput = z.infer<typeof partInput>;

export const circuitInput = z.strictObject({
  voltage_V: quantity('V', 0, 1e5).optional(),
  use: oneOf(USES).optional(),
  input_V: quantity('V', 0, 1e4).optional(),
  current_A: quantity('A', 0, 1e4).optional(),
  heatSink_K_W: quantity('K/W', 0, 1000).nullable().optional(),
  ambient_C: quantity('°C', -60, 150).optional(),
  year: wholeNumber(1950, 2100).optional(),
});

export const readingInput = z.strictObject({
  capacitance: z.union([quantity('F', 0, 1e3), text(1, 40)]).optional(),
  esr_Ohm: z.union([quantity('Ω', 0, 1e9), text(1, 40)]).optional(),
  tanDelta: quantity('', 0, 100).optional(),
  leakage_A: quantity('A', 0, 1e3).optional(),
  resistance: z.union([quantity('Ω', 0, 1e12), text(1, 40)]).optional(),
  inductance: z.union([quantity('H', 0, 1e3), text(1, 40)]).optional(),
  drop_V: z.union([quantity('V', 0, 1e3), z.literal('open')]).optional(),
  gain: quantity('', 0, 1e5).optional(),
  frequency_Hz: quantity('Hz', 1, 1e9).optional(),
  inCircuit: z.boolean().default(false),
  nulled: z.boolean().optional(),
});

/** A figure given as a number, or as people write it on a part or read it off a meter. Throws `InputError` at its path. */
export function figureOf(
  given: number | string | undefined,
  of: ValueOf,
  path: string,
  on: WrittenOn = 'part',
): PartValue | undefined {
  if (given === undefined) return undefined;
  if (typeof given === 'number') return { value: given, tolerance: null, rating_V: null };
  const read = partValueOf(given, of, on);
  if (read) return read;
  const like = (on === 'part' ? EXAMPLES : READ_LIKE)[of];
  throw new InputError([{ path, message: `is "${given}", which is no ${of}; write it like ${like}` }]);
}

const metresOf = (length_mm: number | undefined): number | undefined => length_mm && length_mm / 1000;

/** A part in SI. Throws `InputError` where a value cannot be read. */
export function partOfInput(input: PartInput, path = '$'): Part {
  const of = VALUE_OF[input.kind];
  const value = of && figureOf(input.value, of, `${path}.value`);
  const { case: size } = input;
  const share = input.tolerance_pct === undefined ? undefined : input.tolerance_pct / 100;
  return {
    kind: input.kind,
    technology: input.technology,
    value: value?.value,
    tolerance: share === undefined ? (value?.tolerance ?? undefined) : [share, share],
    rating_V: input.rating_V ?? value?.rating_V ?? undefined,
    rating_A: input.rating_A,
    rating_W: input.rating_W,
    tanDelta: input.tanDelta,
    // Written in ohms beside its name, never a code.
    esr_Ohm: figureOf(input.esr_Ohm, 'resistance', `${path}.esr_Ohm`, 'meter')?.value,
    ripple_A: input.ripple_A,
    warmest_K: input.temperature_C === undefined ? undefined : kelvin(input.temperature_C),
    case: size && {
      diameter_m: metresOf(size.diameter_mm),
      length_m: metresOf(size.length_mm),
      width_m: metresOf(size.width_mm),
      height_m: metresOf(size.height_mm),
      pitch_m: metresOf(size.pitch_mm),
    },
    polar: input.polar,
    safetyClass: input.safetyClass ?? undefined,
    marking: input.marking,
    madeIn: (input.dateCode && yearOf(input.dateCode)) || undefined,
    source: input.source,
    looks: input.looks,
    mounting: input.mounting,
    heatCycles: input.heatCycles,
    pinOrder: input.pinOrder,
    output_V: input.output_V,
    dropout_V: input.dropout_V,
    package: input.package,
    shutdown_K: input.shutdown_C === undefined ? undefined : kelvin(input.shutdown_C),
    contents: input.contents,
  };
}

export const circuitOfInput = ({ ambient_C, ...rest }: z.infer<typeof circuitInput>): Circuit => ({
  ...rest,
  ambient_K: ambient_C === undefined ? undefined : kelvin(ambient_C),
});

/** A reading in SI; "OL" and "open" are no path at all. Throws `InputError`. */
export function readingOfInput(input: z.infer<typeof readingInput>, path = '$.reading'): Reading {
  const { capacitance, esr_Ohm, resistance, inductance, drop_V, ...rest } = input;
  const figure = (given: number | string | undefined, of: ValueOf, name: string): number | undefined =>
    typeof given === 'string' && isOpen(given)
      ? Infinity
      : figureOf(given, of, `${path}.${name}`, 'meter')?.value;
  return {
    ...rest,
    capacitance_F: figure(capacitance, 'capacitance', 'capacitance'),
    esr_Ohm: figure(esr_Ohm, 'resistance', 'esr_Ohm'),
    resistance_Ohm: figure(resistance, 'resistance', 'resistance'),
    inductance_H: figure(inductance, 'inductance', 'inductance'),
    drop_V: drop_V === 'open' ? Infinity : drop_V,
  };
}
