import type { PinAnswer } from '~/schema/exchange/plan/planAnswer';

/** Pins with the same figures, told once. */
export interface PinGroup {
  readonly pin: PinAnswer;
  /** Names of the pads it speaks for. */
  readonly pads: readonly string[];
}

/** So many rows are told; the slowest of them first of all. */
const MOST_ROWS = 5;

/** Groups of alike pins, in the order of their pads; where there are too many, the slowest and how many are left out. */
export function pinGroups(pins: readonly PinAnswer[]): { groups: PinGroup[]; leftOut: number } {
  const byFigures = new Map<string, { pin: PinAnswer; pads: string[] }>();
  for (const pin of pins) {
    const key = JSON.stringify([pin.melt_s, pin.stop_s, pin.padDose.p50, pin.draws]);
    const pads = pin.pads.length > 0 ? pin.pads : [pin.pad];
    const known = byFigures.get(key);
    if (known) known.pads.push(...pads);
    else byFigures.set(key, { pin, pads: [...pads] });
  }
  const groups = [...byFigures.values()];
  if (groups.length <= MOST_ROWS) return { groups, leftOut: 0 };
  const slowest = [...groups].sort((a, b) => melt(b.pin) - melt(a.pin)).slice(0, MOST_ROWS);
  return {
    groups: slowest,
    leftOut: groups.filter((g) => !slowest.includes(g)).reduce((sum, g) => sum + g.pads.length, 0),
  };
}

const melt = (pin: PinAnswer): number => pin.melt_s.p50 ?? Infinity;
