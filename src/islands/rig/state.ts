import type { RigSheet } from '~/schema/sheets/rigSheet';
import type { SupplyMove, StockedSupply } from '~/schema/records/rig/supply';
import type { ToolRecord } from '~/schema/records/rig/tool';

/** What the Rig shows and what is open on it. */
export interface RigState {
  readonly tools: readonly ToolRecord[];
  readonly supplies: readonly StockedSupply[];
  readonly moves: readonly SupplyMove[];
  /** A tool's or supply's id, `new tool`, `new supply`, or nothing. */
  readonly open: string | null;
  readonly told: string | null;
  readonly error: unknown;
}

export type RigAction =
  | { readonly type: 'open'; readonly what: string | null }
  | { readonly type: 'tool'; readonly tool: ToolRecord; readonly told: string }
  | { readonly type: 'supply'; readonly supply: StockedSupply; readonly told: string }
  | { readonly type: 'supply gone'; readonly id: string }
  | { readonly type: 'failed'; readonly error: unknown };

export const start = (sheet: Pick<RigSheet, 'tools' | 'supplies' | 'moves'>): RigState => ({
  tools: sheet.tools,
  supplies: sheet.supplies,
  moves: sheet.moves,
  open: null,
  told: null,
  error: null,
});

export function reduce(state: RigState, action: RigAction): RigState {
  switch (action.type) {
    case 'open':
      return { ...state, open: action.what, told: null, error: null };
    case 'tool':
      return {
        ...state,
        tools: replaced(state.tools, action.tool),
        open: null,
        told: action.told,
        error: null,
      };
    case 'supply':
      return {
        ...state,
        supplies: replaced(state.supplies, action.supply),
        open: null,
        told: action.told,
        error: null,
      };
    case 'supply gone':
      return {
        ...state,
        supplies: state.supplies.filter((s) => s.id !== action.id),
        open: null,
        told: 'Taken out of use; its moves stay in the record.',
        error: null,
      };
    case 'failed':
      return { ...state, error: action.error };
  }
}

function replaced<Row extends { readonly id: string; readonly name: string }>(
  rows: readonly Row[],
  row: Row,
): Row[] {
  return [...rows.filter((r) => r.id !== row.id), row].sort((a, b) => a.name.localeCompare(b.name));
}

/** Supplies that are under their mark, the emptiest against it first. */
export const runningLow = (supplies: readonly StockedSupply[]): StockedSupply[] =>
  supplies.filter((s) => s.low > 0 && s.left < s.low).sort((a, b) => a.left / a.low - b.left / b.low);
