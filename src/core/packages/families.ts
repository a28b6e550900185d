import { CELL } from '~/core/materials/cells';
import { property, type Property } from '~/core/materials/property';
import { bodyDensity } from './density';
import type { LeadMetalId } from '~/core/materials/leads';

/** What a through-hole family brings beyond its dimensions. */
export interface FamilyTraits {
  readonly name: string;
  readonly leadMetal: LeadMetalId;
  /** Body temperature that the part should not pass during hand work. */
  readonly bodyLimit: Property<'K'>;
  readonly bodyHeat: Property<'J/m³K'>;
  /** Body with its leads, over the body's volume. */
  readonly bodyDensity: Property<'kg/m³'>;
  /** Lead between the board's face and the body. */
  readonly standoff: Property<'m'>;
  /** Lead inside the body before its heat counts as the body's. */
  readonly leadInBody: Property<'m'>;
  /** What a lead is moulded or pressed into; null where it is joined to metal in there. */
  readonly moulding: Property<'W/mK'> | null;
  /** Where that gives way about a pin and lets it lean or sink; null where it does not before the solder's own heat. */
  readonly softens: Property<'K'> | null;
  readonly polarised: boolean;
}

const BODIES = 'filled epoxies, wound foils and nylons, handbook order of magnitude, from memory';

const bodyHeat = (value: number) =>
  property(value, 'J/m³K', [0.6 * value, 1.4 * value], 0.2, 'assumed', BODIES);
const limit = (value_K: number, source: string) =>
  property(value_K, 'K', [value_K - 20, value_K + 20], 0.02, 'assumed', source);
/**
 * Of the plastic that holds a pin, for the seconds of a touch: where it flows. Parts for wave soldering stand ten seconds
 * of solder at 260 °C on their pins, so softening alone is no end of them.
 */
const softening = (value_K: number, source: string) =>
  property(
    value_K,
    'K',
    [value_K - 55, value_K + 40],
    0.04,
    'from-memory',
    `${source} (handbook, from memory)`,
  );
const leadLength = (value: number) =>
  property(value, 'm', [0.3 * value, 2 * value], 0.3, 'assumed', 'common practice');

/** Nylon and polyester with glass, and filled epoxy. */
const PLASTIC = property(
  0.3,
  'W/mK',
  [0.2, 0.5],
  0.2,
  'from-memory',
  'glass-filled nylon and polyester data sheets, from memory',
);
const EPOXY = property(
  0.8,
  'W/mK',
  [0.6, 1.0],
  0.15,
  'from-memory',
  'silica-filled moulding compound data sheets, from memory',
);

/** Ramp of a through-hole body under hot air. */
export const THROUGH_HOLE_RAMP = property(
  5,
  'K/s',
  [3, 8],
  0.3,
  'assumed',
  'wave-solder preheating allows about 4 K/s; leads that go through warm more evenly: common practice',
);

/** Across a body: wound foil, moulding compound, plastic about metal. */
export const THROUGH_HOLE_CONDUCTS = property(
  0.5,
  'W/mK',
  [0.2, 1.5],
  0.4,
  'assumed',
  'between plastics (0.3) and filled epoxy (0.8), handbook order of magnitude',
);

/** How much wider a hole is drilled than its lead: what a lead is taken for where only its hole is known. */
export const HOLE_CLEARANCE = property(
  0.25e-3,
  'm',
  [0.1e-3, 0.5e-3],
  0.4,
  'from-memory',
  'IPC-2222 table 9-3, hole over the largest lead, level A 0.25 mm (B 0.20, C 0.15), from memory',
);

export const FAMILY_TRAITS = {
  radial: {
    name: 'Radial, two leads',
    leadMetal: 'copper-clad-steel',
    bodyLimit: limit(398.15, 'wound capacitor body about 20 K over its 105 °C rating for a short time'),
    bodyHeat: bodyHeat(2.0e6),
    bodyDensity: bodyDensity(1600),
    standoff: leadLength(1.0e-3),
    leadInBody: leadLength(4.0e-3),
    moulding: null,
    softens: null,
    polarised: true,
  },
  axial: {
    name: 'Axial, leads formed down',
    leadMetal: 'copper',
    bodyLimit: limit(428.15, 'coated resistor or diode body, 155 °C rating'),
    bodyHeat: bodyHeat(2.2e6),
    bodyDensity: bodyDensity(2600),
    standoff: leadLength(5.0e-3),
    leadInBody: leadLength(1.0e-3),
    moulding: null,
    softens: null,
    polarised: false,
  },
  dip: {
    name: 'Dual in-line',
    leadMetal: 'iron-nickel',
    bodyLimit: limit(473.15, 'moulded body not meant for reflow, 200 °C'),
    bodyHeat: bodyHeat(2.0e6),
    bodyDensity: bodyDensity(2400),
    standoff: leadLength(2.5e-3),
    leadInBody: leadLength(2.0e-3),
    moulding: EPOXY,
    softens: null,
    polarised: true,
  },
  dipSocket: {
    name: 'Socket, dual in-line',
    leadMetal: 'brass',
    bodyLimit: limit(413.15, 'polyester socket body, softening under load from about 140 °C'),
    bodyHeat: bodyHeat(1.9e6),
    bodyDensity: bodyDensity(1700),
    standoff: leadLength(0.5e-3),
    leadInBody: leadLength(4.0e-3),
    moulding: PLASTIC,
    softens: softening(498.15, 'glass-filled polyester (PBT melts at 223 °C)'),
    polarised: true,
  },
  header: {
    name: 'Pin header',
    leadMetal: 'brass',
    bodyLimit: limit(403.15, 'nylon or polyester insulator softening, 130 °C'),
    bodyHeat: bodyHeat(1.9e6),
    bodyDensity: bodyDensity(1900),
    standoff: leadLength(0.5e-3),
    leadInBody: leadLength(8.0e-3),
    moulding: PLASTIC,
    softens: softening(503.15, 'glass-filled polyester and nylon (PBT melts at 223 °C, PA 66 at 260 °C)'),
    polarised: true,
  },
  jack: {
    name: 'Jack or socket',
    leadMetal: 'brass',
    bodyLimit: limit(393.15, 'moulded thermoplastic connector, softening from 120 °C'),
    bodyHeat: bodyHeat(1.7e6),
    bodyDensity: bodyDensity(1500),
    standoff: leadLength(0.5e-3),
    leadInBody: leadLength(6.0e-3),
    moulding: PLASTIC,
    softens: softening(
      493.15,
      'polyester of jacks (PBT melts at 223 °C; acetal, in old ones, at 165 to 175 °C)',
    ),
    polarised: true,
  },
  transformer: {
    name: 'Transformer or choke',
    leadMetal: 'copper-clad-steel',
    bodyLimit: limit(
      403.15,
      'winding of insulation class B with its bobbin, 130 °C (IEC 60085, from memory)',
    ),
    bodyHeat: bodyHeat(2.9e6),
    bodyDensity: bodyDensity(4000),
    standoff: leadLength(0.5e-3),
    leadInBody: leadLength(5.0e-3),
    moulding: PLASTIC,
    softens: softening(498.15, 'bobbins of glass-filled polyester (PBT melts at 223 °C)'),
    polarised: true,
  },
  switch: {
    name: 'Switch or button',
    leadMetal: 'brass',
    bodyLimit: limit(393.15, 'moulded thermoplastic about a moving contact, softening from 120 °C'),
    bodyHeat: bodyHeat(1.8e6),
    bodyDensity: bodyDensity(1600),
    standoff: leadLength(0.3e-3),
    leadInBody: leadLength(4.0e-3),
    moulding: PLASTIC,
    softens: softening(493.15, 'polyester and nylon of switches (PBT melts at 223 °C, PA 66 at 260 °C)'),
    polarised: true,
  },
  relay: {
    name: 'Relay',
    leadMetal: 'copper',
    bodyLimit: limit(
      393.15,
      'winding and seal of a relay for 85 °C about it, a short time 35 K over that (IEC 61810-1 leaves it to the maker, from memory)',
    ),
    bodyHeat: bodyHeat(2.6e6),
    bodyDensity: bodyDensity(2300),
    standoff: leadLength(0.3e-3),
    leadInBody: leadLength(6.0e-3),
    moulding: PLASTIC,
    softens: softening(498.15, 'glass-filled polyester of relay bases (PBT melts at 223 °C)'),
    polarised: true,
  },
  crystal: {
    name: 'Crystal in a can',
    leadMetal: 'iron-nickel',
    bodyLimit: limit(
      423.15,
      'a resonator held by conductive glue and aged by heat, 150 °C at its can; cylinders sealed with solder go at 180 to 230 °C',
    ),
    bodyHeat: bodyHeat(2.4e6),
    bodyDensity: bodyDensity(2400),
    standoff: leadLength(0.6e-3),
    leadInBody: leadLength(1.0e-3),
    moulding: null,
    softens: null,
    polarised: false,
  },
  display: {
    name: 'Display',
    leadMetal: 'brass',
    bodyLimit: limit(
      358.15,
      'liquid crystal clears for good and cast light-emitting digits cloud from about 85 °C, their storage rating',
    ),
    bodyHeat: bodyHeat(1.9e6),
    bodyDensity: bodyDensity(1600),
    standoff: leadLength(1.0e-3),
    leadInBody: leadLength(3.0e-3),
    moulding: PLASTIC,
    softens: softening(473.15, 'styrene and polycarbonate reflectors, 150 to 220 °C'),
    polarised: true,
  },
  cell: {
    name: 'Cell with tabs',
    leadMetal: 'iron-nickel',
    bodyLimit: CELL.lithiumLimit,
    bodyHeat: bodyHeat(2.2e6),
    bodyDensity: bodyDensity(3000),
    standoff: leadLength(1.0e-3),
    leadInBody: leadLength(8.0e-3),
    moulding: null,
    softens: null,
    polarised: true,
  },
  to220: {
    name: 'Power tab, TO-220',
    leadMetal: 'copper',
    bodyLimit: limit(473.15, 'moulded body not meant for reflow, 200 °C'),
    bodyHeat: bodyHeat(2.6e6),
    bodyDensity: bodyDensity(2800),
    standoff: leadLength(3.5e-3),
    leadInBody: leadLength(1.5e-3),
    moulding: null,
    softens: null,
    polarised: true,
  },
  to92: {
    name: 'Small transistor, TO-92',
    leadMetal: 'copper-clad-steel',
    bodyLimit: limit(
      448.15,
      'moulded body not meant for reflow, its junction rated 150 °C, 175 °C for a short time',
    ),
    bodyHeat: bodyHeat(2.0e6),
    bodyDensity: bodyDensity(2200),
    standoff: leadLength(3.0e-3),
    leadInBody: leadLength(1.5e-3),
    moulding: EPOXY,
    softens: null,
    polarised: true,
  },
  dsub: {
    name: 'D-sub connector',
    leadMetal: 'brass',
    bodyLimit: limit(403.15, 'polyester insulator in a steel shell, softening from about 130 °C'),
    bodyHeat: bodyHeat(2.4e6),
    bodyDensity: bodyDensity(2600),
    standoff: leadLength(1.0e-3),
    leadInBody: leadLength(9.0e-3),
    moulding: PLASTIC,
    softens: softening(498.15, 'glass-filled polyester (PBT melts at 223 °C)'),
    polarised: true,
  },
} as const satisfies Record<string, FamilyTraits>;

/** Families whose pins stand in two rows, counted down one and up the other. */
export const TWO_ROWS: ReadonlySet<FamilyId> = new Set(['dip', 'dipSocket']);

/** Families whose pins may stand anywhere: their makers agree on no pattern. */
export const ANYWHERE: ReadonlySet<FamilyId> = new Set([
  'header',
  'jack',
  'dsub',
  'to92',
  'transformer',
  'switch',
  'relay',
  'display',
  'cell',
]);

export type FamilyId = keyof typeof FAMILY_TRAITS;
export const FAMILY_IDS = Object.keys(FAMILY_TRAITS) as [FamilyId, ...FamilyId[]];
