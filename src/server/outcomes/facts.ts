import { DIMENSION_IDS, DIMENSIONS, type Dimension, type DimensionId } from '~/core/outcomes/dimensions';
import { touchesHeld } from '~/core/outcomes/held';
import type { JobFacts } from '~/core/outcomes/jobFacts';
import type { Db } from '~/server/store/db';
import { boardsTold } from '~/server/store/repositories/boards';
import {
  boardsStamp,
  countedJobs,
  factsChangedAfter,
  factsKept,
  type KeptFacts,
} from '~/server/store/repositories/jobFacts';

/** What is counted, as it was last read: a job that is closed changes one line of it. */
interface Read {
  readonly facts: Map<string, JobFacts>;
  /** Keys of the groups that were ever met, by dimension. */
  readonly keys: ReadonlyMap<DimensionId, Set<string>>;
  seen: number;
  boards: string;
  /** The same in order of closing; null where something changed. */
  inOrder: readonly JobFacts[] | null;
}
const READ = new WeakMap<Db, Read>();

/** What is counted of every closed job, in order of closing; the same list until something changed. */
export function allFacts(db: Db): readonly JobFacts[] {
  const boards = boardsStamp(db);
  let read = READ.get(db);
  // What is told of a board is corrected seldom: all is read anew then.
  if (read?.boards !== boards) read = begun(db, boards);
  READ.set(db, read);
  const changed = factsChangedAfter(db, read.seen);
  read.seen += changed.length;
  if (changed.length > 0) takeIn(db, read, new Set(changed));
  return (read.inOrder ??= [...read.facts.values()].sort((a, b) => a.closedAt_ms - b.closedAt_ms));
}

/** The groups that there are to choose from, by dimension. */
export function groupKeys(db: Db): ReadonlyMap<DimensionId, ReadonlySet<string>> {
  allFacts(db);
  return READ.get(db)!.keys;
}

function meet(keys: Read['keys'], facts: JobFacts): void {
  for (const [id, met] of keys) met.add((DIMENSIONS[id] as Dimension).of(facts));
}

function begun(db: Db, boards: string): Read {
  const seen = factsChangedAfter(db, 0).length;
  const told = boardsTold(db);
  const facts = new Map(countedJobs(db).map((row) => [row.jobId, factsIn(row, told)]));
  const keys = new Map(DIMENSION_IDS.map((id) => [id, new Set<string>()]));
  for (const one of facts.values()) meet(keys, one);
  return { facts, keys, seen, boards, inOrder: null };
}

function takeIn(db: Db, read: Read, changed: ReadonlySet<string>): void {
  const told = boardsTold(db);
  for (const jobId of changed) {
    const row = factsKept(db, jobId);
    if (!row) {
      read.facts.delete(jobId);
      continue;
    }
    const facts = factsIn(row, told);
    read.facts.set(jobId, facts);
    meet(read.keys, facts);
  }
  read.inOrder = null;
}

/** A row with what its board is told to be. Its touches stay as counts: of two hundred thousand nobody looks at one. */
function factsIn(
  { melts, lifted, torn, bridged, neighbour, part, ...row }: KeptFacts,
  told: ReturnType<typeof boardsTold>,
): JobFacts {
  return {
    ...row,
    ...told.get(row.boardId)!,
    harms: { lifted, torn, bridged, neighbour, part },
    touches: touchesHeld(melts),
  };
}
