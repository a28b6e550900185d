import type { FamilyId } from '../families';
import type { LandShape } from '../form';
import type { SurfaceSpec } from '../outlines';
import type { ThroughHolePackage } from '../throughHole';

/** A land as an import found it on the board, seen from the part's side; sizes are 0 where the file does not say. */
export interface SeenLand extends Omit<LandShape, 'lead_m' | 'round'> {
  /** How its sides stand on the board seen from the same side, where the file says so. */
  readonly turn_rad?: number;
}

/** Through-hole parts by their lands' figures, surface parts by what differs from the usual outline. */
export type Guess =
  | { readonly kind: 'through-hole'; readonly part: HoleSpec }
  | { readonly kind: 'surface'; readonly spec: SurfaceSpec };

type HoleSpec = Omit<ThroughHolePackage, 'body'>;

/** A family that a part may be said to be of, and its size where that is said too. */
export interface NamedFamily {
  readonly family: FamilyId | SurfaceSpec['family'];
  readonly code?: SurfaceSpec['code'];
  readonly pins?: number | undefined;
}
