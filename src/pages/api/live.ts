import { eventStream } from '~/server/http/eventStream';
import { liveEvents } from '~/server/live/liveEvents';

export const GET = eventStream(({ locals, request, url }, tell) =>
  liveEvents(
    {
      hub: locals.hub,
      heard: Number(request.headers.get('last-event-id') ?? NaN),
      jobId: url.searchParams.get('job'),
    },
    tell,
  ),
);
