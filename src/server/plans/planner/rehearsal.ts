import { parseInput } from '~/schema/values/faults';
import { planInput } from '~/schema/exchange/plan/planRequest';
import type { PlanTask } from '~/schema/exchange/plan/planTask';
import { STACKUPS } from '~/schema/presets/stackupPresets';
import { benchToolOf } from '~/schema/records/rig/tool';
import type { Db } from '~/server/store/db';
import { planningFor } from '../sitePlanning';
import { listBoards } from '~/server/store/repositories/boards';
import { sitesOf } from '~/server/store/repositories/sites';
import { STARTING_TOOLS } from '~/server/rig/firstRig';
import type { Planner } from './planner';

const { name: _name, ...FOUR_LAYERS } = STACKUPS['four-layer'];
const BOARD = { length_mm: 160, width_mm: 100, ...FOUR_LAYERS };

const TRACK = [{ kind: 'track', width_mm: 0.4, count: 1 }];

const rehearsal = (part: object, connections: object): PlanTask => ({
  kind: 'plan',
  input: parseInput(planInput, {
    board: BOARD,
    site: { ref: 'U1', side: 'top', x_mm: 80, y_mm: 50, alloy: 'sn60pb40', package: part, connections },
    goal: 'remove-keep-part',
    bench: STARTING_TOOLS.map(benchToolOf),
  }),
});

/** A pack in holes with a plane pin, then one on lands: between them they ask for all that plans are made of. */
const invented = (): PlanTask[] => [
  rehearsal(
    { family: 'dip', pins: 8, pitch_mm: 2.54, leadDiameter_mm: 0.5, holeDiameter_mm: 0.8 },
    { default: TRACK, '4': [{ kind: 'solid-plane', layers: [2, 3] }] },
  ),
  rehearsal({ family: 'soic', pins: 8 }, { default: TRACK }),
];

/** So many of the record's sites are planned for, looked for on so many of its boards. */
const MOST_SITES = 3;
const MOST_BOARDS = 20;
/** Larger parts take long, and ask for nothing more. */
const MOST_PADS = 40;

/** Sites of the record, each of another family: what is asked for on these boards is what will be asked for. */
function recorded(db: Db): PlanTask[] {
  const families = new Map<string, string>();
  for (const site of listBoards(db, MOST_BOARDS).flatMap(({ id }) => sitesOf(db, id))) {
    if (site.pads.length <= MOST_PADS && !families.has(site.package.family))
      families.set(site.package.family, site.id);
  }
  return [...families.values()].slice(0, MOST_SITES).flatMap((id) => taskFor(db, id));
}

/** None where the site cannot be planned for now, such as with an empty bench: its page says why. */
function taskFor(db: Db, siteId: string): PlanTask[] {
  try {
    const { input } = planningFor(db, siteId, { goal: 'remove-keep-part' });
    return [{ kind: 'plan', input }];
  } catch {
    return [];
  }
}

/** Plans in the background until someone asks for a plan: code that has run is compiled, and runs twice as fast. */
export function rehearse(planner: Planner, db: Db): void {
  const waiting = [...invented(), ...ifReadable(() => recorded(db))];
  const next = (): void => {
    const task = waiting.shift();
    if (task) planner.rehearse(task, next);
  };
  next();
}

/** A record that does not read says so on its own page; it does not keep the server from starting. */
function ifReadable(read: () => PlanTask[]): PlanTask[] {
  try {
    return read();
  } catch (error) {
    console.error('ithermon: nothing of the record is rehearsed:', error);
    return [];
  }
}
