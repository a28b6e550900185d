import type { SwapAnswer } from '~/core/electrical/swap/check';
import type { StockPart } from '~/schema/records/parts/stockPart';

/** What the drawers have for a part, and how each would do. */
export interface StockSwapAnswer {
  /** Of the candidate that was named; null where none was. */
  readonly answer: SwapAnswer | null;
  readonly fromStock: readonly { readonly line: StockPart; readonly answer: SwapAnswer }[];
  readonly combinations: readonly {
    readonly lines: readonly StockPart[];
    readonly how: 'parallel' | 'series';
    readonly value: number;
    readonly tolerance: number;
    readonly rating_V: number | null;
    readonly verdict: SwapAnswer['verdict'];
    readonly notes: readonly string[];
  }[];
}
