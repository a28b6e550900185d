import { property } from './property';

/** Water in what it soaks into: D = D₀ exp(−E/RT). */
export const SOAKED = {
  'mould compound': {
    before: property(
      4.7e-5,
      'm²/s',
      [2e-5, 1e-4],
      0.5,
      'from-memory',
      'Kitano, Nishimura, Kawai & Nishi 1988, of cracking in plastic packages',
    ),
    activation: property(48.2e3, 'J/mol', [40e3, 55e3], 0.05, 'from-memory', 'the same: 0.5 eV'),
  },
  'glass–epoxy laminate': {
    before: property(
      6.5e-6,
      'm²/s',
      [2e-6, 2e-5],
      0.6,
      'assumed',
      'through the thickness, about 1e-12 m²/s at the room’s temperature as published for FR-4, with the slope of epoxies',
    ),
    activation: property(39e3, 'J/mol', [33e3, 46e3], 0.08, 'assumed', 'epoxies: 0.35 to 0.5 eV'),
  },
} as const;
