import { z } from 'zod';
import { wholeNumber } from './fields';

const BASE64 = /^[A-Za-z0-9+/]*={0,2}$/;

/** Copper of one layer on a grid over the board, row by row from y = 0; each cell 0 to 255, base64. */
export const copperMap = z
  .strictObject({
    layer: wholeNumber(1, 16),
    nx: wholeNumber(2, 2000),
    ny: wholeNumber(2, 2000),
    cells: z
      .string({ error: 'is missing; give the cells as base64' })
      .max(6_000_000)
      .regex(BASE64, { error: 'is not base64' }),
  })
  .refine(({ nx, ny, cells }) => bytesIn(cells) === nx * ny, {
    error: 'does not hold one byte for each of its nx · ny cells',
    path: ['cells'],
  });
export type CopperMap = z.infer<typeof copperMap>;

const bytesIn = (base64: string): number =>
  Math.floor((base64.length * 3) / 4) - (base64.endsWith('==') ? 2 : base64.endsWith('=') ? 1 : 0);
