import { property } from './property';

/** Copper foil and plated copper of the board. */
export const COPPER = {
  conductivity: property(
    390,
    'W/mK',
    [340, 401],
    0.03,
    'from-memory',
    'Incropera table A.1, pure copper at 400 K is 393 W/mK',
  ),
  volumetricHeat: property(
    3.5e6,
    'J/m³K',
    [3.4e6, 3.6e6],
    0.01,
    'from-memory',
    'Incropera table A.1, 8933 kg/m³ × 385 and 397 J/kgK: mean of 300 and 400 K',
  ),
  /** Drill of a via in or beside a surface land. */
  viaDrill: property(0.3e-3, 'm', [0.2e-3, 0.5e-3], 0.2, 'assumed', 'common practice'),
  /** A plane or pour that somebody says a pin is on: how solid it is about the pin, and how far. */
  pourCoverage: property(
    0.9,
    '1',
    [0.7, 1],
    0.08,
    'assumed',
    'pours have clearances and holes: common practice',
  ),
  pourReach: property(
    6e-3,
    'm',
    [3e-3, 20e-3],
    0.4,
    'assumed',
    'a small pour about a power pin: common practice',
  ),
  plating: property(
    25e-6,
    'm',
    [18e-6, 38e-6],
    0.18,
    'from-memory',
    'IPC-6012 hole wall copper, class 2 average 20 µm; common practice 25 µm',
  ),
} as const;
