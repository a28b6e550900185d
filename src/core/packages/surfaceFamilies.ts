import type { LeadMetalId } from '~/core/materials/leads';
import { property, type Property } from '~/core/materials/property';
import { bodyDensity } from './density';

/** How a surface part meets its lands. */
export type JointForm = 'termination' | 'gull' | 'j' | 'leadless' | 'ball' | 'tab';

/** What a surface family brings beyond its outline. */
export interface SurfaceTraits {
  readonly name: string;
  readonly joint: JointForm;
  readonly leadMetal: LeadMetalId;
  readonly leadThickness: Property<'m'>;
  /** Lead between land and body. */
  readonly leadLength: Property<'m'>;
  /** Air between body and board. */
  readonly gap: Property<'m'>;
  readonly bodyHeat: Property<'J/m³K'>;
  /** Body with its leads, over the body's volume. */
  readonly bodyDensity: Property<'kg/m³'>;
  /** Conduction along the body from one joint to its middle; for parts that are their own lead. */
  readonly bodyConductivity: Property<'W/mK'>;
  /** Body limit where the classification tables do not apply. */
  readonly bodyLimit: Property<'K'> | null;
  /** What the body stands for the seconds of one touch of a tip, where that is more. */
  readonly touchLimit: Property<'K'> | null;
  /** Ramp the body stands. */
  readonly rampLimit: Property<'K/s'>;
  /** Joints that cannot be seen once the part is down. */
  readonly hidden: boolean;
}

const OUTLINES = 'JEDEC outlines of the family, typical figures, from memory';
const metre = (value: number) => property(value, 'm', [0.5 * value, 2 * value], 0.2, 'from-memory', OUTLINES);
const heat = (value: number, source: string) =>
  property(value, 'J/m³K', [0.7 * value, 1.3 * value], 0.15, 'assumed', source);
const inside = (value: number, source: string) =>
  property(value, 'W/mK', [0.4 * value, 2.5 * value], 0.4, 'assumed', source);
const ramp = (value: number, source: string) =>
  property(value, 'K/s', [0.5 * value, 2 * value], 0.3, 'from-memory', source);

const MOULD = heat(2.1e6, 'filled epoxy about 1.9e6, with lead frame and chip');
const MOULD_CONDUCTS = inside(3, 'filled epoxy 0.8 W/mK about a copper frame');
/** A standard's limit has no range to move it in. */
const PLASTIC_RAMP = property(
  3,
  'K/s',
  [3, 3],
  0.01,
  'from-memory',
  'J-STD-020 profile: mean ramp up to the peak 3 K/s at most, held here against the steepest moment, from memory',
);

const moulded = (
  name: string,
  joint: JointForm,
  leadMetal: LeadMetalId,
  lead: { thickness: number; length: number; gap: number },
): SurfaceTraits => ({
  name,
  joint,
  leadMetal,
  leadThickness: metre(lead.thickness),
  leadLength: metre(lead.length),
  gap: metre(lead.gap),
  bodyHeat: MOULD,
  bodyDensity: bodyDensity(joint === 'tab' ? 3300 : 2300),
  bodyConductivity: MOULD_CONDUCTS,
  bodyLimit: null,
  touchLimit: null,
  rampLimit: PLASTIC_RAMP,
  hidden: joint === 'leadless' || joint === 'ball',
});

/** Parts of plastic about metal contacts: they are held to where the plastic gives way. */
const plastic = (
  name: string,
  lead: { thickness: number; length: number; gap: number },
): Omit<SurfaceTraits, 'bodyLimit'> => ({
  ...moulded(name, 'gull', 'brass', lead),
  bodyHeat: heat(1.9e6, 'glass-filled nylon and liquid-crystal polymer with their contacts, from memory'),
  bodyDensity: bodyDensity(1700),
  bodyConductivity: inside(0.5, 'glass-filled plastics 0.3 W/mK about contacts'),
  rampLimit: ramp(3, 'as moulded parts'),
});

/** Joints that lie under their body: what lies between solder and the body's middle. */
export const UNDER_BODY = {
  frameConductivity: property(
    30,
    'W/mK',
    [10, 90],
    0.4,
    'assumed',
    'copper frame and die in epoxy, taken together',
  ),
  padDepth: property(0.5e-3, 'm', [0.3e-3, 0.9e-3], 0.2, 'assumed', 'half of a leadless body'),
  tabDepth: property(2e-3, 'm', [1e-3, 3e-3], 0.25, 'assumed', 'tab to the middle of a power body'),
  /** Tabs wider than this lie flat under the body; narrower ones are leads. */
  tabWidth: property(
    3e-3,
    'm',
    [2e-3, 4e-3],
    0.1,
    'assumed',
    'power tabs from about 4 mm, can leads to 1 mm',
  ),
} as const;

export const SURFACE_TRAITS = {
  chip: {
    name: 'Chip, two terminations',
    joint: 'termination',
    leadMetal: 'copper',
    leadThickness: metre(30e-6),
    leadLength: metre(0.3e-3),
    gap: metre(30e-6),
    bodyDensity: bodyDensity(4200),
    bodyHeat: heat(3.1e6, 'alumina and barium titanate, handbook, from memory'),
    bodyConductivity: inside(20, 'alumina 25, titanate 3 with metal plates'),
    bodyLimit: property(
      533.15,
      'K',
      [518, 543],
      0.01,
      'from-memory',
      'reflow-rated to 260 °C, typical data sheets',
    ),
    touchLimit: property(
      573.15,
      'K',
      [553, 603],
      0.03,
      'from-memory',
      'chips pass ten seconds whole in solder at 260 to 270 °C (IEC 60068-2-58, Td) and three seconds of a tip at 350 °C on a termination (data sheets, common practice)',
    ),
    rampLimit: ramp(3, 'ceramic chip capacitors 2 to 4 K/s: common practice'),
    hidden: false,
  },
  sod: moulded('Small diode on leads, SOD', 'gull', 'iron-nickel', {
    thickness: 0.13e-3,
    length: 0.6e-3,
    gap: 0.05e-3,
  }),
  mouldedDiode: moulded('Moulded diode, SMA to SMC', 'j', 'copper', {
    thickness: 0.2e-3,
    length: 2e-3,
    gap: 0.1e-3,
  }),
  tantalum: {
    ...moulded('Moulded tantalum', 'j', 'iron-nickel', { thickness: 0.12e-3, length: 2e-3, gap: 0.08e-3 }),
    bodyHeat: heat(2.4e6, 'sintered tantalum pellet (2.3e6 of its metal) in filled epoxy'),
    bodyDensity: bodyDensity(4000),
    bodyLimit: property(
      533.15,
      'K',
      [513, 543],
      0.02,
      'from-memory',
      'moulded tantalum is rated for reflow at 245 to 260 °C, typical data sheets',
    ),
  },
  melf: {
    name: 'Round body with end caps, MELF',
    joint: 'termination',
    leadMetal: 'copper',
    leadThickness: metre(60e-6),
    leadLength: metre(0.3e-3),
    gap: metre(40e-6),
    bodyDensity: bodyDensity(3500),
    bodyHeat: heat(2.6e6, 'alumina rod or glass about a chip, handbook, from memory'),
    bodyConductivity: inside(12, 'alumina 25 as a rod, glass with copper studs less'),
    bodyLimit: property(
      533.15,
      'K',
      [518, 543],
      0.01,
      'from-memory',
      'reflow-rated to 260 °C, typical data sheets',
    ),
    touchLimit: null,
    rampLimit: ramp(3, 'as other ceramic and glass parts: common practice'),
    hidden: false,
  },
  canElectrolytic: {
    name: 'Can electrolytic on a base',
    joint: 'tab',
    leadMetal: 'copper-clad-steel',
    leadThickness: metre(0.25e-3),
    leadLength: metre(2.5e-3),
    gap: metre(0.1e-3),
    bodyDensity: bodyDensity(1700),
    bodyHeat: heat(2.0e6, 'wound foil in electrolyte'),
    bodyConductivity: inside(1, 'wound foil across its layers'),
    bodyLimit: property(
      503.15,
      'K',
      [493, 523],
      0.01,
      'from-memory',
      'reflow-rated cans 230 to 250 °C, typical data sheets',
    ),
    touchLimit: null,
    rampLimit: ramp(3, 'as moulded parts'),
    hidden: false,
  },
  sot23: moulded('SOT-23, 3 to 6 leads', 'gull', 'iron-nickel', {
    thickness: 0.12e-3,
    length: 0.7e-3,
    gap: 0.08e-3,
  }),
  dpak: moulded('DPAK', 'tab', 'copper', { thickness: 0.5e-3, length: 1.5e-3, gap: 20e-6 }),
  sot223: moulded('SOT-223', 'tab', 'copper', { thickness: 0.26e-3, length: 1.3e-3, gap: 0.06e-3 }),
  sot89: moulded('SOT-89', 'tab', 'copper', { thickness: 0.4e-3, length: 0.9e-3, gap: 20e-6 }),
  soic: moulded('SOIC', 'gull', 'copper', { thickness: 0.2e-3, length: 1.3e-3, gap: 0.15e-3 }),
  ssop: moulded('SSOP', 'gull', 'copper', { thickness: 0.15e-3, length: 1.2e-3, gap: 0.1e-3 }),
  tsop: moulded('TSOP', 'gull', 'iron-nickel', { thickness: 0.13e-3, length: 0.8e-3, gap: 0.1e-3 }),
  soj: moulded('SOJ', 'j', 'iron-nickel', { thickness: 0.2e-3, length: 2.5e-3, gap: 0.7e-3 }),
  plcc: moulded('PLCC', 'j', 'copper', { thickness: 0.25e-3, length: 3.0e-3, gap: 0.6e-3 }),
  qfp: moulded('QFP', 'gull', 'copper', { thickness: 0.15e-3, length: 1.4e-3, gap: 0.1e-3 }),
  qfn: moulded('QFN', 'leadless', 'copper', { thickness: 0.2e-3, length: 0.6e-3, gap: 30e-6 }),
  connector: {
    ...plastic('Surface connector', { thickness: 0.2e-3, length: 1.5e-3, gap: 0.1e-3 }),
    bodyLimit: property(
      503.15,
      'K',
      [463, 533],
      0.03,
      'from-memory',
      'mouldings for reflow stand 240 to 260 °C, older polyester ones give way from about 200: data sheets, from memory',
    ),
  },
  button: {
    ...plastic('Surface push button', { thickness: 0.2e-3, length: 1.0e-3, gap: 0.05e-3 }),
    bodyLimit: property(
      508.15,
      'K',
      [473, 533],
      0.03,
      'from-memory',
      'buttons for reflow stand 240 to 260 °C, their dome’s film less: data sheets, from memory',
    ),
  },
  ceramicCrystal: {
    name: 'Surface crystal',
    joint: 'termination',
    leadMetal: 'copper',
    leadThickness: metre(20e-6),
    leadLength: metre(0.3e-3),
    gap: metre(40e-6),
    bodyHeat: heat(2.9e6, 'alumina base and iron-nickel lid about a hollow, handbook, from memory'),
    bodyDensity: bodyDensity(2600),
    bodyConductivity: inside(10, 'alumina base (25) under a hollow'),
    bodyLimit: property(
      533.15,
      'K',
      [518, 543],
      0.01,
      'from-memory',
      'reflow-rated to 260 °C, typical data sheets',
    ),
    touchLimit: null,
    rampLimit: ramp(3, 'as other ceramic parts: common practice'),
    hidden: false,
  },
  bga: moulded('BGA', 'ball', 'copper', { thickness: 0.3e-3, length: 0.5e-3, gap: 0.4e-3 }),
} as const satisfies Record<string, SurfaceTraits>;

export type SurfaceFamilyId = keyof typeof SURFACE_TRAITS;
export const SURFACE_FAMILY_IDS = Object.keys(SURFACE_TRAITS) as [SurfaceFamilyId, ...SurfaceFamilyId[]];
