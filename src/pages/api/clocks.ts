import { railOf } from '~/server/jobs/clocks';
import { endpoint } from '~/server/http/respond';

export const GET = endpoint((context) => railOf(context.locals.db, Date.now()));
