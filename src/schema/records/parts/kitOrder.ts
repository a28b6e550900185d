import type { z } from 'zod';
import { newPartOrder } from './partOrder';

/** An order of all that a kit is short of: from whom, and until when. */
export const kitOrder = newPartOrder.pick({ supplier: true, expected_ms: true, by: true });
export type KitOrder = z.infer<typeof kitOrder>;
