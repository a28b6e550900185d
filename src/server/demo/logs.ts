import { runState } from '~/core/record/runState';
import type { Sample } from '~/schema/sheets/instruments';
import { appendMeasured, type CostOf } from '~/server/jobs/costs';
import { AFTER_ms, BEFORE_ms, marksOf, profileOf } from '~/server/jobs/thermalLogs';
import { sceneOf } from '~/server/instruments/scene';
import { StandInBench } from '~/server/instruments/standins/bench';
import { logger } from '~/server/instruments/standins/devices';
import type { Db } from '~/server/store/db';
import { getJob } from '~/server/store/repositories/jobs';
import { keepLog, logsOfJob } from '~/server/store/repositories/thermalLogs';

const READ_ms = 100;

/**
 * Logs of a demo job's heats, as a simulated bench with a thermocouple at the land and one on the board would have read them,
 * and what each heat cost by them.
 */
export function seedLogs(db: Db, jobId: string, seed: number, costOf: CostOf): void {
  if (logsOfJob(db, jobId).length > 0) return;
  const { job, events } = getJob(db, jobId);
  const scene = sceneOf(job);
  if (!scene) return;
  const { setpoint_C } = job.plan.phases[0]!.chosen;
  for (const dwell of runState(job.plan.steps, events).dwells) {
    const bench = new StandInBench(seed);
    if (dwell.off_s === null || !bench.lay(scene)) continue;
    const tc = logger(bench);
    const from_ms = dwell.on_ms - BEFORE_ms;
    const samples: Sample[] = [];
    for (let t = 0; t <= BEFORE_ms + dwell.off_s * 1000 + AFTER_ms; t += READ_ms) {
      if (t === BEFORE_ms && bench.touch(dwell.pad, setpoint_C) !== null) return;
      if (t >= BEFORE_ms + dwell.off_s * 1000) bench.lift();
      bench.step(READ_ms / 1000);
      samples.push({ n: t, instrument: tc.hello.id, at_ms: from_ms + t, v: tc.read() });
    }
    const title = `${job.plan.site.ref}, pin ${dwell.pad}`;
    const profile = profileOf(tc.hello, samples, from_ms, title, marksOf(dwell))!;
    const at_ms = Math.round(dwell.on_ms + dwell.off_s * 1000 + AFTER_ms);
    keepLog(db, {
      id: `${jobId}-${dwell.onSeq}-tc`,
      jobId,
      ofSeq: dwell.onSeq,
      origin: 'instruments',
      simulated: true,
      landChannel: 'tc1',
      by: job.by,
      at_ms,
      profile,
    });
    appendMeasured(db, jobId, dwell, costOf, at_ms);
  }
}
