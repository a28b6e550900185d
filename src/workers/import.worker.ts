import { dispatch } from './dispatch';
import { workerPort } from './port';
import { solveImport } from './solveImport';

/** Reads files of boards; it alone carries their formats. */
dispatch(workerPort(), solveImport);
