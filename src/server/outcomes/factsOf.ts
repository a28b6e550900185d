import { z } from 'zod';
import { harmsOf } from '~/core/outcomes/harms';
import { COPPER_CLASSES, copperOf, dosesOf, meltsOf, minutesOf } from '~/core/outcomes/jobFacts';
import { runState } from '~/core/record/runState';
import { standingFindings } from '~/core/record/standingFindings';
import { tipInWords } from '~/schema/words/settingWords';
import type { Db } from '~/server/store/db';
import { findingsOf } from '~/server/store/repositories/findings';
import type { KeptFacts } from '~/server/store/repositories/jobFacts';
import type { JobRecord } from '~/schema/records/jobs/job';
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
  const { dwells } = runState(plan.steps, events);
  const { chosen } = plan.phases[0]!;
  const rootCause = events.findLast((e) => e.kind === 'closed')?.rootCause ?? null;
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
    minutes: minutesOf(events),
    joints: jointsOf(dwells, plan.phases),
    heats: dwells.length,
    ...harmsOf(job.siteId, foundBy(db, job), rootCause),
    foretoldDose: foretoldOf(plan.phases),
    ...dosesOf(dwells),
    melts: meltsOf(pins, dwells),
  };
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
