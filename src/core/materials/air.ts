import { property } from './property';

/** Still air about a board lying at the bench: natural convection and radiation taken together. */
export const STILL_AIR = {
  boardTop: property(
    13,
    'W/m²K',
    [8, 18],
    0.2,
    'from-memory',
    'Incropera ch. 9 plate correlation (about 7) plus grey radiation at 350 K, ε 0.9 (about 6)',
  ),
  boardBottom: property(
    10,
    'W/m²K',
    [6, 15],
    0.2,
    'from-memory',
    'Incropera ch. 9, heated plate facing down (about 4) plus radiation (about 6)',
  ),
  partSurface: property(
    14,
    'W/m²K',
    [9, 20],
    0.2,
    'from-memory',
    'small bodies: a little above the plate figure',
  ),
} as const;

/** What a preheater does to the face it warms. */
export const PREHEATERS = {
  convective: {
    name: 'Warm-air preheater',
    film: property(45, 'W/m²K', [25, 80], 0.25, 'assumed', 'slow forced air on a plate, Incropera ch. 7'),
  },
  infrared: {
    name: 'Infrared preheater',
    film: property(
      22,
      'W/m²K',
      [12, 35],
      0.25,
      'assumed',
      'grey radiation linearised about 430 K, view factor 0.8',
    ),
  },
  plate: {
    name: 'Hot plate',
    film: property(65, 'W/m²K', [30, 150], 0.35, 'assumed', 'air gap of 0.5 mm at 0.033 W/mK'),
  },
} as const;

export type PreheaterId = keyof typeof PREHEATERS;
export const PREHEATER_IDS = Object.keys(PREHEATERS) as [PreheaterId, ...PreheaterId[]];
