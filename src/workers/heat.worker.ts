import { dispatch } from './dispatch';
import { workerPort } from './port';
import { solveHeat } from './solveHeat';

/** Heats boards under air. */
dispatch(workerPort(), solveHeat);
