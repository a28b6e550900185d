import { AS_IT_CAME, isEmpty, type Occupancy } from '~/core/record/occupancy';
import { exposuresOf, spentByPad } from '~/core/record/heatLife';
import { planInput } from '~/schema/exchange/plan/planRequest';
import type { PlanTask } from '~/schema/exchange/plan/planTask';
import type { RecapSheet } from '~/schema/sheets/recapSheet';
import type { Db } from '~/server/store/db';
import { openBoard } from '~/server/boards/openBoard';
import { getBoard } from '~/server/store/repositories/boards';
import { padStatesOf } from '~/server/store/repositories/findings';
import { jobsOfBoard, type JobWithEvents } from '~/server/store/repositories/jobs';
import { recapsOf } from '~/server/store/repositories/recaps';
import { siteGroupsOf } from '~/server/store/repositories/siteGroups';
import { sitesOf, type SiteWithPads } from '~/server/store/repositories/sites';
import { planningFor, siteInputOf } from './sitePlanning';

/** Gathers what a whole-board job starts from. */
export function recapSheet(db: Db, boardId: string): RecapSheet {
  const kept = recapsOf(db, boardId);
  const jobs = jobsOfBoard(db, boardId);
  const { sites, occupancies } = openBoard(db, boardId);
  return {
    board: getBoard(db, boardId),
    groups: siteGroupsOf(db, boardId),
    kept,
    sites: sites.map(({ id, ref, value, package: part }) => ({
      id,
      ref,
      value,
      family: part.family,
      done: doneSince(jobs, id, kept[0]?.at_ms ?? Infinity) && isWhole(occupancies.get(id)),
    })),
  };
}

const doneSince = (jobs: readonly JobWithEvents[], siteId: string, since_ms: number): boolean =>
  jobs.some(({ job }) => job.siteId === siteId && job.status === 'closed' && job.closedAt_ms! > since_ms);

/** A site is not done while its part lies in a tray, or hangs by half of its pins. */
const isWhole = (occupancy: Occupancy = AS_IT_CAME): boolean =>
  !isEmpty(occupancy) && occupancy.kind !== 'half-off';

/** What the planner is asked of a whole-board job: all share bench, stock and board; each site is itself, alone. */
export function recapAsks(
  db: Db,
  boardId: string,
  siteIds: readonly string[],
): Extract<PlanTask, { kind: 'recap' }>['asks'] {
  const all = sitesOf(db, boardId);
  const sites = all.filter((site) => siteIds.includes(site.id));
  const first = sites[0];
  if (!first) return [];
  const { input } = planningFor(db, first.id, { goal: 'replace' });
  const states = padStatesOf(db, boardId);
  const spent = spentByPad(
    exposuresOf(
      jobsOfBoard(db, boardId).map(({ job, events }) => ({ siteId: job.siteId, events })),
      all,
    ),
  );
  return sites.map((site) => ({
    value: site.value || site.ref,
    input: planInput.parse({
      ...input,
      neighbours: [],
      site: siteInputOf(site, states),
      history: { padDose: spentOn(site, spent), laminateDose: 0, partCycles: 0 },
    }),
  }));
}

const spentOn = (site: SiteWithPads, spent: ReadonlyMap<string, number>): Record<string, number> =>
  Object.fromEntries(site.pads.flatMap((pad) => (spent.has(pad.id) ? [[pad.name, spent.get(pad.id)!]] : [])));
