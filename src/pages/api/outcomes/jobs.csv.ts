import { fileAnswer } from '~/server/http/respond';
import { asked, onlookerOf } from '~/server/outcomes/asked';
import { COOKIES } from '~/ui/preferences';

/** The jobs that a view counts, as a table. */
export const GET = fileAnswer(async ({ locals: { evidence, person }, url, cookies }) => {
  const who = onlookerOf(person, cookies.get(COOKIES.by)?.value ?? '');
  return {
    type: 'text/csv; charset=utf-8',
    name: 'jobs.csv',
    body: await evidence.ask({ is: 'csv', query: asked(url, who), told: who.tellsWho }),
  };
});
