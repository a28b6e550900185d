import type { SwapAnswer } from '~/core/electrical/swap/check';
import type { PartInput } from '~/schema/exchange/parts/part';
import type { StockPart } from '~/schema/records/parts/stockPart';

/** A part of another board that would do. */
export interface Donor {
  readonly siteId: string;
  readonly ref: string;
  readonly boardId: string;
  readonly board: string;
  readonly scrapped: boolean;
  readonly part: PartInput;
  readonly answer: SwapAnswer;
  /** Times it will have been soldered once it is off. */
  readonly heats: number;
}

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
  readonly donors: readonly Donor[];
}
