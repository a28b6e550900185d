import { batchesHeld } from '~/core/outcomes/batches';
import type { JobFacts } from '~/core/outcomes/jobFacts';
import { middle } from '~/core/outcomes/results';
import { paretos, reworkIn } from '~/core/outcomes/returns';
import { parkedFor, staysOf } from '~/core/outcomes/visits';
import type { BoardEntry } from '~/core/record/boardEntries';
import { ROOT_CAUSES } from '~/core/record/rootCauses';
import type { CausesView } from '~/schema/sheets/outcomesSheet';
import { partInWords } from '~/schema/words/partWords';
import { openBoard } from '~/server/boards/openBoard';
import type { Db } from '~/server/store/db';
import { stayingEntries } from '~/server/store/repositories/boardEntries';
import { boardsNamed } from '~/server/store/repositories/boards';
import { getPart, partsFitted } from '~/server/store/repositories/stockParts';
import { jobNamed } from './jobNamed';

const DAY_ms = 86_400_000;
/** Longer lists than this nobody reads. */
const MOST = 40;

/** What faults came from, what came back, how long boards stay and wait, which batches fail, and what is promised. */
export function causesView(db: Db, facts: readonly JobFacts[]): CausesView {
  const boards = boardsNamed(db);
  const entries = stayingEntries(db);
  const stays = boards.flatMap((b) => staysOf(b.createdAt_ms, entries.get(b.id) ?? []));
  return {
    is: 'causes',
    paretos: paretos(facts),
    rework: reworkIn(facts)
      .sort((a, b) => b.again.acceptedAt_ms - a.again.acceptedAt_ms)
      .slice(0, MOST)
      .map(({ first, again, days }) => ({
        first: jobNamed(first),
        again: jobNamed(again),
        days,
        cause: again.rootCause ? ROOT_CAUSES[again.rootCause] : 'not said',
      })),
    boards: {
      visits: stays.length,
      days: stays.length > 0 ? middle(stays.map((s) => (s.until_ms - s.from_ms) / DAY_ms)) : null,
      parkedDays: stays.reduce((sum, s) => sum + s.parked_ms, 0) / DAY_ms,
      parked: stays.filter((s) => s.parked_ms > 0).length,
    },
    batches: batchesHeld(facts, partsFitted(db))
      .slice(0, MOST)
      .map(({ partId, fitted, failed, rate }) => {
        const { part, batch } = getPart(db, partId);
        const { source = '' } = part;
        return {
          partId,
          words: partInWords(part),
          batch,
          source,
          fitted,
          failed,
          low: rate.low,
          high: rate.high,
        };
      }),
    due: boards
      .flatMap(({ id, name }) =>
        promisedOn(db, id, entries.get(id) ?? []).map((promise) => ({
          boardId: id,
          boardName: name,
          ...promise,
        })),
      )
      .sort(
        (a, b) => (a.due_ms ?? Infinity) - (b.due_ms ?? Infinity) || a.boardName.localeCompare(b.boardName),
      )
      .slice(0, MOST),
  };
}

/** What a board waits for, and what was put off on it and is still open: read whole only where something was put off. */
function promisedOn(
  db: Db,
  boardId: string,
  entries: readonly BoardEntry[],
): { readonly says: string; readonly due_ms: number | null }[] {
  const parked = parkedFor(entries);
  const putOff = entries.some((e) => e.kind === 'settled' && e.as === 'deferred')
    ? openBoard(db, boardId).open.filter(({ settled }) => settled?.as === 'deferred')
    : [];
  return [
    ...(parked ? [{ says: `waits for ${parked.what}`, due_ms: parked.due_ms }] : []),
    ...putOff.map(({ says, settled }) => ({ says: `${says}, put off: ${settled!.reason}`, due_ms: null })),
  ];
}
