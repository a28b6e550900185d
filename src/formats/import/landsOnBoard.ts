import { bisector } from 'd3-array';
import { halfDiagonal_m, type Land } from '~/core/artwork/landShape';
import type { SeenLand } from '~/core/packages/recognise/seen';
import type { NetlistPart } from '~/formats/netlist/netlistParts';

/** A land on the board, seen from the top; `face` is null where it goes through. */
export interface LandOnBoard extends Land {
  readonly face: 'top' | 'bottom' | null;
}

/** A land of a part as the board has it: those of a part below were turned over to be looked at. */
export function landOnBoard(
  { side }: Pick<NetlistPart, 'side'>,
  seen: SeenLand,
  [dx, dy]: readonly [number, number],
): LandOnBoard {
  const over = side === 'bottom' ? -1 : 1;
  return {
    x_m: over * seen.x_m + dx,
    y_m: seen.y_m + dy,
    width_m: seen.width_m,
    height_m: seen.height_m || seen.width_m,
    turn_rad: over * (seen.turn_rad ?? 0),
    face: seen.hole_m === null ? side : null,
  };
}

/** All lands of the files, to be asked for those near one of them. */
export interface LandsOnBoard {
  readonly near: (land: Land, reach_m: number) => LandOnBoard[];
}

export function landsOnBoard(
  parts: readonly NetlistPart[],
  shift_m: readonly [number, number],
): LandsOnBoard {
  const lands = parts
    .flatMap((part) => part.lands.map((seen) => landOnBoard(part, seen, shift_m)))
    .filter((land) => land.width_m > 0)
    .sort((a, b) => a.x_m - b.x_m);
  const largest_m = lands.reduce((most, land) => Math.max(most, halfDiagonal_m(land)), 0);
  const byX = bisector((land: LandOnBoard) => land.x_m);
  return {
    near: (land, reach_m) => {
      const far_m = halfDiagonal_m(land) + reach_m;
      const found: LandOnBoard[] = [];
      for (let i = byX.left(lands, land.x_m - far_m - largest_m); i < lands.length; i++) {
        const other = lands[i]!;
        if (other.x_m > land.x_m + far_m + largest_m) break;
        const apart_m = Math.hypot(other.x_m - land.x_m, other.y_m - land.y_m);
        // A land at the same place is this one, under whatever name.
        if (apart_m > SAME_m && apart_m < far_m + halfDiagonal_m(other)) found.push(other);
      }
      return found;
    },
  };
}

const SAME_m = 0.05e-3;
