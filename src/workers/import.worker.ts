import { dispatch } from './dispatch';
import type { ImportTask } from './protocol';
import { solveImport } from './solveImport';

/** Reads files of boards; it alone carries their formats. */
dispatch<ImportTask>(solveImport);
