import { property } from '~/core/materials/property';

/** Figures of the hand methods; all of them are the trade's habits and not measured here. */
export const GUN = {
  room: property(
    0.2e-3,
    'm',
    [0.1e-3, 0.4e-3],
    0.3,
    'assumed',
    'bore over lead so that it can be circled in the melt: common practice',
  ),
} as const;

export const TIGHT_HOLE = {
  clearance: property(
    0.2e-3,
    'm',
    [0.1e-3, 0.3e-3],
    0.3,
    'assumed',
    'less than about 0.2 mm over the lead holds its solder by capillarity: common practice',
  ),
} as const;

/** A tip drawn over many joints in turn. */
export const SWEEP = {
  excess: property(
    0.5,
    '1',
    [0.3, 0.8],
    0.25,
    'assumed',
    'a pad under the passing tip stands midway between tip and mean: contact and spreading are alike',
  ),
} as const;

/** How fast a hand draws a tip along a row of leads. */
export const STROKE = {
  quick: property(6e-3, 'm/s', [4e-3, 8e-3], 0.3, 'assumed', 'drag soldering by hand, common practice'),
  slow: property(2e-3, 'm/s', [1.5e-3, 3e-3], 0.3, 'assumed', 'drag soldering by hand, common practice'),
  /** Slower than this the lands under the tip are held, not passed. */
  slowest: property(1e-3, 'm/s', [0.7e-3, 1.5e-3], 0.4, 'assumed', 'drag soldering by hand, common practice'),
} as const;

/** What a practised hand sets and takes where nothing forbids it. */
export const HABITS = {
  hottest: property(
    693.15,
    'K',
    [673.15, 723.15],
    0.03,
    'assumed',
    'past about 420 °C flux chars before it wets and tips oxidise in minutes: common practice',
  ),
  overLiquidus: property(
    100,
    'K',
    [80, 130],
    0.15,
    'assumed',
    'a tip is set 100 to 120 K over the liquidus to wet and make a joint: common practice',
  ),
  widestOverLand: property(
    2,
    '1',
    [1.5, 3],
    0.25,
    'assumed',
    'a tip about as wide as its pad is long: common practice',
  ),
  finestOverLand: property(
    0.5,
    '1',
    [0.3, 0.7],
    0.25,
    'assumed',
    'no needle on a plain joint: common practice',
  ),
  finePitch: property(
    1.2e-3,
    'm',
    [1e-3, 1.27e-3],
    0.1,
    'assumed',
    'under it a tip for one pin is no wider than the pitch: common practice',
  ),
} as const;
