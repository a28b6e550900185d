import type { BundleManifest } from '~/schema/values/bundle';

/** A row that is here already and says something else. */
export interface RowConflict {
  readonly table: string;
  /** Its key, and what it is called where it has a name. */
  readonly row: string;
  readonly differs: readonly string[];
  /** What happened is kept as it stands here, whatever is chosen. */
  readonly kept: boolean;
}

/** What a bundle brought, or would bring. */
export interface BundleOutcome {
  readonly outcome: 'written' | 'would-be-written' | 'conflicts';
  readonly scope: BundleManifest['scope'];
  /** Rows of each table that are new here. */
  readonly fresh: Readonly<Record<string, number>>;
  /** Rows that are here already and say the same. */
  readonly same: number;
  /** Rows that are here and say something else, the first of them. */
  readonly conflicts: readonly RowConflict[];
  readonly conflictCount: number;
}
