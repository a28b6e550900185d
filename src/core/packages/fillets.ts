import { property, type Property } from '~/core/materials/property';
import type { JointForm } from './surfaceFamilies';

/** How far a land reaches past the metal that stands on it. */
export interface Fillet {
  /** Outward, past the tip of the lead or the end of the part. */
  readonly toe: Property<'m'>;
  /** Inward, behind the foot. */
  readonly heel: Property<'m'>;
  /** To each side. */
  readonly side: Property<'m'>;
}

const reach = (value_mm: number, goal_mm: number, table: string): Property<'m'> =>
  property(
    value_mm * 1e-3,
    'm',
    [Math.min(value_mm, goal_mm) * 1e-3 - 0.15e-3, Math.max(value_mm, goal_mm) * 1e-3 + 0.2e-3],
    0.3,
    'from-memory',
    `IPC-7351B ${table}, level N: ${goal_mm} mm, and the share of usual tolerances; from memory`,
  );

const fillet = (table: string, toe: Goal, heel: Goal, side: Goal): Fillet => ({
  toe: reach(...toe, table),
  heel: reach(...heel, table),
  side: reach(...side, table),
});
/** What lands are laid out with, and the goal that stands in the table. */
type Goal = readonly [value_mm: number, goal_mm: number];

/**
 * Land reaches by the form of the joint. The goals are the standard's; usual tolerances of parts, boards and
 * placement widen a land beyond them, which is added here once, as the tables' square sum comes to.
 */
export const FILLETS = {
  gull: fillet('table 3-2', [0.4, 0.35], [0.45, 0.35], [0.09, 0.03]),
  fineGull: fillet('table 3-3', [0.4, 0.35], [0.45, 0.35], [0.04, -0.02]),
  j: fillet('table 3-4', [0.35, 0.35], [0.15, 0], [0.09, 0.03]),
  termination: fillet('table 3-5', [0.42, 0.35], [0.12, 0], [0.06, 0]),
  smallTermination: fillet('table 3-6', [0.27, 0.2], [0.06, 0], [0.06, 0]),
  leadless: fillet('table 3-15', [0.37, 0.3], [0.08, 0], [0, -0.04]),
  canTab: fillet('table 3-20', [0.5, 0.5], [0, -0.1], [0.3, 0.4]),
} as const;
/** What lands keep to beside their fillets. */
export const LAND_RULES = {
  /** Share of the pitch that stays free between two lands. */
  leastGap: property(0.35, '', [0.25, 0.5], 0.15, 'assumed', 'mask dam and process gap: common practice'),
  /** A ball's land over its ball. */
  ballShare: property(
    0.8,
    '',
    [0.75, 0.9],
    0.05,
    'from-memory',
    'IPC-7351B land approximation for collapsing balls of up to 0.50 mm: 20 % less, from memory',
  ),
  /** The same over a ball of 0.55 mm and more. */
  largeBallShare: property(0.75, '', [0.7, 0.85], 0.05, 'from-memory', 'IPC-7351B, 25 % less, from memory'),
  /** A tab's land over its body: along and across. */
  tabLength: property(0.9, '', [0.7, 1.1], 0.1, 'assumed', 'DPAK patterns, from memory'),
  tabWidth: property(0.85, '', [0.7, 1], 0.1, 'assumed', 'DPAK patterns, from memory'),
} as const;

/** Gull wings closer than this have the finer goals. */
const FINE_PITCH_m = 0.6251e-3;
/** Chips shorter than this have the smaller goals (1608 metric and up have the larger). */
const SMALL_CHIP_m = 1.55e-3;

export function filletFor(
  joint: JointForm,
  { pitch_m, length_m }: { readonly pitch_m: number; readonly length_m: number },
): Fillet {
  switch (joint) {
    case 'gull':
      return pitch_m < FINE_PITCH_m ? FILLETS.fineGull : FILLETS.gull;
    case 'termination':
      return length_m < SMALL_CHIP_m ? FILLETS.smallTermination : FILLETS.termination;
    case 'j':
    case 'leadless':
      return FILLETS[joint];
    case 'tab':
    case 'ball':
      return FILLETS.canTab;
  }
}
