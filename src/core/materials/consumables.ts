import { property } from './property';

/** Solder wire, braid and flux as a bench buys and uses them. */
export const WIRE = {
  solderShare: property(
    0.94,
    '1',
    [0.88, 0.98],
    0.02,
    'from-memory',
    'flux core of about 6 % of the section: common practice',
  ),
  /** What a technician adds to an old joint. */
  addedToJoint: property(
    1.5e-9,
    'm³',
    [0.5e-9, 3e-9],
    0.3,
    'assumed',
    'about 3 mm of 0.8 mm wire: common practice',
  ),
  /** The same on a surface land, which takes less. */
  addedToLand: property(0.6e-9, 'm³', [0.2e-9, 1.5e-9], 0.3, 'assumed', 'about a millimetre of 0.8 mm wire'),
} as const;

export const BRAID = {
  thickness: property(0.5e-3, 'm', [0.3e-3, 0.8e-3], 0.2, 'assumed', 'flat copper braid, common practice'),
  voidShare: property(0.6, '1', [0.45, 0.75], 0.1, 'assumed', 'loosely woven copper strands'),
  usefulShare: property(
    0.5,
    '1',
    [0.35, 0.65],
    0.15,
    'from-memory',
    'half of the void fills: common practice',
  ),
} as const;

export const FLUX = {
  film: property(0.3e-3, 'm', [0.1e-3, 0.6e-3], 0.4, 'assumed', 'a brushed or dispensed film over each land'),
} as const;

export const PASTE = {
  /** Metal left on a land per area: its printed height times the share of it that is metal. */
  metalHeight: property(
    62e-6,
    'm',
    [45e-6, 90e-6],
    0.2,
    'from-memory',
    'stencil 0.125 mm, half metal: common practice',
  ),
  /** A soldered gull or termination holds this much more than was printed, in its fillets. */
  filletFactor: property(1.3, '1', [1, 1.8], 0.15, 'assumed', 'hand-soldered and touched-up joints'),
} as const;
