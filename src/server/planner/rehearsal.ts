import { parseInput } from '../../schema/faults';
import { planTask, type PlanTask } from '../../schema/planTask';
import { benchToolOf } from '../../schema/tool';
import { STARTING_TOOLS } from '../rig';
import type { Planner } from './planner';

const BOARD = {
  length_mm: 160,
  width_mm: 100,
  thickness_mm: 1.6,
  laminate: 'fr4-standard',
  copperLayers: [
    { weight_oz: 1, coverage: 0.3 },
    { weight_oz: 1, coverage: 0.9 },
    { weight_oz: 1, coverage: 0.9 },
    { weight_oz: 1, coverage: 0.3 },
  ],
};

const TRACK = [{ kind: 'track', width_mm: 0.4, count: 1 }];

const rehearsal = (part: object, connections: object): PlanTask =>
  parseInput(planTask, {
    kind: 'plan',
    input: {
      board: BOARD,
      site: { ref: 'U1', side: 'top', x_mm: 80, y_mm: 50, alloy: 'sn60pb40', package: part, connections },
      goal: 'remove-keep-part',
      bench: STARTING_TOOLS.map(benchToolOf),
    },
  });

/** A pack in holes with a plane pin, then one on lands: between them they ask for all that plans are made of. */
const rehearsals = (): readonly PlanTask[] => [
  rehearsal(
    { family: 'dip', pins: 8, pitch_mm: 2.54, leadDiameter_mm: 0.5, holeDiameter_mm: 0.8 },
    { default: TRACK, '4': [{ kind: 'solid-plane', layers: [2, 3] }] },
  ),
  rehearsal({ family: 'soic', pins: 8 }, { default: TRACK }),
];

/** Plans in the background until someone asks for a plan: code that has run is compiled, and runs twice as fast. */
export function rehearse(planner: Planner): void {
  const [...waiting] = rehearsals();
  const next = (): void => {
    const task = waiting.shift();
    if (task) planner.rehearse(task, next);
  };
  next();
}
