import { fileAnswer } from '~/server/http/respond';
import { asked, tellsWho } from '~/server/outcomes/asked';
import { listedCsv } from '~/server/outcomes/listed';

/** The jobs that a view counts, as a table. */
export const GET = fileAnswer((context) => ({
  type: 'text/csv; charset=utf-8',
  name: 'jobs.csv',
  body: listedCsv(context.locals.db, asked(context), tellsWho(context.locals.person)),
}));
