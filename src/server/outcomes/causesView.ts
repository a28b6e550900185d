import { batchesHeld } from '~/core/outcomes/batches';
import type { JobFacts } from '~/core/outcomes/jobFacts';
import { middle } from '~/core/outcomes/results';
import { paretos, reworkIn } from '~/core/outcomes/returns';
import { promisedOn, staysOf } from '~/core/outcomes/visits';
import { ROOT_CAUSES } from '~/core/record/rootCauses';
import type { CausesView } from '~/schema/sheets/outcomesSheet';
import { partInWords } from '~/schema/words/partWords';
import type { Db } from '~/server/store/db';
import { stayingEntries } from '~/server/store/repositories/boardEntries';
import { listBoards } from '~/server/store/repositories/boards';
import { getPart, partsFitted } from '~/server/store/repositories/stockParts';
import { jobNamed } from './jobNamed';

const DAY_ms = 86_400_000;
/** Longer lists than this nobody reads. */
const MOST = 40;

/** What faults came from, what came back, how long boards stay and wait, which batches fail, and what is promised. */
export function causesView(db: Db, facts: readonly JobFacts[], now_ms: number): CausesView {
  const boards = listBoards(db);
  const entries = stayingEntries(db);
  const stays = boards.flatMap((b) => staysOf(b.createdAt_ms, entries.get(b.id) ?? []));
  const asked = new Set(facts.map((f) => f.boardId));
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
      .filter((b) => asked.has(b.id) || b.waitingFor !== 'closed')
      .flatMap((b) =>
        promisedOn(entries.get(b.id) ?? []).map((promise) => ({
          boardId: b.id,
          boardName: b.name,
          ...promise,
        })),
      )
      .sort((a, b) => (a.due_ms ?? now_ms + 365 * DAY_ms) - (b.due_ms ?? now_ms + 365 * DAY_ms))
      .slice(0, MOST),
  };
}
