import { z } from 'zod';
import { quantity, wholeNumber } from './fields';
import { USUAL_SPOKES } from './usualSpokes';

const layers = z
  .array(wholeNumber(1, 16), { error: 'must be a list of copper layers, counted from 1 at the top' })
  .min(1, { error: 'is empty; name at least one copper layer' });

/** Of the board within some millimetres of the pad, what its pour covers: known where an import saw its artwork. */
const pourShare = quantity('', 0, 1).optional();

/** How a pad reaches copper, in bench units. A track without layers lies on the solder side. */
export const connection = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({ kind: z.literal('isolated') }),
    z.strictObject({
      kind: z.literal('track'),
      width_mm: quantity('mm', 0.05, 20),
      count: wholeNumber(1, 12).default(1),
      layers: layers.optional(),
    }),
    z.strictObject({
      kind: z.literal('thermal-relief'),
      spokes: wholeNumber(1, 12).default(USUAL_SPOKES.spokes),
      spokeWidth_mm: quantity('mm', 0.05, 5).default(USUAL_SPOKES.spokeWidth_mm),
      spokeLength_mm: quantity('mm', 0.05, 5).default(USUAL_SPOKES.spokeLength_mm),
      layers,
      pourShare,
    }),
    z.strictObject({ kind: z.literal('solid-plane'), layers, pourShare }),
  ],
  { error: 'kind must be one of isolated, track, thermal-relief, solid-plane' },
);

export type ConnectionRecord = z.infer<typeof connection>;

/** A relief as layouts usually draw it: four spokes, by the schema's own defaults. */
export const usualRelief = (layers: readonly number[]): ConnectionRecord =>
  connection.parse({ kind: 'thermal-relief', layers });

export const connections = z
  .union([connection, z.array(connection).max(16)])
  .transform((c) => (Array.isArray(c) ? c : [c]));
