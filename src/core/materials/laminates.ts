import { kelvin } from '~/core/quantity/convert';
import { property, type Property, type Standing } from './property';

/** A board laminate: how it carries heat, and how long it endures it. */
export interface Laminate {
  readonly name: string;
  readonly conductivityInPlane: Property<'W/mK'>;
  readonly conductivityThrough: Property<'W/mK'>;
  readonly volumetricHeat: Property<'J/m³K'>;
  /** Time to delamination at 260 °C and at 288 °C; the uncertainty is that of its logarithm. */
  readonly t260: Property<'s'>;
  readonly t288: Property<'s'>;
  readonly glassTransition: Property<'K'>;
  readonly expansion: Property<'1/K'>;
}

const GLASS_EPOXY = 'glass–epoxy laminates, several published measurements, from memory';
const T_TEST = 'IPC-TM-650 2.4.24.1 time to delamination, typical data-sheet figures, from memory';

const PAPER = 'paper-phenolic laminates, handbook order of magnitude';
const FLOAT =
  'blister time of paper-phenolic on solder at 260 °C, 10 to 40 s by data sheets; no sheet gives T260 or T288, carried on';
const SHEET = 'IPC-4101 slash sheets, typical';

const inPlane = (value: number, source = GLASS_EPOXY) =>
  property(value, 'W/mK', [0.5 * value, 1.5 * value], 0.15, standing(source), source);
const through = (value: number, source = GLASS_EPOXY) =>
  property(value, 'W/mK', [0.6 * value, 1.5 * value], 0.15, standing(source), source);
const heat = (value: number, source = GLASS_EPOXY) =>
  property(value, 'J/m³K', [0.8 * value, 1.25 * value], 0.08, standing(source), source);
const endures = (value_s: number, range: readonly [number, number], source = T_TEST) =>
  property(value_s, 's', range, 0.5, standing(source), source);

const glass = (value_C: number, source = SHEET) =>
  property(kelvin(value_C), 'K', [value_C + 258, value_C + 288], 0.01, standing(source), source);
/** Paper-phenolic boards are told by habit, not by sheets. */
function standing(source: string): Standing {
  return source === GLASS_EPOXY || source === T_TEST || source === SHEET ? 'from-memory' : 'assumed';
}
const expands = (value: number) =>
  property(
    value,
    '1/K',
    [0.7 * value, 1.4 * value],
    0.12,
    'from-memory',
    'in-plane, below Tg; typical data sheets',
  );

export const LAMINATES = {
  'fr4-standard': {
    name: 'FR-4, standard',
    conductivityInPlane: inPlane(0.8),
    conductivityThrough: through(0.32),
    volumetricHeat: heat(2.0e6),
    t260: endures(1200, [600, 1800]),
    t288: endures(210, [120, 300]),
    glassTransition: glass(135),
    expansion: expands(1.5e-5),
  },
  'fr4-high-tg': {
    name: 'FR-4, high Tg, phenolic cured',
    conductivityInPlane: inPlane(0.8),
    conductivityThrough: through(0.36),
    volumetricHeat: heat(2.0e6),
    t260: endures(3600, [2400, 5400]),
    t288: endures(900, [600, 1800]),
    glassTransition: glass(170),
    expansion: expands(1.4e-5),
  },
  'paper-phenolic': {
    name: 'Paper-phenolic (FR-2)',
    conductivityInPlane: inPlane(0.3, PAPER),
    conductivityThrough: through(0.22, PAPER),
    volumetricHeat: heat(1.9e6, PAPER),
    t260: endures(40, [10, 120], FLOAT),
    t288: endures(10, [3, 30], FLOAT),
    glassTransition: glass(105, PAPER),
    expansion: expands(1.8e-5),
  },
} as const satisfies Record<string, Laminate>;

export type LaminateId = keyof typeof LAMINATES;
export const LAMINATE_IDS = Object.keys(LAMINATES) as [LaminateId, ...LaminateId[]];

/**
 * The bond between copper and resin under a land, as two Arrhenius lines: what heat alone does to it, and what a tip
 * that presses on it adds, faster the softer the resin is and the less land there is behind the push. They were drawn
 * so that all of this holds at once: three lead-free passes of J-STD-020 leave most of a life, the floats of
 * IPC-TM-650 2.6.8 and the rework of 2.4.36 are survived as they demand, and ten seconds under an iron at 350 °C are
 * about the end of a 2 mm land (tests/reference/lives).
 */
export const PAD_BOND = {
  activation: property(
    1.3,
    'eV',
    [1.1, 1.6],
    0.08,
    'assumed',
    'laminates’ T260 over T288 give 1.3 to 1.6 eV; the shallowest of them keeps ten seconds at 350 °C and the floats together',
  ),
  /** Life at 350 °C that nothing pushes on. */
  at350: property(
    14,
    's',
    [7, 30],
    0.5,
    'assumed',
    'pads under an iron near 350 °C float after about ten seconds, pushed; without the push somewhat later: common practice',
  ),
  pushActivation: property(
    1.9,
    'eV',
    [1.4, 2.4],
    0.12,
    'assumed',
    'resin above its glass transition softens faster than it decomposes: common practice',
  ),
  /** Life at 350 °C of a land of the reference area by a usual hand’s push alone. */
  pushAt350: property(
    35,
    's',
    [15, 80],
    0.5,
    'assumed',
    'what the push takes off fourteen seconds to leave ten: common practice',
  ),
  referenceArea: property(
    3.0e-6,
    'm²',
    [1e-6, 1e-5],
    0.3,
    'assumed',
    'bond under a 2 mm pad; the same push on a smaller one has less bond to hold it',
  ),
} as const;
