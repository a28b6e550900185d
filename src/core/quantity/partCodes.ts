import { SERIES } from './series';

/** Codes of IEC 60062 and of what makers print on small parts. */

/** Letters of tolerance, as shares down and up (IEC 60062, table 3; Z by common practice). */
export const TOLERANCE_LETTERS: Readonly<Record<string, readonly [down: number, up: number]>> = {
  B: [0.001, 0.001],
  C: [0.0025, 0.0025],
  D: [0.005, 0.005],
  F: [0.01, 0.01],
  G: [0.02, 0.02],
  J: [0.05, 0.05],
  K: [0.1, 0.1],
  M: [0.2, 0.2],
  N: [0.3, 0.3],
  Z: [0.2, 0.8],
};

/** Single letters of rated voltage on small capacitors, V (common practice of makers, from memory). */
const VOLTAGE_LETTERS: Readonly<Record<string, number>> = {
  e: 2.5,
  G: 4,
  J: 6.3,
  A: 10,
  C: 16,
  D: 20,
  E: 25,
  V: 35,
  H: 50,
};

/** A decade and a letter: 1H is 50 V (EIA and makers' lists, from memory). */
const VOLTAGE_STEPS: Readonly<Record<string, number>> = {
  A: 1,
  B: 1.25,
  C: 1.6,
  D: 2,
  E: 2.5,
  V: 3.5,
  F: 3.15,
  G: 4,
  H: 5,
  J: 6.3,
  K: 8,
};

/** Rated voltage by a code of a digit and a letter, or of a letter alone, V; null where it is neither. */
export function voltageByCode(code: string): number | null {
  const pair = /^([0-3])([A-HJKV])$/.exec(code);
  if (pair) return Number(`${VOLTAGE_STEPS[pair[2]!]}e${pair[1]}`);
  return VOLTAGE_LETTERS[code] ?? null;
}

const EIA96_POWERS: Readonly<Record<string, number>> = {
  Z: -3,
  Y: -2,
  X: -1,
  S: -1,
  A: 0,
  B: 1,
  H: 1,
  C: 2,
  D: 3,
  E: 4,
  F: 5,
};

/** Two figures and a letter on a small resistor: 01C is 10 kΩ (EIA-96, from memory; its R is left to 10R, ten ohms). */
export function eia96_Ohm(code: string): number | null {
  const found = /^(\d\d)([A-FHSXYZ])$/.exec(code);
  if (!found) return null;
  const step = SERIES.E96[Number(found[1]) - 1];
  return step === undefined ? null : Number(`${Math.round(step * 100)}e${EIA96_POWERS[found[2]!]}`);
}

/** Figures and a power of ten: 104 is 100000, 4702 is 47000, in the unit of what it stands on; null where it is none. */
export function figures(code: string): number | null {
  const found = /^(\d{2,3})(\d)$/.exec(code);
  if (!found) return null;
  // On capacitors 8 and 9 are hundredths and tenths (EIA-198, from memory).
  const power = found[2] === '8' ? -2 : found[2] === '9' ? -1 : Number(found[2]);
  return Number(`${found[1]}e${power}`);
}

/** Colours of rings: digit, power, tolerance (IEC 60062, table 1). */
const RINGS: Readonly<Record<string, { digit?: number; power?: number; tolerance?: number }>> = {
  black: { digit: 0, power: 0 },
  brown: { digit: 1, power: 1, tolerance: 0.01 },
  red: { digit: 2, power: 2, tolerance: 0.02 },
  orange: { digit: 3, power: 3, tolerance: 0.0005 },
  yellow: { digit: 4, power: 4, tolerance: 0.0002 },
  green: { digit: 5, power: 5, tolerance: 0.005 },
  blue: { digit: 6, power: 6, tolerance: 0.0025 },
  violet: { digit: 7, power: 7, tolerance: 0.001 },
  grey: { digit: 8, power: 8, tolerance: 0.0001 },
  gray: { digit: 8, power: 8, tolerance: 0.0001 },
  white: { digit: 9, power: 9 },
  gold: { power: -1, tolerance: 0.05 },
  silver: { power: -2, tolerance: 0.1 },
  pink: { power: -3 },
};

/** Four or five rings by their names, as they stand from the end: value in Ω and tolerance; null where they are none. */
export function ringsOf(
  names: readonly string[],
): { readonly value: number; readonly tolerance: number } | null {
  const rings = names.map((name) => RINGS[name]);
  if (names.length < 3 || names.length > 5 || rings.some((ring) => ring === undefined)) return null;
  const count = names.length === 5 ? 3 : 2;
  const digits = rings.slice(0, count).map((ring) => ring!.digit);
  const power = rings[count]!.power;
  const last = names.length === 3 ? 0.2 : rings[count + 1]!.tolerance;
  if (digits.some((digit) => digit === undefined) || power === undefined || last === undefined) return null;
  return { value: Number(`${digits.join('')}e${power}`), tolerance: last };
}
