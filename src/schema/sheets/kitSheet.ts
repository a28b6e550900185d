import type { SwapVerdict } from '~/core/electrical/swap/rule';
import type { PartInput } from '~/schema/exchange/parts/part';
import type { BoardRecord } from '~/schema/records/board/board';
import type { StockPart } from '~/schema/records/parts/stockPart';

/** A line of a drawer that may stand at a place, and what the swap rules have to say of it. */
interface KitPart {
  readonly line: StockPart;
  readonly verdict: SwapVerdict;
  readonly notes: readonly string[];
}

/** What is wanted alike, and where it comes from. */
export interface KitSheetLine {
  readonly refs: readonly string[];
  readonly wanted: PartInput;
  readonly takes: readonly (KitPart & { readonly count: number })[];
  readonly alternates: readonly KitPart[];
  readonly short: number;
  /** Of those that are short, so many lie in a drawer and are held, and so many more are on their way for this board. */
  readonly held: number;
  readonly coming: number;
}

/** What a whole board's job takes out of the drawers. */
export interface KitSheet {
  readonly board: BoardRecord;
  readonly recap: { readonly id: string; readonly name: string; readonly by: string; readonly at_ms: number };
  readonly lines: readonly KitSheetLine[];
  /** Place by place in the order of fitting; the lines' parts are dealt out to them in that order. */
  readonly order: readonly {
    readonly ref: string;
    readonly value: string;
    /** Null where no drawer has it, or its value does not tell it. */
    readonly from: StockPart | null;
  }[];
  readonly alike: readonly { readonly one: StockPart; readonly other: StockPart; readonly why: string }[];
  /** Places that are done, or whose part was taken out of its drawer since the order was decided on. */
  readonly supplied: readonly string[];
  /** Places whose value does not tell what stood there. */
  readonly untold: readonly string[];
}
