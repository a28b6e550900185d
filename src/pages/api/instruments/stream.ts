import { instrumentEvents } from '~/server/instruments/events';
import { eventStream } from '~/server/http/eventStream';

export const GET = eventStream(({ locals, request }, tell) =>
  instrumentEvents(locals.hub, Number(request.headers.get('last-event-id') ?? NaN), tell),
);
