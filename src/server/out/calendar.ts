import ical, { ICalCalendarMethod } from 'ical-generator';
import { CLOCKS } from '~/core/record/boardClock';
import { stageOf } from '~/core/record/boardEntries';
import { AWAITS_WORDS } from '~/schema/words/words';
import { openBoard } from '~/server/boards/openBoard';
import type { Db } from '~/server/store/db';
import { runningClocks } from '~/server/store/repositories/boardClocks';
import { getBoard, openBoardIds } from '~/server/store/repositories/boards';
import { listOrders } from '~/server/store/repositories/partOrders';

const HOUR_ms = 3_600_000;
const DAY_ms = 24 * HOUR_ms;
/** Work that was put off to no date is looked at again after this long (our own rule; the entry says so). */
const LOOK_AGAIN_ms = 28 * DAY_ms;

/** What is to come: clocks that end (cures, ovens, washes), boards and parts that come back, and work that was put off. iCalendar (RFC 5545). */
export function calendarOf(db: Db): string {
  const calendar = ical({
    name: 'Ithermon',
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Ithermon', product: 'Record', language: 'EN' },
  });
  const add = (
    id: string,
    start_ms: number,
    length_ms: number,
    summary: string,
    description: string,
    stamp_ms: number,
  ): void =>
    void calendar.createEvent({
      id: `${id}@ithermon`,
      start: new Date(start_ms),
      end: new Date(start_ms + length_ms),
      stamp: new Date(stamp_ms),
      summary,
      description,
    });
  const nameOf = (boardId: string): string => getBoard(db, boardId).name;
  for (const clock of runningClocks(db))
    add(
      clock.id,
      clock.due_ms,
      HOUR_ms / 4,
      `${CLOCKS[clock.kind].name} over: ${nameOf(clock.boardId)}`,
      [clock.what, CLOCKS[clock.kind].then].filter(Boolean).join('\n'),
      clock.started_ms,
    );
  for (const boardId of openBoardIds(db)) {
    const { entries, open } = openBoard(db, boardId);
    const stage = stageOf(entries);
    if (stage.is === 'parked' && stage.entry.due_ms !== null)
      add(
        stage.entry.id,
        stage.entry.due_ms,
        HOUR_ms,
        `Back to work: ${nameOf(boardId)}`,
        `${AWAITS_WORDS[stage.entry.awaits]}: ${stage.entry.what}`,
        stage.entry.at_ms,
      );
    for (const { key, says, settled } of open) {
      if (settled?.as !== 'deferred') continue;
      add(
        `${boardId}-${key}`,
        settled.at_ms + LOOK_AGAIN_ms,
        HOUR_ms,
        `Put off: ${nameOf(boardId)}, ${says}`,
        `${settled.reason}\nPut off by ${settled.by} to no date: four weeks after it.`,
        settled.at_ms,
      );
    }
  }
  for (const order of listOrders(db))
    if (order.state === 'ordered' && order.expected_ms !== null)
      add(
        order.id,
        order.expected_ms,
        HOUR_ms,
        `Parts expected: ${order.supplier}`,
        `${order.lines.length} ${order.lines.length === 1 ? 'line' : 'lines'}`,
        order.at_ms,
      );
  return calendar.toString();
}
