import { dispatch } from './dispatch';
import type { HeatTask } from './protocol';
import { solveHeat } from './solveHeat';

/** Heats boards under air. */
dispatch<HeatTask>(solveHeat);
