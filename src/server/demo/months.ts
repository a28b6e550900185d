import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { z } from 'zod';
import type { Outcome } from '~/core/record/outcomes';
import type { RunEventBody } from '~/core/record/runEvents';
import { boardEntryRow } from '~/schema/records/board/boardEntry';
import { newBoard } from '~/schema/records/board/board';
import { newSite } from '~/schema/records/site/site';
import { newStockPart } from '~/schema/records/parts/stockPart';
import type { Db } from '~/server/store/db';
import { addBoardEntry } from '~/server/store/repositories/boardEntries';
import { addBoard, hasBoard, setWaiting } from '~/server/store/repositories/boards';
import { addFinishedJob, type FinishedJob } from '~/server/store/repositories/finishedJobs';
import { keepJobFacts, type KeptFacts } from '~/server/store/repositories/jobFacts';
import { addSite } from '~/server/store/repositories/sites';
import { addPart, movePart } from '~/server/store/repositories/stockParts';
import { DEMO_BOARDS } from './boards';

/**
 * Sample months of the invented workshop: made once by `npm run months` from a hidden bench, through the same doors as real
 * work, and kept ready, so that a first start has them in seconds.
 */
const packedMonths = z.object({
  boards: z.array(
    z.object({
      id: z.string(),
      of: z.string(),
      name: z.string(),
      fault: z.string(),
      madeIn: z.number(),
      at_ms: z.number(),
    }),
  ),
  /** What jobs of a kind share: what they were planned from, and their plan, as columns of the table. */
  templates: z.array(
    z.object({
      ref: z.string(),
      goal: z.string(),
      family: z.string(),
      method: z.string(),
      modelVersion: z.string(),
      input: z.unknown(),
      setting: z.unknown(),
      choices: z.unknown(),
      plan: z.unknown(),
    }),
  ),
  jobs: z.array(
    z.object({
      id: z.string(),
      board: z.string(),
      template: z.number(),
      by: z.string(),
      acceptedAt_ms: z.number(),
      outcome: z.string(),
      cause: z.string(),
      /** Milliseconds after the entry before, and the entry. */
      events: z.array(z.tuple([z.number(), z.record(z.string(), z.unknown())])),
      findings: z.array(
        z.object({
          site: z.string(),
          pad: z.string(),
          state: z.string(),
          other: z.string().nullable(),
          note: z.string(),
          at_ms: z.number(),
        }),
      ),
      /** The stock line that its new part came out of; null: none was fitted. */
      part: z.string().nullable(),
    }),
  ),
  /** What is counted of each job, as it is when it is counted anew. */
  facts: z.array(z.record(z.string(), z.unknown())),
  entries: z.array(z.object({ board: z.string(), by: z.string(), at_ms: z.number(), body: z.unknown() })),
  parts: z.array(z.object({ id: z.string(), line: z.unknown(), at_ms: z.number() })),
});
export type PackedMonths = z.infer<typeof packedMonths>;

/** The days that sample months lie in end no later than this before today. */
const DAYS_BEFORE = 3;
const DAY_ms = 86_400_000;

/** The months that are kept ready in a file. */
export const readMonths = (file: string): PackedMonths =>
  packedMonths.parse(JSON.parse(gunzipSync(readFileSync(file)).toString('utf8')));

/** Writes the sample months; does nothing where they are there. */
export const seedMonths = (db: Db, file: string, now_ms: number): void =>
  writeMonths(db, readMonths(file), now_ms);

/** The same of months that are at hand. Days are shifted whole where they would lie ahead. */
export function writeMonths(db: Db, months: PackedMonths, now_ms: number): void {
  if (hasBoard(db, months.boards[0]!.id)) return;
  const last_ms = Math.max(...months.entries.map((e) => e.at_ms));
  const ahead_ms = Math.max(0, last_ms - (now_ms - DAYS_BEFORE * DAY_ms));
  const by_ms = Math.ceil(ahead_ms / DAY_ms) * DAY_ms;
  db.transaction(() => {
    write(db, months, (at_ms) => at_ms - by_ms);
  });
}

function write(db: Db, months: PackedMonths, on: (at_ms: number) => number): void {
  for (const { id, line, at_ms } of months.parts) addPart(db, newStockPart.parse(line), on(at_ms), id);
  for (const { id, of, name, fault, madeIn, at_ms } of months.boards) {
    const kind = DEMO_BOARDS.find((b) => b.id === of)!;
    addBoard(db, newBoard.parse({ ...kind.board, name, fault, madeIn, triedBefore: '' }), on(at_ms), id);
    for (const site of kind.sites) addSite(db, id, newSite.parse(site), `${id}-${site.ref}`);
  }
  for (const job of months.jobs) writeJob(db, job, months.templates[job.template]!, on);
  for (const kept of months.facts as unknown as KeptFacts[])
    keepJobFacts(db, kept.jobId, {
      ...kept,
      acceptedAt_ms: on(kept.acceptedAt_ms),
      closedAt_ms: on(kept.closedAt_ms),
    });
  months.entries.forEach(({ board, by, at_ms, body }, i) =>
    addBoardEntry(
      db,
      boardEntryRow.parse({ id: `${board}-entry-${i}`, boardId: board, at_ms: on(at_ms), by, body }),
    ),
  );
  // All have gone back: what their record says of them is known without reading it.
  for (const { id } of months.boards) {
    const back = months.entries.findLast(({ board }) => board === id)!.body as { outcome: Outcome };
    setWaiting(db, id, { ...CLOSED, outcome: back.outcome });
  }
}

/** What a board waits for that was handed back. */
const CLOSED = { waitingFor: 'closed', nextAction: '' } as const;

function writeJob(
  db: Db,
  job: PackedMonths['jobs'][number],
  { ref, ...template }: PackedMonths['templates'][number],
  on: (at_ms: number) => number,
): void {
  const { id, board, by, outcome, cause, acceptedAt_ms } = job;
  const siteId = `${board}-${ref}`;
  let at_ms = acceptedAt_ms;
  const rows = job.events.map(([after_ms, body], i) => {
    at_ms += after_ms;
    return {
      jobId: id,
      seq: i + 1,
      clientId: i === 0 ? `${id}-opened` : `${id}-e${i}`,
      at_ms: on(at_ms),
      by,
      body: body as unknown as RunEventBody,
    };
  });
  const row = {
    ...template,
    id,
    boardId: board,
    siteId,
    by,
    status: 'closed',
    outcome,
    cause,
    acceptedAt_ms: on(acceptedAt_ms),
    closedAt_ms: on(at_ms),
    lastSeq: rows.length,
  };
  addFinishedJob(db, {
    job: row as FinishedJob['job'],
    events: rows,
    findings: job.findings.map(({ site, pad, state, other, note, at_ms: found_ms }, i) => ({
      id: `${id}-found-${i + 1}`,
      boardId: board,
      siteId: `${board}-${site}`,
      padId: `${board}-${site}-${pad}`,
      otherPadId: other === null ? null : `${board}-${site}-${other}`,
      state: state as FinishedJob['findings'][number]['state'],
      foundAs: 'done-here',
      jobId: id,
      note,
      by,
      at_ms: on(found_ms),
    })),
  });
  if (job.part !== null)
    movePart(db, job.part, { reason: 'fitted', amount: 1, siteId, by }, on(at_ms), `${id}-fitted`);
}
