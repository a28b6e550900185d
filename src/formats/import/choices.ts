import type { CentroidColumns } from '~/formats/placement/columns';
import type { Reading } from '~/formats/reading';

/** What a person has settled about the files. */
export interface ImportChoices {
  /** From the files' origin to the board's lower left corner; null lays the files on the board. */
  readonly shift_mm: readonly [x: number, y: number] | null;
  /** Copper layer of each artwork file; 0 leaves it out. */
  readonly layers: Readonly<Record<string, number>>;
  /** What each column of a table holds, where a person has said so. */
  readonly columns: Readonly<Record<string, Partial<CentroidColumns>>>;
  /** How a file is read where a person says otherwise than it does. */
  readonly readings: Readonly<Record<string, Reading>>;
  /** Files that are left out. */
  readonly without: readonly string[];
}

export const UNSETTLED: ImportChoices = {
  shift_mm: null,
  layers: {},
  columns: {},
  readings: {},
  without: [],
};
