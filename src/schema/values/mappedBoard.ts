import { z } from 'zod';
import { copperMap } from './copperMap';
import { construction } from './construction';
import { quantity } from './fields';

/** A board with what is known of it beyond its layers' stated shares: its outline, and pictures of its copper. */
export const mappedBoard = construction.extend({
  /** Corners in order, where the board is no rectangle. */
  outline_mm: z
    .array(z.tuple([quantity('mm', 0, 1000), quantity('mm', 0, 1000)]))
    .min(3, { error: 'needs at least three corners' })
    .max(2000)
    .optional(),
  /** Copper as artwork shows it, where it is known better than by its share. */
  copperMaps: z.array(copperMap).max(16).optional(),
});
export type MappedBoard = z.infer<typeof mappedBoard>;
