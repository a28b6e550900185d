import { railOf } from '~/server/clocks';
import { endpoint } from '~/server/http/respond';

export const GET = endpoint((context) => railOf(context.locals.db, Date.now()));
