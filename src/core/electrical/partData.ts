import { property, type Property } from '~/core/materials/property';

/** What parts are judged and swapped by, beside their own figures. */

const SHEETS = 'makers’ series agree on about this: common practice, from memory';

/** Loss at 120 Hz and 20 °C of general-purpose aluminium electrolytics, by rated voltage up to so many volts. */
export const ALUMINIUM_LOSS: readonly (readonly [upTo_V: number, tanDelta: Property<'1'>])[] = [
  [6.3, property(0.28, '1', [0.2, 0.35], 0.15, 'from-memory', SHEETS)],
  [10, property(0.24, '1', [0.16, 0.3], 0.15, 'from-memory', SHEETS)],
  [16, property(0.2, '1', [0.14, 0.26], 0.15, 'from-memory', SHEETS)],
  [25, property(0.16, '1', [0.12, 0.22], 0.15, 'from-memory', SHEETS)],
  [35, property(0.14, '1', [0.1, 0.2], 0.15, 'from-memory', SHEETS)],
  [50, property(0.12, '1', [0.08, 0.18], 0.15, 'from-memory', SHEETS)],
  [100, property(0.1, '1', [0.07, 0.15], 0.15, 'from-memory', SHEETS)],
  [Infinity, property(0.2, '1', [0.12, 0.25], 0.2, 'from-memory', SHEETS)],
];

/** The same for other makes. */
export const OTHER_LOSS = {
  polymer: property(0.1, '1', [0.05, 0.15], 0.3, 'from-memory', SHEETS),
  tantalum: property(0.08, '1', [0.04, 0.12], 0.3, 'from-memory', SHEETS),
  film: property(0.01, '1', [0.001, 0.02], 0.5, 'from-memory', SHEETS),
  ceramic: property(0.05, '1', [0.01, 0.1], 0.5, 'from-memory', SHEETS),
} as const;

/** Of its rating, what a capacitor of each make is worked at for long. */
export const WORKED_AT = {
  aluminium: property(0.9, '1', [0.7, 1], 0.1, 'from-memory', 'common practice'),
  polymer: property(0.9, '1', [0.8, 1], 0.1, 'from-memory', 'common practice'),
  tantalum: property(
    0.5,
    '1',
    [0.33, 0.7],
    0.2,
    'from-memory',
    'half where anything stiff feeds it: common practice',
  ),
  film: property(0.8, '1', [0.6, 1], 0.1, 'assumed', 'common practice'),
  ceramic: property(
    0.5,
    '1',
    [0.3, 0.8],
    0.2,
    'from-memory',
    'class 2 loses value with voltage: common practice',
  ),
} as const;

export const CAPACITOR_LIMITS = {
  /** More loss for each further 1000 µF. */
  furtherLoss: property(0.02, '1', [0.01, 0.03], 0.2, 'from-memory', SHEETS),
  /** Past so many times its limit an electrolytic's ESR is no ageing any more. */
  deadEsr: property(
    2,
    '1',
    [1.5, 3],
    0.2,
    'from-memory',
    'end of life is twice to three times: makers’ sheets, common practice',
  ),
  /** Lost beyond its tolerance: dried out. */
  deadLoss: property(
    0.2,
    '1',
    [0.1, 0.3],
    0.25,
    'from-memory',
    'end of life is 20 to 30 % down: makers’ sheets, common practice',
  ),
  leakagePerCV: property(
    0.01,
    '1/s',
    [0.003, 0.03],
    0.3,
    'from-memory',
    '0.01 CV after two minutes: common practice',
  ),
  leastLeakage: property(3e-6, 'A', [1e-6, 5e-6], 0.3, 'from-memory', 'or 3 µA, the larger: makers’ sheets'),
  deadLeakage: property(
    5,
    '1',
    [3, 10],
    0.3,
    'assumed',
    'so many times what is allowed does not come back by forming',
  ),
  /** So many kelvin less and it lives twice as long. */
  halves: property(10, 'K', [8, 12], 0.1, 'from-memory', 'makers’ life formulas, common practice'),
  /** In a drawer for so long it is formed first. */
  formedAfter: property(5, 'a', [2, 10], 0.3, 'from-memory', 'common practice'),
  /** A lead is bent by so much either way without harm. */
  formedLead: property(2.6e-3, 'm', [2e-3, 5e-3], 0.2, 'assumed', 'one step of the grid: common practice'),
} as const;

/** Current gain of small bipolar transistors at a meter's own current. */
export const GAIN = {
  /** Less is no transistor any more. */
  dead: property(5, '', [2, 10], 0.5, 'from-memory', 'common practice'),
  /** Power types and old ones come down to this; small ones have a hundred and more. */
  low: property(20, '', [10, 40], 0.5, 'from-memory', 'common practice'),
} as const;

export const METER_LEADS = {
  /** Leads that were not nulled bring so much into a low reading. */
  notNulled: property(0.3, 'Ω', [0.1, 0.6], 0.3, 'from-memory', 'common practice'),
  /** What conducts reads less. */
  conducts: property(
    1,
    'Ω',
    [0.3, 3],
    0.4,
    'assumed',
    'fuses of small rating and worn contacts come near it: common practice',
  ),
} as const;

/** Thermal resistances of regulators' packages. */
interface Chain {
  readonly junctionToCase: Property<'K/W'>;
  /** Standing free, without a sink; a surface tab on a square centimetre of copper. */
  readonly junctionToAir: Property<'K/W'>;
  /** Pad or paste between case and sink. */
  readonly interface: Property<'K/W'>;
}
const PACKAGE = 'makers’ sheets of regulators in that package, from memory';
const between = property(
  1,
  'K/W',
  [0.3, 2.5],
  0.3,
  'from-memory',
  'paste 0.3 to 0.5, mica or silicone 1 to 2: common practice',
);
export const REGULATOR_CHAINS = {
  to220: {
    junctionToCase: property(5, 'K/W', [3, 5.5], 0.2, 'from-memory', PACKAGE),
    junctionToAir: property(62, 'K/W', [50, 70], 0.1, 'from-memory', PACKAGE),
    interface: between,
  },
  dpak: {
    junctionToCase: property(5, 'K/W', [3, 8], 0.2, 'from-memory', PACKAGE),
    junctionToAir: property(92, 'K/W', [60, 110], 0.2, 'from-memory', PACKAGE),
    interface: between,
  },
  sot223: {
    junctionToCase: property(15, 'K/W', [10, 23], 0.2, 'from-memory', PACKAGE),
    junctionToAir: property(120, 'K/W', [80, 160], 0.2, 'from-memory', PACKAGE),
    interface: between,
  },
} as const satisfies Record<string, Chain>;

export const REGULATOR_LIMITS = {
  /** A junction is worked so far below what its maker's absolute rating is. */
  workedTo: property(398.15, 'K', [383, 423], 0.02, 'from-memory', '125 °C: common practice'),
  /** Where they switch themselves off, where no sheet says. */
  shutdown: property(433.15, 'K', [423, 448], 0.02, 'from-memory', '150 to 175 °C: makers’ sheets'),
  /** The room of a bench test. */
  room: property(298.15, 'K', [291, 303], 0.01, 'assumed', 'a warm workshop'),
  /** About a board inside its case, where nothing says. */
  inCase: property(318.15, 'K', [303, 343], 0.03, 'assumed', 'common practice'),
} as const;

/** What a resistor stands for a while. */
export const OVERLOAD = {
  /** In power: two and a half times its rated voltage. */
  times: property(6.25, '1', [4, 10], 0.2, 'from-memory', 'IEC 60115-1, short-time overload'),
  lasting: property(5, 's', [2, 10], 0.2, 'from-memory', 'IEC 60115-1, short-time overload'),
} as const;
