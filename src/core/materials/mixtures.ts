import { kelvin } from '~/core/quantity/convert';
import type { Element } from './alloys';
import { property } from './property';

/** What is needed to estimate where solders melted into one another melt. */

const BINARY = 'tin-rich side of the binary phase diagram, ASM Handbook vol. 3, from memory';
const slope = (value: number) =>
  property(value, 'K/%', [0.6 * value, 1.5 * value], 0.15, 'from-memory', BINARY);

/** Fall of the liquidus per percent by mass dissolved in tin. */
export const LIQUIDUS_SLOPE = {
  Pb: slope(1.3),
  Bi: slope(1.62),
  In: slope(2.1),
  Ag: slope(3.1),
  Cu: slope(7),
} as const satisfies Record<Exclude<Element, 'Sn'>, unknown>;

const eutectic = (elements: readonly Element[], at_C: number, source: string) =>
  ({
    name: elements.join('–'),
    elements,
    melts: property(kelvin(at_C), 'K', [at_C + 268, at_C + 278], 0.005, 'from-memory', source),
  }) as const;

/** The deepest eutectics that these elements make together. */
export const EUTECTICS = [
  eutectic(['Sn', 'Pb'], 183, 'binary diagram'),
  eutectic(['Sn', 'Pb', 'Ag'], 178, 'ternary diagram'),
  eutectic(['Sn', 'Bi'], 138, 'binary diagram'),
  eutectic(['Sn', 'In'], 118, 'binary diagram'),
  eutectic(['Sn', 'Pb', 'Bi'], 96, 'ternary diagram; the danger of bismuth on leaded boards'),
  eutectic(['Sn', 'Bi', 'In'], 60, 'ternary diagram'),
  eutectic(['Sn', 'Pb', 'Bi', 'In'], 58, 'quaternary diagram'),
  eutectic(['Sn', 'Ag'], 221, 'binary diagram'),
  eutectic(['Sn', 'Cu'], 227, 'binary diagram'),
  eutectic(['Sn', 'Ag', 'Cu'], 217, 'ternary diagram'),
] as const;

export const MIXTURE = {
  tin: property(
    505.078,
    'K',
    [505.07, 505.09],
    0.00001,
    'published',
    'ITS-90 fixed point of tin, 231.928 °C',
  ),
  /** One standard deviation of an estimated liquidus. */
  liquidusSpread: property(
    15,
    'K',
    [8, 30],
    0.3,
    'assumed',
    'additive slopes miss listed alloys by up to 12 K; mixtures are less even',
  ),
  /** Less than this makes no phase of its own that matters. */
  trace: property(0.003, '1', [0.001, 0.01], 0.5, 'assumed', 'J-STD-006 impurity limits are of this order'),
} as const;
