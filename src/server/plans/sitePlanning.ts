import { createHash } from 'node:crypto';
import { exposuresOf, spentByPad } from '~/core/record/heatLife';
import { givesUp } from '~/core/method/goals';
import { InputError } from '~/schema/values/faults';
import { contentsAt } from '~/server/memory/contents';
import { cyclesSoFar } from '~/core/method/limits/partCycles';
import { worstByPad } from '~/core/record/padFindings';
import { spentDoses } from '~/core/record/runState';
import type { z } from 'zod';
import type { PadStateId } from '~/core/record/padStates';
import { MOST_JOINTS, planInput, type PlanInput, type siteInput } from '~/schema/exchange/plan/planRequest';
import { wantedOf, type PlanWishes } from '~/schema/exchange/plan/planWishes';
import { supplyInputOf } from '~/schema/records/rig/supply';
import { benchToolOf } from '~/schema/records/rig/tool';
import type { Db } from '~/server/store/db';
import { AS_IT_CAME, isEmpty, type Occupancy } from '~/core/record/occupancy';
import { learntFor } from '~/server/rig/learnt';
import { openBoard, type OpenBoard } from '~/server/boards/openBoard';
import { heatBoardOf } from '~/server/boards/heatBoard';
import { getBoard } from '~/server/store/repositories/boards';
import { tracesOf, type BoardJob } from '~/server/store/repositories/jobs';
import { getSite, type SiteWithPads } from '~/server/store/repositories/sites';
import { listSupplies } from '~/server/store/repositories/supplies';
import { listTools } from '~/server/store/repositories/tools';
import { Unplannable } from '~/server/store/errors';
import { paceRecord, trackRecord } from '~/server/store/repositories/trackRecord';

/** Wishes for a plan, and whose record with methods counts. */
export interface Wanted extends PlanWishes {
  readonly by?: string | undefined;
}

export interface SitePlanning {
  readonly input: PlanInput;
  /** Fingerprint of all that the record brings to a plan; what is wanted is the technician's. */
  readonly inputsKey: string;
}

/**
 * Gathers what the record knows into a plan request: board, site, findings, neighbours, bench, stock, doses spent. Whoever has the board
 * open already hands it in.
 */
export function planningFor(db: Db, siteId: string, wanted: Wanted, read?: OpenBoard): SitePlanning {
  const site = getSite(db, siteId);
  const board = getBoard(db, site.boardId);
  const { occupancies, findings, sites, jobs } = read ?? openBoard(db, board.id);
  const found = worstByPad(findings);
  const tools = listTools(db);
  if (!tools.some(({ spec }) => spec.kind !== 'preheater')) throw new Unplannable();
  const contents = contentsAt(db, site.id);
  if (contents === 'only-copy' && givesUp(wanted.goal))
    throw new InputError([
      {
        path: '$.goal',
        message: `gives up ${site.ref}, which holds the only copy of its contents; read it twice and keep them first, or keep the part`,
      },
    ]);
  const input = planInput.parse({
    board: heatBoardOf(db, board.id),
    hazards: board.hazards,
    site: { ...siteInputOf(site, found), ...landsAsLeft(occupancies.get(site.id)), contents },
    neighbours: nearest(
      site,
      // A part that is off is no neighbour, and shades nothing.
      sites.filter((other) => other.id !== site.id && !isEmpty(occupancies.get(other.id) ?? AS_IT_CAME)),
    ).map((other) => ({
      ref: other.ref,
      package: other.package,
      x_mm: other.x_mm,
      y_mm: other.y_mm,
      rotation_deg: other.rotation_deg,
      side: other.side,
      alloy: other.alloy,
      connections: connectionsByPad(other),
    })),
    goal: wanted.goal,
    bench: tools.map(benchToolOf),
    supplies: listSupplies(db).map(supplyInputOf),
    history: spentOn(site, jobs),
    learnt: learntFor(db, board.id, tools),
  });
  // What jobs teach comes in while others are planned: a plan on the lessons of a minute ago is no stale one.
  const { goal: _goal, supplies: _supplies, learnt: _learnt, ...fromRecord } = input;
  return {
    input: { ...wantedOf(input, wanted), ...recordFor(db, site.package.family, wanted.by) },
    inputsKey: createHash('sha256').update(JSON.stringify(fromRecord)).digest('base64url').slice(0, 32),
  };
}

/** How ways went on such parts and how long hands took, for whoever is to do it; nothing where nobody is named. */
const recordFor = (db: Db, family: string, by: string | undefined): Pick<PlanInput, 'record' | 'pace'> =>
  by === undefined ? { record: [] } : { record: trackRecord(db, family, by), pace: paceRecord(db, by) };

/** A site as a plan takes it, with what was last found at its pads. */
export const siteInputOf = (
  site: SiteWithPads,
  states: ReadonlyMap<string, PadStateId>,
): z.input<typeof siteInput> => ({
  ref: site.ref,
  side: site.side,
  x_mm: site.x_mm,
  y_mm: site.y_mm,
  rotation_deg: site.rotation_deg,
  alloy: site.alloy,
  package: site.package,
  connections: connectionsByPad(site),
  clinched: site.clinched,
  nets: Object.fromEntries(site.pads.flatMap((pad) => (pad.net ? [[pad.name, pad.net]] : []))),
  polarity: site.polarity,
  padStates: Object.fromEntries(
    site.pads.flatMap((pad) => (states.has(pad.id) ? [[pad.name, states.get(pad.id)!]] : [])),
  ),
});

/** What a part that came off left undone on its lands. */
export const landsAsLeft = (
  stands: Occupancy | undefined,
): Pick<z.input<typeof siteInput>, 'undressed' | 'lowMeltLeft'> => ({
  undressed: stands?.undressed ?? false,
  lowMeltLeft: stands?.lowMeltLeft ?? false,
});

const distance_mm = (a: SiteWithPads, b: SiteWithPads): number =>
  Math.hypot(a.x_mm - b.x_mm, a.y_mm - b.y_mm);

/** A request takes no more. */
const MOST_NEIGHBOURS = 200;

/** The nearest parts, as many as a plan follows with their joints. */
function nearest(site: SiteWithPads, others: readonly SiteWithPads[]): SiteWithPads[] {
  const sorted = [...others]
    .sort((a, b) => distance_mm(site, a) - distance_mm(site, b))
    .slice(0, MOST_NEIGHBOURS);
  let joints = site.pads.length;
  const beyond = sorted.findIndex((other) => (joints += other.pads.length) > MOST_JOINTS);
  return beyond < 0 ? sorted : sorted.slice(0, beyond);
}

const connectionsByPad = (site: SiteWithPads): Record<string, SiteWithPads['pads'][number]['connections']> =>
  Object.fromEntries(site.pads.map((pad) => [pad.name, pad.connections]));

/** Heat cycles of the part that is on a site now, by every job that brought heat to it. */
export const partCyclesAt = (db: Db, { id, boardId }: Pick<SiteWithPads, 'id' | 'boardId'>): number =>
  cyclesOf(tracesOf(db, boardId), id);

/** By jobs of its board, the oldest first. */
const cyclesOf = (ofBoard: readonly BoardJob[], siteId: string): number =>
  Math.min(
    100,
    cyclesSoFar(
      ofBoard
        .filter((job) => job.siteId === siteId && job.events.some((event) => event.kind === 'exposure'))
        .map(({ goal }) => goal),
    ),
  );

/** Doses that a site's pads took from their own jobs, and their share of every other job on the board. */
function spentOn(site: SiteWithPads, ofBoard: readonly BoardJob[]) {
  const { laminateDose } = spentDoses(
    ofBoard.filter(({ siteId }) => siteId === site.id).map(({ events }) => events),
  );
  const byPad = spentByPad(exposuresOf(ofBoard, [site]));
  return {
    padDose: Object.fromEntries(
      site.pads.flatMap(({ id, name }) => (byPad.has(id) ? [[name, byPad.get(id)!] as const] : [])),
    ),
    laminateDose,
    partCycles: cyclesOf(ofBoard, site.id),
  };
}
