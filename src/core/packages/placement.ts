import { landShapes, type PartPackage } from './form';

/** Where a part stands on a board, seen from the top; turned about its centre, seen from its own side. */
export interface Placement {
  readonly side: 'top' | 'bottom';
  readonly x_m: number;
  readonly y_m: number;
  readonly rotation_rad: number;
}

/** A place given about a part's centre, seen from its side, as a place on the board seen from the top. */
export function onBoard(part: Placement, x_m: number, y_m: number): { x_m: number; y_m: number } {
  const cos = Math.cos(part.rotation_rad);
  const sin = Math.sin(part.rotation_rad);
  const across = x_m * cos - y_m * sin;
  return {
    x_m: part.x_m + (part.side === 'top' ? across : -across),
    y_m: part.y_m + x_m * sin + y_m * cos,
  };
}

/** Every pad of a placed part on the board, seen from the top. */
export function padPlaces(
  at: Placement,
  part: PartPackage,
): { readonly pad: string; readonly x_m: number; readonly y_m: number }[] {
  return landShapes(part).map((land) => ({ pad: land.pad, ...onBoard(at, land.x_m, land.y_m) }));
}
