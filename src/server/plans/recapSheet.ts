import { exposuresOf, spentByPad } from '~/core/record/heatLife';
import { planInput, type PlanInput } from '~/schema/exchange/plan/planRequest';
import type { RecapSheet } from '~/schema/sheets/recapSheet';
import type { Db } from '~/server/store/db';
import { planningFor } from './sitePlanning';
import { getBoard } from '~/server/store/repositories/boards';
import { findingsOf } from '~/server/store/repositories/findings';
import { jobsOfBoard } from '~/server/store/repositories/jobs';
import { recapsOf } from '~/server/store/repositories/recaps';
import { siteGroupsOf } from '~/server/store/repositories/siteGroups';
import { sitesOf } from '~/server/store/repositories/sites';

/** Gathers what a whole-board job starts from: what all sites share once, and what each of them is. */
export function recapSheet(db: Db, boardId: string): RecapSheet {
  const board = getBoard(db, boardId);
  const sites = sitesOf(db, boardId);
  const kept = recapsOf(db, boardId);
  const jobs = jobsOfBoard(db, boardId);
  const spent = spentByPad(
    exposuresOf(
      jobs.map(({ job, events }) => ({ siteId: job.siteId, events })),
      sites,
    ),
  );
  const found = new Map(findingsOf(db, boardId).map((f) => [f.padId, f.state]));
  const first = sites[0];
  const base: PlanInput | null = first ? planningFor(db, first.id, { goal: 'replace' }).input : null;
  return {
    board,
    groups: siteGroupsOf(db, boardId),
    kept,
    base: base && { ...base, neighbours: [], board: { ...base.board, copperMaps: undefined } },
    sites: base
      ? sites.map((site) => ({
          id: site.id,
          ref: site.ref,
          value: site.value,
          family: site.package.family,
          site: planInput.shape.site.parse({
            ref: site.ref,
            side: site.side,
            x_mm: site.x_mm,
            y_mm: site.y_mm,
            rotation_deg: site.rotation_deg,
            alloy: site.alloy,
            package: site.package,
            connections: Object.fromEntries(site.pads.map((pad) => [pad.name, pad.connections])),
            padStates: Object.fromEntries(
              site.pads.flatMap((pad) => (found.has(pad.id) ? [[pad.name, found.get(pad.id)!]] : [])),
            ),
            clinched: site.clinched,
          }),
          history: {
            padDose: Object.fromEntries(
              site.pads.flatMap((pad) => (spent.has(pad.id) ? [[pad.name, spent.get(pad.id)!]] : [])),
            ),
            laminateDose: 0,
            partCycles: 0,
          },
          done: jobs.some(
            ({ job }) =>
              job.siteId === site.id &&
              job.status === 'closed' &&
              job.closedAt_ms! > (kept[0]?.at_ms ?? Infinity),
          ),
        }))
      : [],
  };
}
