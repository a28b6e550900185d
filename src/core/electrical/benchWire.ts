import { property } from '~/core/materials/property';
import { gaugeDiameter_m } from './wire';
import { wireCurrent_A } from './wireRise';

/** How a wire lies: it sheds its heat to less air where it is glued down or lies among others. */
export const LAID = {
  free: property(1, '1', [0.9, 1.1], 0.05, 'assumed', 'as computed for a free wire'),
  'on-laminate': property(
    0.7,
    '1',
    [0.5, 0.9],
    0.2,
    'assumed',
    'glued down it sheds to half of its round: common practice',
  ),
  bundled: property(
    0.5,
    '1',
    [0.3, 0.7],
    0.2,
    'assumed',
    'in a bundle of some: half (common practice, MIL-W-5088L curves, from memory)',
  ),
} as const;
export type Laid = keyof typeof LAID;
export const LAID_IDS = Object.keys(LAID) as [Laid, ...Laid[]];

/**
 * Current that a wire of each gauge is used for inside a case, A: the chassis-wiring table of handbooks (Handbook of
 * Electronic Tables and Formulas, from memory).
 */
const CHASSIS_A: Readonly<Record<number, number>> = {
  30: 0.86,
  28: 1.4,
  26: 2.2,
  24: 3.5,
  22: 7,
  20: 11,
  18: 16,
  16: 22,
};

/** Gauges that a bench jumps with, the thinnest first: nothing under 30 for more than a signal. */
const GAUGES = [30, 28, 26, 24, 22, 20, 18, 16] as const;
export const THICKEST = 16;
/** More than this is no signal. */
export const SIGNAL_A = 0.1;

export interface WireAsked {
  readonly current_A: number;
  readonly rise_K: number;
  readonly case_K: number;
  readonly laid: Laid;
  /** Section of the copper it stands for, m²; null where none was lost or nobody knows. */
  readonly lost_m2: number | null;
}

export interface WireChosen {
  readonly gauge: number;
  readonly diameter_m: number;
  readonly carries_A: number;
  /** What asked for no thinner one. */
  readonly because: readonly string[];
}

/** What a gauge is used for at a bench: the lesser of its physics, as it lies, and of the handbook's table. */
export const benchCurrent_A = (
  gauge: number,
  { rise_K, case_K, laid }: Pick<WireAsked, 'rise_K' | 'case_K' | 'laid'>,
): number =>
  Math.min(LAID[laid].value * wireCurrent_A(gaugeDiameter_m(gauge), rise_K, case_K), CHASSIS_A[gauge]!);

/**
 * The wire that a bench would take: thick enough for its current as it lies, and for anything but a signal no thinner than
 * the copper it stands for. Null where the thickest carries too little.
 */
export function benchWire(asked: WireAsked): WireChosen | null {
  const signal = asked.current_A <= SIGNAL_A;
  const section = (gauge: number): number => (Math.PI / 4) * gaugeDiameter_m(gauge) ** 2;
  const carrying = GAUGES.find((gauge) => benchCurrent_A(gauge, asked) >= asked.current_A);
  if (carrying === undefined) return null;
  const asThick =
    signal || asked.lost_m2 === null ? GAUGES[0] : GAUGES.find((gauge) => section(gauge) >= asked.lost_m2!);
  const gauge = Math.min(carrying, asThick ?? GAUGES.at(-1)!);
  return {
    gauge,
    diameter_m: gaugeDiameter_m(gauge),
    carries_A: benchCurrent_A(gauge, asked),
    because: [
      ...(signal
        ? ['a signal: the thinnest that a hand can dress and that stands being touched']
        : [`gauge ${carrying} is the thinnest that carries ${asked.current_A} A ${LAID_WORDS[asked.laid]}`]),
      ...(gauge < carrying ? ['no thinner than the copper it stands for'] : []),
    ],
  };
}

const LAID_WORDS: Readonly<Record<Laid, string>> = {
  free: 'in free air',
  'on-laminate': 'glued to the board',
  bundled: 'among others',
};
