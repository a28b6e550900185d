import type { BoardSheet, JobLine } from '~/schema/sheets/boardSheet';
import { settingInWords } from '~/schema/words/settingWords';
import { boardStanding } from './boardStanding';
import { openBoard } from './openBoard';
import { artworksOf, importsOf } from '~/server/store/repositories/imports';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
import { jobsOfBoard } from '~/server/store/repositories/jobs';
import { faceFindingsOf } from '~/server/store/repositories/faceFindings';
import { photosOf } from '~/server/store/repositories/photos';
import { siteGroupsOf } from '~/server/store/repositories/siteGroups';
import type { SiteWithPads } from '~/server/store/repositories/sites';
import type { SiteGroupRecord } from '~/schema/records/board/siteGroup';

/** Gathers one board's sheet: the board, its sites, what was found and what was done. */
export function boardSheet(db: Db, boardId: string): BoardSheet {
  const board = getBoard(db, boardId);
  const read = openBoard(db, boardId);
  const { sites, findings, readings } = read;
  const jobs = jobsOfBoard(db, boardId).map(({ job, events }): JobLine => ({
    id: job.id,
    siteId: job.siteId,
    siteRef: job.plan.site.ref,
    goal: job.goal,
    by: job.by,
    status: job.status,
    outcome: job.outcome,
    cause: job.cause,
    acceptedAt_ms: job.acceptedAt_ms,
    setting: settingInWords(job.plan.phases[0]!.chosen),
    steps: Object.fromEntries(job.plan.steps.map((step) => [step.id, step.title])),
    events,
  }));
  return {
    board,
    standing: boardStanding(db, boardId, read),
    sites,
    findings,
    jobs,
    readings,
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
