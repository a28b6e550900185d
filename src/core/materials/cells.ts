import { property } from './property';

/** What a cell that is left on its board stands. */
export const CELL = {
  lithiumLimit: property(
    333.15,
    'K',
    [333.15, 358.15],
    0.02,
    'from-memory',
    'primary lithium and lithium-ion cells are rated to 60 °C, some coin cells to 85 °C: data sheets, from memory',
  ),
} as const;
