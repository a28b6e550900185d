import { fileAnswer } from '~/server/http/respond';
import { calendarOf } from '~/server/out/calendar';

/** Returns, cures and work that was put off. */
export const GET = fileAnswer(({ locals }) => ({
  type: 'text/calendar; charset=utf-8',
  name: 'ithermon.ics',
  body: calendarOf(locals.db),
}));
