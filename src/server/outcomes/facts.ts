import type { HarmId } from '~/core/outcomes/harms';
import type { JobFacts } from '~/core/outcomes/jobFacts';
import type { Db } from '~/server/store/db';
import { boardsTold } from '~/server/store/repositories/boards';
import { countedJobs, meltsKept } from '~/server/store/repositories/jobFacts';

/** What is counted of every closed job, in order of closing; touches only where they are asked for: they are many. */
export function allFacts(db: Db, withMelts = false): JobFacts[] {
  const boards = boardsTold(db);
  const melts = withMelts ? meltsKept(db) : null;
  return countedJobs(db).map(({ lifted, torn, bridged, neighbour, part, ...kept }): JobFacts => {
    const told = boards.get(kept.boardId)!;
    const harms = { lifted, torn, bridged, neighbour, part } satisfies Record<HarmId, number>;
    return { ...kept, ...told, harms, melts: melts?.get(kept.jobId) ?? [] };
  });
}
