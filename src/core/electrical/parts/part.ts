import { ALUMINIUM_LOSS, CAPACITOR_LIMITS, OTHER_LOSS } from '../partData';
import type { ValueOf } from '~/core/quantity/partValue';

/** Kinds of parts that are swapped, judged and kept. */
export const PART_KINDS = [
  'capacitor',
  'resistor',
  'inductor',
  'diode',
  'transistor',
  'regulator',
  'logic',
  'memory',
  'microcontroller',
  'connector',
  'switch',
  'fuse',
  'crystal',
  'socket',
] as const;
export type PartKind = (typeof PART_KINDS)[number];

/** Kinds that are told by a value, and what that is of. */
export const VALUE_OF: Readonly<Partial<Record<PartKind, ValueOf>>> = {
  capacitor: 'capacitance',
  resistor: 'resistance',
  inductor: 'inductance',
};

/** How a part of a kind is made, where it decides what may stand in for it. */
export const TECHNOLOGIES = [
  'aluminium',
  'polymer',
  'tantalum',
  'film',
  'ceramic',
  'carbon',
  'metal-film',
  'wirewound',
  'fusible',
  'standard',
  'fast',
  'schottky',
  'zener',
  'npn',
  'pnp',
  'n-channel',
  'p-channel',
  'time-lag',
  'quick',
] as const;
export type Technology = (typeof TECHNOLOGIES)[number];

export const SAFETY_CLASSES = ['X1', 'X2', 'Y1', 'Y2'] as const;
export type SafetyClass = (typeof SAFETY_CLASSES)[number];

export const PART_SOURCES = ['new', 'pulled', 'donor', 'unknown'] as const;
export type PartSource = (typeof PART_SOURCES)[number];

/** What a part's body and pins show of an earlier life. */
export const PART_LOOKS = ['as-new', 'pins-tinned', 'printed-anew'] as const;
type PartLooks = (typeof PART_LOOKS)[number];

/** Whether its leads go through the board or stand on it. */
export const MOUNTINGS = ['through-hole', 'surface'] as const;
export type Mounting = (typeof MOUNTINGS)[number];

export const REGULATOR_PACKAGES = ['to220', 'dpak', 'sot223'] as const;
export type RegulatorPackage = (typeof REGULATOR_PACKAGES)[number];

interface PartCase {
  readonly diameter_m?: number | undefined;
  readonly length_m?: number | undefined;
  readonly width_m?: number | undefined;
  readonly height_m?: number | undefined;
  /** Between leads, or of holes that it goes into. */
  readonly pitch_m?: number | undefined;
}

/** A part by the figures that decide; SI. What is left out is not known. */
export interface Part {
  readonly kind: PartKind;
  readonly technology?: Technology | undefined;
  /** Farad, ohm or henry; a Zener's or a regulator's voltage stands in `output_V`. */
  readonly value?: number | undefined;
  /** Shares down and up. */
  readonly tolerance?: readonly [down: number, up: number] | undefined;
  readonly rating_V?: number | undefined;
  readonly rating_A?: number | undefined;
  readonly rating_W?: number | undefined;
  readonly tanDelta?: number | undefined;
  readonly esr_Ohm?: number | undefined;
  readonly ripple_A?: number | undefined;
  /** Temperature class: the warmest it is rated for. */
  readonly warmest_K?: number | undefined;
  readonly case?: PartCase | undefined;
  /** Whether its leads have a sign. */
  readonly polar?: boolean | undefined;
  readonly safetyClass?: SafetyClass | undefined;
  /** As it is printed, with suffix. */
  readonly marking?: string | undefined;
  readonly madeIn?: number | undefined;
  readonly source?: PartSource | undefined;
  readonly looks?: PartLooks | undefined;
  readonly mounting?: Mounting | undefined;
  /** Times it has been melted off or on before. */
  readonly heatCycles?: number | undefined;
  /** Order of its pins, as a data sheet writes it: "GDS", "ADJ-OUT-IN". */
  readonly pinOrder?: string | undefined;
  readonly output_V?: number | undefined;
  readonly dropout_V?: number | undefined;
  readonly package?: RegulatorPackage | undefined;
  readonly shutdown_K?: number | undefined;
  /** A memory's or a controller's contents, which go with the board: read and kept, or not. */
  readonly contents?: 'none' | 'kept' | 'only-copy' | undefined;
}

/** How a part is mounted, told or as its figures tell it; undefined where neither does. */
export const mountingOf = ({ mounting, case: size, package: form }: Part): Mounting | undefined =>
  mounting ??
  (size?.pitch_m !== undefined || form === 'to220'
    ? 'through-hole'
    : form === undefined
      ? undefined
      : 'surface');

/** What a capacitor's sign is taken for where nothing says: electrolytes have one. */
export const isPolar = ({ kind, technology, polar }: Part): boolean =>
  polar ??
  (kind === 'capacitor' &&
    technology !== undefined &&
    ['aluminium', 'polymer', 'tantalum'].includes(technology));

/** Tolerances that parts have where none is printed, by how they are made (common practice). */
const USUAL_TOLERANCE: Partial<Record<Technology, readonly [number, number]>> = {
  aluminium: [0.2, 0.2],
  polymer: [0.2, 0.2],
  tantalum: [0.2, 0.2],
  film: [0.1, 0.1],
  ceramic: [0.2, 0.2],
};
export const toleranceOf = ({ kind, technology, tolerance }: Part): readonly [down: number, up: number] =>
  tolerance ??
  (technology && USUAL_TOLERANCE[technology]) ??
  (kind === 'resistor' ? [0.05, 0.05] : [0.2, 0.2]);

/** Where a capacitor's loss is told: twice the mains frequency of its makers' sheets. */
export const LOSS_Hz = 120;

/** ESR = tan δ / (2π f C). */
export const esrOfLoss_Ohm = (tanDelta: number, value_F: number, frequency_Hz = LOSS_Hz): number =>
  tanDelta / (2 * Math.PI * frequency_Hz * value_F);

/** The most ESR that a capacitor of its kind has when it is good; null where its value is not known. */
export function esrLimit_Ohm(
  part: Part,
): { readonly limit_Ohm: number; readonly from: 'own' | 'loss' | 'kind' } | null {
  const { value, esr_Ohm, tanDelta, technology = 'aluminium', rating_V = 25 } = part;
  if (esr_Ohm !== undefined) return { limit_Ohm: esr_Ohm, from: 'own' };
  if (value === undefined) return null;
  if (tanDelta !== undefined) return { limit_Ohm: esrOfLoss_Ohm(tanDelta, value), from: 'loss' };
  const further = CAPACITOR_LIMITS.furtherLoss.value * Math.floor(Math.max(0, value - 1e-3) / 1e-3);
  const other = technology in OTHER_LOSS ? OTHER_LOSS[technology as keyof typeof OTHER_LOSS].value : null;
  const usual = other ?? ALUMINIUM_LOSS.find(([upTo_V]) => rating_V <= upTo_V)![1].value + further;
  return { limit_Ohm: esrOfLoss_Ohm(usual, value), from: 'kind' };
}
