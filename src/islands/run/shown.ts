import type { SupplyRead } from '~/core/record/supplyGate';

/** What was typed of a meter, V; nothing where that is no voltage. */
export function voltsIn(typed: string): number | undefined {
  const value = Number(typed.trim().replace(',', '.').replace('−', '-'));
  return typed.trim() !== '' && Number.isFinite(value) && Math.abs(value) <= 100_000 ? value : undefined;
}

/** What was typed of a supply, field by field. */
export interface SupplyTyped {
  readonly asks: string;
  readonly gives: string;
  readonly limit: string;
}

/** The same as figures; what is no figure is left out. */
export const supplyIn = ({ asks, gives, limit }: SupplyTyped): Partial<SupplyRead> => ({
  asks_V: voltsIn(asks),
  gives_V: voltsIn(gives),
  limit_A: voltsIn(limit),
});

/** All of it; null where something is missing. */
export function supplyReadIn(typed: SupplyTyped): SupplyRead | null {
  const { asks_V, gives_V, limit_A } = supplyIn(typed);
  return asks_V === undefined || gives_V === undefined || limit_A === undefined
    ? null
    : { asks_V, gives_V, limit_A };
}

/** What was typed of a display, °C; nothing where that is no temperature. */
export function degreesIn(typed: string): number | undefined {
  const value = Number(typed.trim().replace(',', '.'));
  return typed.trim() !== '' && Number.isFinite(value) && value >= 0 && value <= 600 ? value : undefined;
}
