/** What is left over a reservoir when hands may go near it: the limit of hazardous direct voltage (IEC 61140, from memory). */
export const SAFE_V = 60;

/** The step in which a unit's stored charge is taken away and measured. */
export const isChargeGate = (stepId: string | undefined): boolean => stepId === 'gate-stored-charge';

/** Why work does not go on after what was measured over the reservoirs, V; null where it may. */
export function chargeRefusal(left_V: number | undefined): string | null {
  if (left_V === undefined)
    return `nothing was measured; give what is left over the reservoirs, below ${SAFE_V} V`;
  return Math.abs(left_V) < SAFE_V
    ? null
    : `${left_V} V are left; discharge again through its resistor, wait, and measure until it is below ${SAFE_V} V`;
}
