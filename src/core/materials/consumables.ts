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
