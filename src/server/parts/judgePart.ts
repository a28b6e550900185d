import { judgeAnswerOf, type JudgeAnswer } from '~/schema/exchange/parts/questions';
import type { PartReading } from '~/schema/records/parts/stockPart';
import type { Db } from '~/server/store/db';
import { newId } from '~/server/store/ids';
import { getPart, keepReading } from '~/server/store/repositories/stockParts';

/** Keeps what was read of one of a line, with what it was judged by the line's own figures. */
export function judgePart(
  db: Db,
  partId: string,
  reading: PartReading['reading'],
  by: string,
  at_ms: number,
): { readonly kept: PartReading; readonly answer: JudgeAnswer } {
  const { part } = getPart(db, partId);
  const answer = judgeAnswerOf({ part, reading });
  const kept: PartReading = {
    id: newId('reading'),
    partId,
    reading,
    verdict: answer.verdict,
    reason: answer.reason.slice(0, 400),
    by,
    at_ms,
  };
  keepReading(db, kept);
  return { kept, answer };
}
