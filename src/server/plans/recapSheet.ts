import { AS_IT_CAME, isEmpty } from '~/core/record/occupancy';
import { exposuresOf, spentByPad } from '~/core/record/heatLife';
import { planInput } from '~/schema/exchange/plan/planRequest';
import type { PlanTask } from '~/schema/exchange/plan/planTask';
import type { RecapSheet } from '~/schema/sheets/recapSheet';
import type { Db } from '~/server/store/db';
import { openBoard } from '~/server/boards/openBoard';
import { contentsAt } from '~/server/memory/contents';
import { getBoard } from '~/server/store/repositories/boards';
import { padStatesOf } from '~/server/store/repositories/findings';
import { jobsOfBoard } from '~/server/store/repositories/jobs';
import { recapsOf } from '~/server/store/repositories/recaps';
import { siteGroupsOf } from '~/server/store/repositories/siteGroups';
import type { SiteWithPads } from '~/server/store/repositories/sites';
import { roundSheet } from './roundSheet';
import { landsAsLeft, planningFor, siteInputOf } from './sitePlanning';

/** Gathers what a whole-board job starts from. */
export function recapSheet(db: Db, boardId: string): RecapSheet {
  const open = openBoard(db, boardId);
  const kept = recapsOf(db, boardId).map((recap) => ({ recap, round: roundSheet(recap, open) }));
  const underWay = kept.find(({ round }) => round.begun && round.next !== null);
  return {
    board: getBoard(db, boardId),
    groups: siteGroupsOf(db, boardId),
    kept: underWay ?? kept[0] ?? null,
    sites: open.sites.map(({ id, ref, value, package: part }) => ({ id, ref, value, family: part.family })),
  };
}

/** What the planner is asked of a whole-board job: all share bench, stock and board; each site is itself, alone. */
export function recapAsks(
  db: Db,
  boardId: string,
  siteIds: readonly string[],
): Extract<PlanTask, { kind: 'recap' }>['asks'] {
  const { sites: all, occupancies } = openBoard(db, boardId);
  const sites = all.filter((site) => siteIds.includes(site.id));
  const first = sites[0];
  if (!first) return [];
  const { input } = planningFor(db, first.id, { goal: 'read-and-refit' });
  const states = padStatesOf(db, boardId);
  const spent = spentByPad(
    exposuresOf(
      jobsOfBoard(db, boardId).map(({ job, events }) => ({ siteId: job.siteId, events })),
      all,
    ),
  );
  return sites.map((site) => {
    const contents = contentsAt(db, site.id);
    // A part that is off is only fitted, once its lands are dressed; one that holds the only copy goes back on.
    const goal = isEmpty(occupancies.get(site.id) ?? AS_IT_CAME)
      ? 'fit'
      : contents === 'only-copy'
        ? 'read-and-refit'
        : 'replace';
    return {
      value: site.value || site.ref,
      input: planInput.parse({
        ...input,
        goal,
        neighbours: [],
        site: { ...siteInputOf(site, states), ...landsAsLeft(occupancies.get(site.id)), contents },
        history: { padDose: spentOn(site, spent), laminateDose: 0, partCycles: 0 },
      }),
    };
  });
}

const spentOn = (site: SiteWithPads, spent: ReadonlyMap<string, number>): Record<string, number> =>
  Object.fromEntries(site.pads.flatMap((pad) => (spent.has(pad.id) ? [[pad.name, spent.get(pad.id)!]] : [])));
