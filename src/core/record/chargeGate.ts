/** What is left over a reservoir when hands may go near it: the limit of hazardous direct voltage (IEC 61140, from memory). */
export const SAFE_V = 60;

/** The step in which a unit's stored charge is taken away and measured. */
export const isChargeGate = (stepId: string | undefined): boolean => stepId === 'gate-stored-charge';

/**
 * Why work does not go on after what was measured over the reservoirs, V, twice; null where it may. One reading is not enough:
 * a dielectric gives back what it soaked up (common practice: measured again after a minute).
 */
export function chargeRefusal(left_V: number | undefined, again_V: number | undefined): string | null {
  if (left_V === undefined)
    return `nothing was measured; give what is left over the reservoirs, below ${SAFE_V} V`;
  if (Math.abs(left_V) >= SAFE_V)
    return `${left_V} V are left; discharge again through its resistor, wait, and measure until it is below ${SAFE_V} V`;
  if (again_V === undefined)
    return 'it was measured once; reservoirs come back up: take the resistor off, wait a minute and measure again';
  return Math.abs(again_V) < SAFE_V
    ? null
    : `it came back to ${again_V} V; discharge again through its resistor, and measure twice`;
}
