import type { PartOrderRow } from '~/schema/records/parts/partOrder';
import type { StockPart } from '~/schema/records/parts/stockPart';

/** What the orders are drawn from. */
export interface OrdersSheet {
  readonly orders: readonly PartOrderRow[];
  /** Every line that an order names. */
  readonly lines: readonly StockPart[];
  /** Lines under their mark that nothing is on its way for. */
  readonly short: readonly StockPart[];
  /** Boards that are parked for a part. */
  readonly waiting: readonly { readonly id: string; readonly name: string; readonly next: string }[];
}
