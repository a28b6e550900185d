import type { BoardSheet, JobLine } from '~/schema/sheets/boardSheet';
import type { Goal } from '~/core/method/goals';
import type { PlanSheet } from '~/schema/sheets/planSheet';
import type { RunSheet } from '~/schema/sheets/runSheet';
import { settingInWords } from '~/schema/words/settingWords';
import type { AirSheet } from '~/schema/sheets/airSheet';
import { copperMapsOf } from './boards/copperMaps';
import { artworksOf, importsOf } from './store/repositories/imports';
import type { Db } from './store/db';
import { getBoard } from './store/repositories/boards';
import { findingsOf } from './store/repositories/findings';
import { getJob, jobsOfBoard } from './store/repositories/jobs';
import { planningFor } from './plans/sitePlanning';
import { faceFindingsOf } from './store/repositories/faceFindings';
import { photosOf } from './store/repositories/photos';
import { siteGroupsOf } from './store/repositories/siteGroups';
import { readingsOfBoard } from './store/repositories/readings';
import { getSite, sitesOf, type SiteWithPads } from './store/repositories/sites';
import type { SiteGroupRecord } from '~/schema/records/board/siteGroup';
import { listHabits } from './store/repositories/stepHabits';
import { listSupplies, recentMoves } from './store/repositories/supplies';
import { allTools, listTools } from './store/repositories/tools';
import type { RigSheet } from '~/schema/sheets/rigSheet';
import { recordsByPerson } from './plans/trackRecord';

/** Gathers one board's sheet: the board, its sites, what was found and what was done. */
export function boardSheet(db: Db, boardId: string): BoardSheet {
  const board = getBoard(db, boardId);
  const sites = sitesOf(db, boardId);
  const jobs = jobsOfBoard(db, boardId).map(({ job, events }): JobLine => ({
    id: job.id,
    siteId: job.siteId,
    siteRef: job.input.site.ref,
    goal: job.goal,
    by: job.by,
    status: job.status,
    outcome: job.outcome,
    cause: job.cause,
    acceptedAt_ms: job.acceptedAt_ms,
    setting: settingInWords(job.plan.chosen),
    events,
  }));
  return {
    board,
    sites,
    findings: findingsOf(db, boardId),
    jobs,
    readings: readingsOfBoard(db, boardId),
    artworks: artworksOf(db, boardId),
    imports: importsOf(db, boardId),
    faceFindings: faceFindingsOf(db, boardId),
    photos: photosOf(db, boardId),
    groups: groupsThatStand(siteGroupsOf(db, boardId), sites),
  };
}

/** Groups without the sites that an undone import took away again. */
function groupsThatStand(
  groups: readonly SiteGroupRecord[],
  sites: readonly SiteWithPads[],
): SiteGroupRecord[] {
  const known = new Set(sites.map((site) => site.id));
  return groups
    .map((group) => ({ ...group, siteIds: group.siteIds.filter((id) => known.has(id)) }))
    .filter((group) => group.siteIds.length > 0);
}

/** Gathers what a plan of one site starts from. */
export function planSheet(db: Db, siteId: string, goal: Goal, mates: readonly string[] = []): PlanSheet {
  const site = getSite(db, siteId);
  const board = getBoard(db, site.boardId);
  const states = findingsOf(db, board.id).map((f) => [f.padId, f.state] as const);
  return {
    board,
    site,
    padStates: Object.fromEntries(states),
    tools: listTools(db),
    goal,
    mates: mates.filter((ref) => sitesOf(db, board.id).some((s) => s.ref === ref && s.id !== siteId)),
    ...planningFor(db, siteId, { goal }),
    records: recordsByPerson(db, site.package.family),
    habits: listHabits(db),
  };
}

/** A setting at which a preheater brings a board to about 130 °C in the open. */
const USUAL_PREHEAT_C = 180;
const USUAL_SOAK_s = 120;

/** Gathers what a hot-air run on one site starts from. */
export function airSheet(db: Db, siteId: string): AirSheet {
  const site = getSite(db, siteId);
  const board = getBoard(db, site.boardId);
  const tools = listTools(db);
  return {
    board,
    site,
    padStates: Object.fromEntries(findingsOf(db, board.id).map((f) => [f.padId, f.state] as const)),
    stations: tools.flatMap((t) => (t.spec.kind === 'hot-air' ? [{ ...t, spec: t.spec }] : [])),
    preheats: tools.flatMap((t) =>
      t.spec.kind === 'preheater'
        ? [
            {
              name: t.name,
              kind: t.spec.heat,
              range_C: t.spec.setpointRange_C,
              setpoint_C: Math.min(USUAL_PREHEAT_C, t.spec.setpointRange_C[1]),
              soak_s: USUAL_SOAK_s,
            },
          ]
        : [],
    ),
    ground: {
      ambient_C: 23,
      board: { ...board.construction, copperMaps: copperMapsOf(db, board.id) },
      site: {
        ref: site.ref,
        side: site.side,
        x_mm: site.x_mm,
        y_mm: site.y_mm,
        rotation_deg: site.rotation_deg,
        alloy: site.alloy,
        package: site.package,
        connections: Object.fromEntries(site.pads.map((pad) => [pad.name, pad.connections])),
      },
      neighbours: sitesOf(db, board.id)
        .filter((other) => other.id !== site.id)
        .map((other) => ({
          ref: other.ref,
          package: other.package,
          x_mm: other.x_mm,
          y_mm: other.y_mm,
          rotation_deg: other.rotation_deg,
          side: other.side,
          alloy: other.alloy,
        })),
    },
  };
}

/** Gathers what a job's sheet starts from. */
export function runSheet(db: Db, jobId: string, now_ms: number): RunSheet {
  const { job, events } = getJob(db, jobId);
  return {
    job,
    events,
    board: getBoard(db, job.boardId),
    site: getSite(db, job.siteId),
    findings: findingsOf(db, job.boardId).filter((f) => f.siteId === job.siteId),
    now_ms,
  };
}

/** Moves of stock that the Rig shows. */
const SHOWN_MOVES = 20;

/** Gathers what the Rig is drawn from. */
export const rigSheet = (db: Db, now_ms: number): RigSheet => ({
  tools: allTools(db),
  supplies: listSupplies(db),
  moves: recentMoves(db, SHOWN_MOVES),
  now_ms,
});
