import type { BoardSheet, JobLine } from '../schema/boardSheet';
import type { Goal } from '../core/method/request';
import type { PlanSheet } from '../schema/planSheet';
import type { RunSheet } from '../schema/runSheet';
import { settingInWords } from '../schema/words';
import type { Db } from './db';
import { getBoard } from './repositories/boards';
import { findingsOf } from './repositories/findings';
import { getJob, jobsOfBoard } from './repositories/jobs';
import { planningFor } from './planning';
import { getSite, sitesOf } from './repositories/sites';
import { listTools } from './repositories/tools';

/** Gathers one board's sheet: the board, its sites, what was found and what was done. */
export function boardSheet(db: Db, boardId: string): BoardSheet {
  const board = getBoard(db, boardId);
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
  return { board, sites: sitesOf(db, boardId), findings: findingsOf(db, boardId), jobs };
}

/** Gathers what a plan of one site starts from. */
export function planSheet(db: Db, siteId: string, goal: Goal): PlanSheet {
  const site = getSite(db, siteId);
  const board = getBoard(db, site.boardId);
  const states = findingsOf(db, board.id).map((f) => [f.padId, f.state] as const);
  return {
    board,
    site,
    padStates: Object.fromEntries(states),
    tools: listTools(db),
    goal,
    ...planningFor(db, siteId, goal),
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
