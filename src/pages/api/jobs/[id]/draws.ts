import { endpoint } from '~/server/http/respond';

export const GET = endpoint((context) => context.locals.draws.of(context.params['id']!));
