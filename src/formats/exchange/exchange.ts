import type { DrillHole } from '~/formats/excellon/excellon';
import type { Artwork } from '~/formats/gerber/artwork';
import type { LineFault } from '~/formats/lineFault';
import type { NetlistPoint } from '~/formats/netlist/netlist';
import type { CentroidRow } from '~/formats/placement/centroid';

/** What a board exchange file holds, in metres about its own origin. */
export interface Exchange {
  /** Lands by part and pin, with their nets. */
  readonly points: readonly NetlistPoint[];
  /** Copper layers from the top down. */
  readonly layers: readonly { readonly name: string; readonly artwork: Artwork }[];
  /** The board's edge as an artwork of one contour; null where the file draws none. */
  readonly edge: Artwork | null;
  readonly holes: readonly DrillHole[];
  readonly rows: readonly CentroidRow[];
  readonly faults: readonly LineFault[];
  /** Things read: lands, contours, lines, holes. */
  readonly count: number;
}
