import { z } from 'zod';
import { initials, oneOf, quantity, recordId, text, whenever_ms } from '~/schema/values/fields';
import { MOST_LEFT, type SupplyInput } from '~/schema/values/supplyInput';
import { supplySpec, MOVE_REASONS } from '~/schema/values/supplySpec';

/** As it stands on the label; left out or empty: nobody told. */
const batch = text(0, 40).optional();

export const newSupply = z.strictObject({
  name: text(1, 80),
  spec: supplySpec,
  /** What is there now, in the kind's unit. */
  left: quantity('', 0, 1e7),
  /** Under this much it is time to buy. */
  low: quantity('', 0, 1e7).default(0),
  batch,
  by: initials,
});
export type NewSupply = z.infer<typeof newSupply>;

export const supplyRecord = newSupply.omit({ left: true, by: true, batch: true }).extend({
  id: recordId,
  retired: z.boolean(),
  revision: z.int().min(1),
});
export type SupplyRecord = z.infer<typeof supplyRecord>;

/** A supply with what its moves leave of it. */
export interface StockedSupply extends SupplyRecord {
  readonly left: number;
}

/** What a person writes of a stock: bought or thrown by how much, or counted as how much. */
export const newMove = z.strictObject({
  supplyId: recordId,
  reason: oneOf(MOVE_REASONS),
  /** How much came or went; of `counted`, how much there is. */
  amount: quantity('', 0, 1e7),
  /** Of what is used from here on. */
  batch,
  by: initials,
});
export type NewMove = z.infer<typeof newMove>;

/** One entry of a stock's ledger: appended, never changed; a miscount is put right by counting again. */
export const supplyMove = z.strictObject({
  id: recordId,
  supplyId: recordId,
  /** Signed, in the kind's unit. */
  change: z.number().min(-1e7).max(1e7),
  reason: oneOf(MOVE_REASONS),
  jobId: recordId.nullable(),
  batch: text(1, 40).nullable().default(null),
  by: initials,
  at_ms: whenever_ms,
});
export type SupplyMove = z.infer<typeof supplyMove>;

/** A supply as a plan takes it. */
export function supplyInputOf({ id, name, spec, ...stock }: StockedSupply): SupplyInput {
  const left = Math.min(stock.left, MOST_LEFT);
  switch (spec.kind) {
    case 'wire':
      return { id, name, ...spec, left_mm: left };
    case 'braid':
      return { id, name, ...spec, left_mm: left };
    case 'low-melt':
    case 'paste':
      return { id, name, ...spec, left_g: left };
    case 'flux':
    case 'solvent':
      return { id, name, ...spec, left_mL: left };
    case 'foil':
    case 'tape':
      return { id, name, ...spec, left_cm2: left };
  }
}
