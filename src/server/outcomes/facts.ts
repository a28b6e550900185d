import { dequal } from 'dequal';
import { DIMENSION_IDS, DIMENSIONS, type Dimension, type DimensionId } from '~/core/outcomes/dimensions';
import type { JobFacts } from '~/core/outcomes/jobFacts';
import type { Db } from '~/server/store/db';
import { boardsTold } from '~/server/store/repositories/boards';
import {
  boardsStamp,
  countedJobs,
  factsKept,
  takeChanged,
  type KeptFacts,
} from '~/server/store/repositories/jobFacts';

type Told = ReturnType<typeof boardsTold>;

/** What is counted, as it was last read: a job that is closed, or a board that is told anew, changes its own lines alone. */
interface Read {
  readonly facts: Map<string, JobFacts>;
  /** Keys of the groups that were ever met, by dimension. */
  readonly keys: ReadonlyMap<DimensionId, Set<string>>;
  told: Told;
  stamp: string;
  /** The same in order of closing; null where something changed. */
  inOrder: readonly JobFacts[] | null;
}
const READ = new WeakMap<Db, Read>();

/** What is counted of every closed job, in order of closing; the same list until something changed. */
export function allFacts(db: Db): readonly JobFacts[] {
  const known = READ.get(db);
  const read = known ?? begun(db);
  READ.set(db, read);
  if (known) {
    takeBoards(db, read);
    takeJobs(db, read);
  }
  return (read.inOrder ??= [...read.facts.values()].sort((a, b) => a.closedAt_ms - b.closedAt_ms));
}

/** The groups that there are to choose from, by dimension. */
export function groupKeys(db: Db): ReadonlyMap<DimensionId, ReadonlySet<string>> {
  allFacts(db);
  return READ.get(db)!.keys;
}

function begun(db: Db): Read {
  // What changed until now is read with all the rest.
  takeChanged(db);
  const keys = new Map(DIMENSION_IDS.map((id) => [id, new Set<string>()]));
  const read: Read = {
    facts: new Map(),
    keys,
    told: boardsTold(db),
    stamp: boardsStamp(db),
    inOrder: null,
  };
  for (const row of countedJobs(db)) put(read, factsIn(row, read.told));
  return read;
}

/** What is told of a board is corrected now and then: its jobs are sorted by what it is now. */
function takeBoards(db: Db, read: Read): void {
  const stamp = boardsStamp(db);
  if (stamp === read.stamp) return;
  const before = read.told;
  read.stamp = stamp;
  read.told = boardsTold(db);
  for (const facts of read.facts.values()) {
    const now = read.told.get(facts.boardId)!;
    if (!dequal(now, before.get(facts.boardId))) put(read, { ...facts, ...now });
  }
}

function takeJobs(db: Db, read: Read): void {
  for (const jobId of takeChanged(db)) {
    const row = factsKept(db, jobId);
    if (row) put(read, factsIn(row, read.told));
    else read.facts.delete(jobId);
    read.inOrder = null;
  }
}

function put(read: Read, facts: JobFacts): void {
  read.facts.set(facts.jobId, facts);
  read.inOrder = null;
  for (const [id, met] of read.keys) met.add((DIMENSIONS[id] as Dimension).of(facts));
}

/** A row with what its board is told to be. */
const factsIn = (
  { lifted, torn, bridged, neighbour, part, pace: _pace, ...row }: KeptFacts,
  told: Told,
): JobFacts => ({
  ...row,
  ...told.get(row.boardId)!,
  harms: { lifted, torn, bridged, neighbour, part },
});
