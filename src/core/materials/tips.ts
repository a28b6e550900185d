import { property, type Property } from './property';

/** How the heater meets the tip. */
export interface TipConstruction {
  readonly name: string;
  /** Heater winding to the body of the tip. */
  readonly bondResistance: Property<'K/W'>;
  /** Copper between the body of the tip and its working end. */
  readonly taperLength: Property<'m'>;
  readonly shankDiameter: Property<'m'>;
  readonly heaterCapacity: Property<'J/K'>;
  readonly bodyCapacity: Property<'J/K'>;
}

const TIPS = 'common practice: recovery of bench irons on a copper block, from memory';

export const TIP_CONSTRUCTIONS = {
  cartridge: {
    name: 'Cartridge (heater inside the tip)',
    bondResistance: property(0.6, 'K/W', [0.3, 1.0], 0.25, 'from-memory', TIPS),
    taperLength: property(5e-3, 'm', [3e-3, 8e-3], 0.15, 'assumed', TIPS),
    shankDiameter: property(4.5e-3, 'm', [3e-3, 6e-3], 0.1, 'assumed', TIPS),
    heaterCapacity: property(1.2, 'J/K', [0.6, 2], 0.2, 'assumed', TIPS),
    bodyCapacity: property(1.6, 'J/K', [0.8, 3], 0.2, 'assumed', TIPS),
  },
  'slip-on': {
    name: 'Slip-on (tip over a ceramic heater)',
    bondResistance: property(4.0, 'K/W', [2.5, 6], 0.25, 'from-memory', TIPS),
    taperLength: property(8e-3, 'm', [5e-3, 12e-3], 0.15, 'assumed', TIPS),
    shankDiameter: property(6e-3, 'm', [4e-3, 8e-3], 0.1, 'assumed', TIPS),
    heaterCapacity: property(3.0, 'J/K', [2, 5], 0.2, 'assumed', TIPS),
    bodyCapacity: property(3.5, 'J/K', [2, 6], 0.2, 'assumed', TIPS),
  },
  gun: {
    name: 'Desoldering gun (hollow tip over a tube heater)',
    bondResistance: property(1.6, 'K/W', [0.8, 3], 0.25, 'assumed', TIPS),
    taperLength: property(9e-3, 'm', [5e-3, 14e-3], 0.15, 'assumed', TIPS),
    shankDiameter: property(6e-3, 'm', [4e-3, 9e-3], 0.1, 'assumed', TIPS),
    heaterCapacity: property(6.0, 'J/K', [3, 10], 0.2, 'assumed', TIPS),
    bodyCapacity: property(6.0, 'J/K', [3, 12], 0.2, 'assumed', TIPS),
  },
} as const satisfies Record<string, TipConstruction>;
/** Constructions of a solid tip; a gun's is its own. */
export const TIP_CONSTRUCTION_IDS = ['cartridge', 'slip-on'] as const;

/** Height over which a tip of each shape lies against a joint; its width is the tip's own. */
export const TIP_SHAPES = {
  chisel: { name: 'Chisel', reach: property(0.9e-3, 'm', [0.5e-3, 1.4e-3], 0.2, 'assumed', TIPS) },
  bevel: { name: 'Bevel', reach: property(1.3e-3, 'm', [0.8e-3, 2e-3], 0.2, 'assumed', TIPS) },
  knife: { name: 'Knife', reach: property(0.7e-3, 'm', [0.4e-3, 1.2e-3], 0.2, 'assumed', TIPS) },
  conical: { name: 'Conical', reach: property(0.7e-3, 'm', [0.4e-3, 1.2e-3], 0.2, 'assumed', TIPS) },
} as const;

export type TipShapeId = keyof typeof TIP_SHAPES;
export const TIP_SHAPE_IDS = Object.keys(TIP_SHAPES) as [TipShapeId, ...TipShapeId[]];

export const TIP_CONTACT = {
  /**
   * Fitted in the joint model's present form to two facts of the trade, between which little room is left: a signal pin
   * of a two-layer board under a 2.4 mm chisel at 360 °C with fresh solder melts through in 0.7 to 2 s (from 1.5e-5 up),
   * a pin solid on two planes of four layers at 480 °C in 2 to 8 s (up to 1.7e-5).
   */
  wettedResistivity: property(
    1.6e-5,
    'm²K/W',
    [6e-6, 4e-5],
    0.4,
    'assumed',
    'about 0.2 mm of molten solder at 25 W/mK is 8e-6, wetted over half of the face 1.6e-5; signal and plane pins melt when benches say with 1.5e-5 to 1.7e-5: common practice',
  ),
  dryFactor: property(
    7,
    '1',
    [5, 10],
    0.2,
    'from-memory',
    'a dry, oxidised touch is five to ten times worse: common practice',
  ),
  /** Over this a fluxed, tinned touch comes from dry to wetted: the hand seats it and the flux acts. */
  wettingTime: property(
    0.5,
    's',
    [0.2, 1.2],
    0.4,
    'assumed',
    'a hand needs a few tenths of a second to seat a tip, and flux about as long to act: common practice',
  ),
  /** Without flux only molten solder under the tip wets it, through its own skin of oxide. */
  dryWettingTime: property(
    2,
    's',
    [0.5, 6],
    0.5,
    'assumed',
    'a dry tip on an old joint takes some seconds once the solder gives: common practice',
  ),
  freshSolderArea: property(
    1.8,
    '1',
    [1.3, 2.5],
    0.15,
    'assumed',
    'a bead of fresh solder bridges tip, pad and lead: common practice',
  ),
  idleLoss: property(
    9e-3,
    'W/K',
    [5e-3, 15e-3],
    0.2,
    'assumed',
    'an idle iron at 350 °C draws 2 to 5 W: common practice',
  ),
  /** One standard deviation of the tip against its set temperature. */
  calibrationSpread: property(
    7,
    'K',
    [3, 15],
    0.3,
    'assumed',
    'tips checked with a tip thermometer: common practice',
  ),
  proportionalBand: property(8, 'K', [2, 20], 0.3, 'assumed', 'full power from 8 K below the setting'),
} as const;

export const TIP_WEAR = {
  /** Hours of work over which a tip's contact resistance grows by as much as it had when new. */
  doublesOver: property(
    120,
    'h',
    [40, 400],
    0.5,
    'assumed',
    'plated tips last some weeks of daily work before they no longer wet: common practice',
  ),
} as const;

/** Contact resistance of a tip after so many hours, against a new one's: growing evenly, never more than tenfold. */
export const wearOf = (hours: number): number => Math.min(10, 1 + hours / TIP_WEAR.doublesOver.value);
