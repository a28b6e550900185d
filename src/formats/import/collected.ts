import type { AlloyId } from '~/core/materials/alloys';
import type { Construction } from '~/schema/values/construction';
import type { CentroidColumns } from '~/formats/placement/columns';
import type { CentroidRow, Placement } from '~/formats/placement/centroid';
import type { Drilling, DrillHole } from '~/formats/excellon/excellon';
import type { Artwork } from '~/formats/gerber/artwork';
import type { LineFault } from '~/formats/lineFault';
import type { Exchange } from '~/formats/exchange/exchange';
import type { Netlist } from '~/formats/netlist/netlist';
import type { NetlistPart } from '~/formats/netlist/netlistParts';
import type { Reading } from '~/formats/reading';
import type { Shows } from './shows';

export type FileKind = 'netlist' | 'artwork' | 'drill' | 'table' | 'exchange' | 'archive' | 'unknown';

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
  /** How its numbers were read, in words; null where there is nothing to say. */
  readonly spelt: string | null;
  /** Read otherwise than it is written, by a person's word. */
  readonly otherwise: boolean;
}

/** What is known of the board before the import. */
export interface ImportGround {
  readonly construction: Construction;
  readonly taken: readonly string[];
  readonly alloy: AlloyId;
}

/** One drawing and what it is taken for. */
export interface CollectedArtwork {
  readonly name: string;
  readonly artwork: Artwork;
  readonly shows: Shows;
  readonly layer: number;
}

/** What one file holds, by its kind, in metres about the files' own origin. */
export type Content =
  | { readonly kind: 'netlist'; readonly netlist: Netlist }
  | { readonly kind: 'artwork'; readonly artwork: Artwork }
  | { readonly kind: 'drill'; readonly drilling: Drilling }
  | { readonly kind: 'table'; readonly placement: Placement }
  | { readonly kind: 'exchange'; readonly exchange: Exchange };

/** A file that was read, and how. */
export interface Source {
  readonly name: string;
  readonly text: string;
  readonly reading: Reading;
  /** Columns of a list that a person has settled. */
  readonly columns: Partial<CentroidColumns>;
  readonly content: Content;
}

/** What the files hold between them, in metres about their own origin. */
export interface Collected {
  readonly files: readonly ReadFile[];
  readonly parts: readonly NetlistPart[];
  readonly artworks: readonly CollectedArtwork[];
  /** One a reference, of all lists. */
  readonly rows: ReadonlyMap<string, CentroidRow>;
  readonly holes: readonly DrillHole[];
}
