import { parseInput } from '../../schema/faults';
import { planTask, type PlanTask } from '../../schema/planTask';
import { benchToolOf } from '../../schema/tool';
import type { Db } from '../db';
import { planningFor } from '../planning';
import { listBoards } from '../repositories/boards';
import { sitesOf } from '../repositories/sites';
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
const invented = (): PlanTask[] => [
  rehearsal(
    { family: 'dip', pins: 8, pitch_mm: 2.54, leadDiameter_mm: 0.5, holeDiameter_mm: 0.8 },
    { default: TRACK, '4': [{ kind: 'solid-plane', layers: [2, 3] }] },
  ),
  rehearsal({ family: 'soic', pins: 8 }, { default: TRACK }),
];

/** So many of the record's sites are planned for. */
const MOST_SITES = 3;
/** Larger parts take long, and ask for nothing more. */
const MOST_PADS = 40;

/** Sites of the record, each of another family: what is asked for on these boards is what will be asked for. */
function recorded(db: Db): PlanTask[] {
  const families = new Map<string, string>();
  for (const board of listBoards(db)) {
    for (const site of sitesOf(db, board.id)) {
      if (families.size === MOST_SITES) break;
      if (site.pads.length <= MOST_PADS && !families.has(site.package.family))
        families.set(site.package.family, site.id);
    }
  }
  return [...families.values()].map((id) =>
    parseInput(planTask, { kind: 'plan', input: planningFor(db, id, { goal: 'remove-keep-part' }).input }),
  );
}

/**
 * Plans in the background until someone asks for a plan, twice over: code that has run is compiled, and runs twice as
 * fast.
 */
export function rehearse(planner: Planner, db: Db): void {
  const waiting = [...invented(), ...recorded(db)];
  const next = (): void => {
    const task = waiting.shift();
    if (task) planner.rehearse(task, next);
  };
  next();
}
