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

/** Kinds of preheater; what each does to a face is `thermal/surface/preheater`. */
export const PREHEATERS = {
  convective: { name: 'Warm-air preheater' },
  infrared: { name: 'Infrared preheater' },
  plate: { name: 'Hot plate' },
} as const;

export type PreheaterId = keyof typeof PREHEATERS;
export const PREHEATER_IDS = Object.keys(PREHEATERS) as [PreheaterId, ...PreheaterId[]];
