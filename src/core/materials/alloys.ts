import { property, type Property } from './property';

/** Thermal data of one solder alloy; volumetric heats per m³, conductivities of the solid and the melt. */
export interface Alloy {
  readonly name: string;
  readonly solidus: Property<'K'>;
  readonly liquidus: Property<'K'>;
  readonly density: Property<'kg/m³'>;
  readonly heatSolid: Property<'J/kgK'>;
  readonly heatLiquid: Property<'J/kgK'>;
  readonly latentHeat: Property<'J/kg'>;
  readonly conductivitySolid: Property<'W/mK'>;
  readonly conductivityLiquid: Property<'W/mK'>;
  readonly leaded: boolean;
  /** Boards soldered with it went through a lead-free oven, and so did their parts. */
  readonly leadFreeProcess: boolean;
}

const ISO_9453 = 'ISO 9453 / J-STD-006 melting ranges, from memory';
const SMITHELLS = 'Smithells Metals Reference Book, tin and tin–lead tables, from memory';
/** Alloys that no handbook of tin and lead has. */
const SHEETS = 'solder property collections and makers’ sheets, from memory';

interface AlloyFigures {
  name: string;
  solidus_K: number;
  liquidus_K: number;
  density: number;
  heat: [solid: number, liquid: number];
  latent: number;
  conductivity: [solid: number, liquid: number];
  leaded: boolean;
  /** Melts where lead-free ovens are set for; a low-melt alloy says nothing of the oven. */
  lowMelt?: boolean;
  melting?: string;
}

function alloy(figures: AlloyFigures): Alloy {
  const around = (value: number, share: number): [number, number] => [
    value * (1 - share),
    value * (1 + share),
  ];
  const [heatSolid, heatLiquid] = figures.heat;
  const [solid, liquid] = figures.conductivity;
  const source = figures.leaded ? SMITHELLS : SHEETS;
  const melting = (value_K: number) =>
    property(value_K, 'K', [value_K - 2, value_K + 2], 0.002, 'from-memory', figures.melting ?? ISO_9453);
  return {
    name: figures.name,
    solidus: melting(figures.solidus_K),
    liquidus: melting(figures.liquidus_K),
    density: property(figures.density, 'kg/m³', around(figures.density, 0.03), 0.01, 'from-memory', source),
    heatSolid: property(heatSolid, 'J/kgK', around(heatSolid, 0.15), 0.07, 'from-memory', source),
    heatLiquid: property(heatLiquid, 'J/kgK', around(heatLiquid, 0.15), 0.07, 'from-memory', source),
    latentHeat: property(figures.latent, 'J/kg', around(figures.latent, 0.2), 0.1, 'from-memory', source),
    conductivitySolid: property(solid, 'W/mK', around(solid, 0.2), 0.08, 'from-memory', source),
    conductivityLiquid: property(liquid, 'W/mK', around(liquid, 0.25), 0.12, 'from-memory', source),
    leaded: figures.leaded,
    leadFreeProcess: !figures.leaded && !figures.lowMelt,
  };
}

export const ALLOYS = {
  sn60pb40: alloy({
    name: 'Sn60Pb40',
    solidus_K: 456.15,
    liquidus_K: 463.15,
    density: 8500,
    heat: [176, 210],
    latent: 37000,
    conductivity: [49, 25],
    leaded: true,
  }),
  sn63pb37: alloy({
    name: 'Sn63Pb37 (eutectic)',
    solidus_K: 456.15,
    liquidus_K: 456.15,
    density: 8400,
    heat: [180, 215],
    latent: 40000,
    conductivity: [50, 25],
    leaded: true,
  }),
  sn62pb36ag2: alloy({
    name: 'Sn62Pb36Ag2 (eutectic)',
    solidus_K: 452.15,
    liquidus_K: 452.15,
    density: 8410,
    heat: [180, 215],
    latent: 41000,
    conductivity: [50, 25],
    leaded: true,
  }),
  sn10pb90: alloy({
    name: 'Sn10Pb90 (high-melt: balls and columns that never melt in an oven)',
    solidus_K: 548.15,
    liquidus_K: 575.15,
    density: 10750,
    heat: [140, 150],
    latent: 28000,
    conductivity: [36, 18],
    leaded: true,
  }),
  sac0307: alloy({
    name: 'Sn99Ag0.3Cu0.7',
    solidus_K: 490.15,
    liquidus_K: 500.65,
    density: 7330,
    heat: [231, 250],
    latent: 58000,
    conductivity: [60, 32],
    leaded: false,
  }),
  sn965ag35: alloy({
    name: 'Sn96.5Ag3.5 (eutectic)',
    solidus_K: 494.15,
    liquidus_K: 494.15,
    density: 7370,
    heat: [232, 250],
    latent: 57000,
    conductivity: [57, 32],
    leaded: false,
  }),
  sac305: alloy({
    name: 'Sn96.5Ag3Cu0.5',
    solidus_K: 490.15,
    liquidus_K: 493.15,
    density: 7380,
    heat: [232, 250],
    latent: 57000,
    conductivity: [58, 32],
    leaded: false,
  }),
  sn993cu07: alloy({
    name: 'Sn99.3Cu0.7 (eutectic)',
    solidus_K: 500.15,
    liquidus_K: 500.15,
    density: 7310,
    heat: [230, 250],
    latent: 59000,
    conductivity: [62, 33],
    leaded: false,
  }),
  sn42bi58: alloy({
    name: 'Sn42Bi58 (low-melt, eutectic)',
    solidus_K: 411.15,
    liquidus_K: 411.15,
    density: 8560,
    heat: [167, 200],
    latent: 44800,
    conductivity: [19, 17],
    leaded: false,
    lowMelt: true,
  }),
  sn42bi57ag1: alloy({
    name: 'Sn42Bi57.6Ag0.4 (low-melt)',
    solidus_K: 410.15,
    liquidus_K: 412.15,
    density: 8570,
    heat: [167, 200],
    latent: 45000,
    conductivity: [20, 17],
    leaded: false,
    lowMelt: true,
    melting: SHEETS,
  }),
  in51bi33sn16: alloy({
    name: 'In51Bi32.5Sn16.5 (removal alloy, eutectic)',
    solidus_K: 333.15,
    liquidus_K: 333.15,
    density: 7880,
    heat: [230, 270],
    latent: 28000,
    conductivity: [18, 17],
    leaded: false,
    lowMelt: true,
    melting: SHEETS,
  }),
} as const satisfies Record<string, Alloy>;

export type AlloyId = keyof typeof ALLOYS;
export const ALLOY_IDS = Object.keys(ALLOYS) as [AlloyId, ...AlloyId[]];

/** What each alloy is made from, shares of its mass; they add up to one. */
export const COMPOSITIONS: Readonly<Record<AlloyId, Composition>> = {
  sn60pb40: { Sn: 0.6, Pb: 0.4 },
  sn63pb37: { Sn: 0.63, Pb: 0.37 },
  sn62pb36ag2: { Sn: 0.62, Pb: 0.36, Ag: 0.02 },
  sn10pb90: { Sn: 0.1, Pb: 0.9 },
  sac0307: { Sn: 0.99, Ag: 0.003, Cu: 0.007 },
  sn965ag35: { Sn: 0.965, Ag: 0.035 },
  sac305: { Sn: 0.965, Ag: 0.03, Cu: 0.005 },
  sn993cu07: { Sn: 0.993, Cu: 0.007 },
  sn42bi58: { Sn: 0.42, Bi: 0.58 },
  sn42bi57ag1: { Sn: 0.42, Bi: 0.576, Ag: 0.004 },
  in51bi33sn16: { Sn: 0.165, Bi: 0.325, In: 0.51 },
};

export type Element = 'Sn' | 'Pb' | 'Bi' | 'In' | 'Ag' | 'Cu';
export type Composition = Readonly<Partial<Record<Element, number>>>;
