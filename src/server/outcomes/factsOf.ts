import { z } from 'zod';
import { harmsOf } from '~/core/outcomes/harms';
import { paceSeen } from '~/core/method/pace';
import { heldIn, type ForetoldId, type Seen } from '~/core/outcomes/foretold';
import { COPPER_CLASSES, copperOf, dosesOf, minutesOf, type JobFacts } from '~/core/outcomes/jobFacts';
import { bandOf, touchesSeen } from '~/core/outcomes/touchesSeen';
import { runState } from '~/core/record/runState';
import { standingFindings } from '~/core/record/standingFindings';
import { tipInWords } from '~/schema/words/settingWords';
import type { Spread } from '~/core/statistics/percentile';
import type { Db } from '~/server/store/db';
import { findingsOf } from '~/server/store/repositories/findings';
import type { KeptFacts } from '~/server/store/repositories/jobFacts';
import type { JobRecord } from '~/schema/records/jobs/job';
import { batchAt } from '~/server/store/repositories/supplies';
import { getJob, jobTimesAt } from '~/server/store/repositories/jobs';
import { countedOf } from '~/server/store/repositories/trackRecord';

/** What is needed of a job's own question, whatever version asked it. */
const asked = z
  .object({
    site: z.object({
      alloy: z.string().catch(''),
      connections: z.record(z.string(), z.array(z.object({ kind: z.enum(COPPER_CLASSES) }))).catch({}),
    }),
  })
  .catch({ site: { alloy: '', connections: {} } });

/** What statistics count of a job, read from its record alone; null while it is under way. */
export function factsOf(db: Db, jobId: string): KeptFacts | null {
  const { job, events } = getJob(db, jobId);
  if (job.status !== 'closed' || job.outcome === null || job.closedAt_ms === null) return null;
  const { plan } = job;
  const { site } = asked.parse(job.request.input);
  const { dwells, done } = runState(plan.steps, events);
  const { chosen } = plan.phases[0]!;
  const rootCause = events.findLast((e) => e.kind === 'closed')?.rootCause ?? null;
  const minutes = minutesOf(events);
  // A job that was left early tells nothing of how long it takes.
  const times = plan.steps.every(({ id }) => done.has(id)) ? plan.times : null;
  const pins = plan.phases.flatMap((phase) => {
    const stepIds = new Set(
      plan.steps.flatMap((step) => (step.kind === 'heat' && step.phase === phase.phase ? [step.id] : [])),
    );
    return phase.pins.map((pin) => ({ ...pin, stepIds }));
  });
  return {
    jobId,
    boardId: job.boardId,
    siteId: job.siteId,
    ref: plan.site.ref,
    alloy: site.alloy,
    copper: copperOf(Object.values(site.connections).flatMap((all) => all.map(({ kind }) => kind))),
    ...countedOf(plan),
    goal: job.goal,
    by: job.by,
    toolId: chosen.toolId,
    tool: chosen.tool,
    tip: tipInWords(chosen),
    setpoint_C: chosen.setpoint_C,
    outcome: job.outcome,
    rootCause,
    acceptedAt_ms: job.acceptedAt_ms,
    closedAt_ms: job.closedAt_ms,
    minutes,
    pace: times && paceSeen(60 * minutes, times),
    joints: jointsOf(dwells, plan.phases),
    heats: dwells.length,
    ...harmsOf(job.siteId, foundBy(db, job), rootCause),
    foretoldDose: foretoldOf(plan.phases),
    ...dosesOf(dwells),
    solder: supplyOf(db, job, ['wire', 'paste', 'low-melt']),
    flux: supplyOf(db, job, ['flux']),
    held: heldOf({
      ...touchesSeen(pins, dwells),
      minutes: times ? [{ ...bandOf(inMinutes(times.work_s)), seen: minutes, came: true }] : [],
    }),
  };
}

const heldOf = (seen: Readonly<Record<ForetoldId, readonly Seen[]>>): JobFacts['held'] => ({
  melt: heldIn('melt', seen.melt),
  dwell: heldIn('dwell', seen.dwell),
  peak: heldIn('peak', seen.peak),
  minutes: heldIn('minutes', seen.minutes),
});

const inMinutes = ({ p10, p50, p90 }: Spread): Spread => ({ p10: p10 / 60, p50: p50 / 60, p90: p90 / 60 });

/** The supply that most was to be taken of, of the first of some kinds that was; with its batch where one was told by then; empty: none. */
function supplyOf(db: Db, { plan, acceptedAt_ms }: JobRecord, kinds: readonly string[]): string {
  // Lengths and weights are not held against each other.
  const most = kinds
    .map((of) => plan.consumption.filter(({ kind, supplyId }) => kind === of && supplyId !== null))
    .find((lines) => lines.length > 0)
    ?.reduce((a, b) => (b.amount > a.amount ? b : a));
  if (!most) return '';
  const batch = batchAt(db, most.supplyId!, acceptedAt_ms);
  return batch === null ? most.name : `${most.name}, batch ${batch}`;
}

/**
 * What was found of a job: what was entered in its course, and what was done there by then and found later without naming a
 * job, as by the meter. That is of the last job on the site before it.
 */
function foundBy(db: Db, { id, siteId, boardId, acceptedAt_ms }: JobRecord) {
  const next = jobTimesAt(db, siteId).find((other) => other.acceptedAt_ms > acceptedAt_ms);
  const until_ms = next?.acceptedAt_ms ?? Infinity;
  return standingFindings(findingsOf(db, boardId)).filter((f) =>
    f.jobId === null ? f.siteId === siteId && f.at_ms >= acceptedAt_ms && f.at_ms < until_ms : f.jobId === id,
  );
}

/** What the worst land was foretold to spend over all halves; null where one of them has no figure. */
function foretoldOf(
  phases: readonly { readonly chosen: { readonly padDose: { readonly p50: number | null } } }[],
): number | null {
  const doses = phases.map(({ chosen }) => chosen.padDose.p50);
  return doses.every((dose) => dose !== null) ? doses.reduce((sum, dose) => sum + dose, 0) : null;
}

/** Joints that were heated: each pad by itself, and all of a touch that takes several. */
function jointsOf(
  dwells: readonly { readonly pad: string; readonly off_s: number | null }[],
  phases: readonly { readonly pins: readonly { readonly pad: string; readonly pads: readonly string[] }[] }[],
): number {
  const pins = phases.flatMap((phase) => phase.pins);
  const joints = new Set<string>();
  for (const { pad } of dwells) {
    const pin = pins.find((p) => p.pad === pad);
    for (const name of pin && pin.pads.length > 0 ? pin.pads : [pad]) joints.add(name);
  }
  return joints.size;
}
