import { sceneOf } from '~/server/instruments/scene';
import { endpoint } from '~/server/http/respond';
import { Conflict } from '~/server/store/errors';
import { getJob } from '~/server/store/repositories/jobs';

/** Lays a job's site under the simulated tools. Nothing is written. */
export const POST = endpoint(async ({ locals, params }) => {
  const { hub, db } = locals;
  const { job } = getJob(db, params['id']!);
  const scene = sceneOf(job);
  if (!scene) throw new Conflict('this job was planned by a model that is not read any more; take another');
  await hub.lay(job.id, scene);
  return { instruments: hub.list(), now_ms: Date.now() };
});
