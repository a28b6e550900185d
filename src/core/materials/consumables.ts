import { property } from './property';

/** Solder wire, braid and flux as a bench buys and uses them. */
export const WIRE = {
  /** Of the wire's section: cores are told by mass of flux, which is an eighth as dense as the solder about it. */
  solderShare: property(
    0.84,
    '1',
    [0.77, 0.93],
    0.04,
    'assumed',
    '2 to 3 % of flux by mass at 1.05 g/cm³ beside 7.4 to 8.5: 13 to 20 % of the section; cores from 1 to 3.5 % are sold',
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
  /** Each land takes a fresh piece: what was heated is stiff and is cut off. */
  perLand: property(
    2e-3,
    'm',
    [1e-3, 4e-3],
    0.4,
    'assumed',
    'a bit of fresh braid to a pad: common practice',
  ),
  trimmed: property(
    10e-3,
    'm',
    [5e-3, 20e-3],
    0.4,
    'assumed',
    'the spent end cut off after: common practice',
  ),
} as const;

export const FLUX = {
  /** Under a body that hides its joints. */
  film: property(0.3e-3, 'm', [0.1e-3, 0.6e-3], 0.4, 'assumed', 'a brushed or dispensed film under the body'),
  perLand: property(
    4e-9,
    'm³',
    [2e-9, 8e-9],
    0.4,
    'assumed',
    'a 44-pin pack takes 0.1 to 0.3 mL from a needle: common practice',
  ),
  once: property(
    20e-9,
    'm³',
    [10e-9, 50e-9],
    0.4,
    'assumed',
    'a drop runs beside every site: common practice',
  ),
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
  /** Metal in paste by mass. */
  metalShare: property(
    0.885,
    '1',
    [0.86, 0.91],
    0.015,
    'from-memory',
    'printing pastes are 88 to 89 % metal by mass',
  ),
  /** A soldered gull or termination holds this much more than was printed, in its fillets. */
  filletFactor: property(1.3, '1', [1, 1.8], 0.15, 'assumed', 'hand-soldered and touched-up joints'),
} as const;

export const FLOOD = {
  perLead: property(
    2e-9,
    'm³',
    [1e-9, 4e-9],
    0.3,
    'assumed',
    'about 4 mm of 0.8 mm wire a lead, bridging to the next: common practice',
  ),
  /** Low-melt alloy for each part of the joint's own solder. */
  lowMeltShare: property(
    2,
    '1',
    [1, 4],
    0.3,
    'assumed',
    'at least as much as the joint holds: common practice',
  ),
} as const;

export const SOLVENT = {
  perArea: property(
    1e-3,
    'm³/m²',
    [0.4e-3, 2.5e-3],
    0.4,
    'assumed',
    'a wetted brush leaves about a millimetre over what it cleans: common practice',
  ),
  /** Wetted, brushed, rinsed and blotted, and once more where it is sticky. */
  passes: property(4, '1', [2, 6], 0.3, 'assumed', 'a few millilitres to a site: common practice'),
  /** Around a part as well as under it. */
  margin_m2: property(6e-4, 'm²', [3e-4, 12e-4], 0.4, 'assumed', 'some 25 by 25 mm about the site'),
} as const;

/** Sheet that shields: what one job takes. */
export const COVER = {
  foilPerJob: property(2.5e-3, 'm²', [1e-3, 6e-3], 0.4, 'assumed', 'about 50 by 50 mm of foil in strips'),
  tapePerJob: property(6e-4, 'm²', [2e-4, 2e-3], 0.4, 'assumed', 'about 50 mm of 12 mm tape'),
} as const;
