import { fileAnswer } from '~/server/http/respond';
import { asked, onlookerOf } from '~/server/outcomes/asked';
import { listedCsv } from '~/server/outcomes/listed';
import { COOKIES } from '~/ui/preferences';

/** The jobs that a view counts, as a table. */
export const GET = fileAnswer(({ locals: { db, person }, url, cookies }) => {
  const who = onlookerOf(person, cookies.get(COOKIES.by)?.value ?? '');
  return {
    type: 'text/csv; charset=utf-8',
    name: 'jobs.csv',
    body: listedCsv(db, asked(url, who), who.tellsWho),
  };
});
