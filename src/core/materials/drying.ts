import { property } from './property';

/** What drying is reckoned with beside the liquids themselves. */
export const DRYING = {
  patch: property(
    50e-3,
    'm',
    [15e-3, 150e-3],
    0.4,
    'assumed',
    'how far a wet patch reaches along the air: a site and what the brush took in about it',
  ),
  holds: property(
    0.5e-3,
    'm',
    [0.3e-3, 1e-3],
    0.3,
    'assumed',
    'gaps up to this keep what is blotted and blown: a third of alcohol’s capillary length',
  ),
  emissivity: property(
    0.9,
    '1',
    [0.8, 0.95],
    0.05,
    'from-memory',
    'wet or lacquered boards, Incropera table A.11',
  ),
  warmAir: property(318.15, 'K', [308, 323], 0.01, 'assumed', 'what hands and parts stand: common practice'),
  lowOven: property(
    333.15,
    'K',
    [323, 343],
    0.02,
    'assumed',
    'what dries a board and harms nothing on it: common practice, 50 to 70 °C',
  ),
  ovenTime: property(7200, 's', [3600, 14_400], 0.3, 'from-memory', 'a couple of hours: common practice'),
  washWater: property(323.15, 'K', [313, 333], 0.02, 'from-memory', 'ultrasonic at 50 °C: common practice'),
  washTime: property(900, 's', [300, 1800], 0.3, 'from-memory', 'a quarter of an hour: common practice'),
} as const;
