import { dispatch } from './dispatch';
import { solveHeat } from './solveHeat';

/** Heats boards under air. */
dispatch(solveHeat);
