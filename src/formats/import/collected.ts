import type { AlloyId } from '~/core/materials/alloys';
import type { Construction } from '~/schema/values/construction';
import type { CentroidColumns, CentroidRow } from '~/formats/placement/centroid';
import type { DrillHole } from '~/formats/excellon/excellon';
import type { Artwork } from '~/formats/gerber/read';
import type { LineFault } from '~/formats/lineFault';
import type { NetlistPart } from '~/formats/netlist/netlistParts';

export type FileKind = 'netlist' | 'artwork' | 'drill' | 'table' | 'unknown';

export interface ReadFile {
  readonly name: string;
  readonly kind: FileKind;
  /** Records, operations, holes or rows read. */
  readonly count: number;
  readonly faults: readonly LineFault[];
  /** Artwork alone: the copper layer it is taken for, 0 for none, −1 for the board's edge. */
  readonly layer: number | null;
  /** A table alone: its headings, and which column is taken for what. */
  readonly table: { readonly heading: readonly string[]; readonly columns: CentroidColumns } | null;
}

/** What is known of the board before the import. */
export interface ImportGround {
  readonly construction: Construction;
  readonly taken: readonly string[];
  readonly alloy: AlloyId;
}

/** What the files hold between them, in metres about their own origin. */
export interface Collected {
  readonly files: ReadFile[];
  parts: NetlistPart[];
  readonly artworks: { readonly name: string; readonly artwork: Artwork; readonly layer: number }[];
  readonly rows: CentroidRow[];
  readonly holes: DrillHole[];
}
