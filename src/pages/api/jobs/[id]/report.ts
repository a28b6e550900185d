import { jobReport } from '~/server/jobs/report';
import { fileAnswer } from '~/server/http/respond';

/** A job's traveller, or its report once something was done, as Markdown. */
export const GET = fileAnswer(({ locals, params }) => ({
  type: 'text/markdown; charset=utf-8',
  ...jobReport(locals.db, params['id']!, Date.now()),
}));
