import { property, type Property } from './property';

export interface LeadMetal {
  readonly name: string;
  readonly conductivity: Property<'W/mK'>;
  readonly volumetricHeat: Property<'J/m³K'>;
}

const ALLOYS_SOURCE = 'Smithells Metals Reference Book / copper alloy data sheets, from memory';

/** Lead metals, by what a magnet and a data sheet tell a technician. */
export const LEAD_METALS = {
  copper: {
    name: 'Copper alloy',
    conductivity: property(280, 'W/mK', [200, 350], 0.15, 'from-memory', ALLOYS_SOURCE),
    volumetricHeat: property(3.45e6, 'J/m³K', [3.3e6, 3.6e6], 0.03, 'from-memory', ALLOYS_SOURCE),
  },
  brass: {
    name: 'Brass',
    conductivity: property(120, 'W/mK', [90, 150], 0.12, 'from-memory', ALLOYS_SOURCE),
    volumetricHeat: property(3.2e6, 'J/m³K', [3.1e6, 3.3e6], 0.02, 'from-memory', ALLOYS_SOURCE),
  },
  'copper-clad-steel': {
    name: 'Copper-clad steel wire',
    conductivity: property(125, 'W/mK', [90, 170], 0.15, 'from-memory', ALLOYS_SOURCE),
    volumetricHeat: property(3.6e6, 'J/m³K', [3.4e6, 3.8e6], 0.03, 'from-memory', ALLOYS_SOURCE),
  },
  'iron-nickel': {
    name: 'Iron–nickel (alloy 42)',
    conductivity: property(14, 'W/mK', [11, 16], 0.1, 'from-memory', ALLOYS_SOURCE),
    volumetricHeat: property(4.05e6, 'J/m³K', [3.8e6, 4.2e6], 0.03, 'from-memory', ALLOYS_SOURCE),
  },
} as const satisfies Record<string, LeadMetal>;

export type LeadMetalId = keyof typeof LEAD_METALS;
