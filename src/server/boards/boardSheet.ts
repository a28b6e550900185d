import type { BoardSheet, JobLine } from '~/schema/sheets/boardSheet';
import { settingInWords } from '~/schema/words/settingWords';
import { boardStanding } from './boardStanding';
import { openBoard } from './openBoard';
import { artworksOf, importsOf } from '~/server/store/repositories/imports';
import type { Db } from '~/server/store/db';
import { getBoard } from '~/server/store/repositories/boards';
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
  const jobs = read.jobs.toReversed().map((job): JobLine => {
    const { id, siteId, siteRef, goal, by, status, outcome, cause, acceptedAt_ms, events } = job;
    return {
      ...{ id, siteId, siteRef, goal, by, status, outcome, cause, acceptedAt_ms, events },
      setting: settingInWords(job.chosen),
      steps: Object.fromEntries(job.steps.map((step) => [step.id, step.title])),
    };
  });
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
