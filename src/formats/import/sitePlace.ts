import type { Placement } from '~/core/packages/placement';
import type { Recognised } from '~/core/packages/recognise/recognise';
import { millimetres, radians } from '~/core/quantity/convert';
import type { NewSite } from '~/schema/records/site/site';
import type { NetlistPart } from '~/formats/netlist/netlistParts';

const rounded = (value: number, digits = 3): number => Math.round(value * 10 ** digits) / 10 ** digits;

/** Parts stand straight; a turn within this of a multiple of 45° is that. */
const STRAIGHT_deg = 2;

function degreesOf(rotation_rad: number): number {
  const turn = (rotation_rad * 180) / Math.PI;
  const straight = Math.round(turn / 45) * 45;
  return rounded(Math.abs(turn - straight) < STRAIGHT_deg ? straight : turn, 1);
}

/** Lands of a part below were turned over to be looked at; its place is turned back. */
export const placeOf = (
  part: NetlistPart,
  found: Recognised,
  side: 'top' | 'bottom',
  [dx, dy]: readonly [number, number],
): Placement => ({
  side,
  x_m: (part.side === 'bottom' ? -found.x_m : found.x_m) + dx,
  y_m: found.y_m + dy,
  rotation_rad: radians(degreesOf(found.rotation_rad)),
});

/** A place as a site keeps it, to a thousandth of a millimetre and a tenth of a degree. */
export const placeInRecord = (at: Placement): Pick<NewSite, 'x_mm' | 'y_mm' | 'rotation_deg'> => ({
  x_mm: rounded(millimetres(at.x_m)),
  y_mm: rounded(millimetres(at.y_m)),
  rotation_deg: rounded((at.rotation_rad * 180) / Math.PI, 1),
});
