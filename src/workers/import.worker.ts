import { dispatch } from './dispatch';
import { solveImport } from './solveImport';

/** Reads files of boards; it alone carries their formats. */
dispatch(solveImport);
