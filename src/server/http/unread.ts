import type { IncomingMessage, ServerResponse } from 'node:http';

/** Where a screen is told what happens, for as long as it looks. */
const EVENT_LINE = '/api/live';

/** A screen that lets so much lie unread sleeps, or is gone without a word: minutes of readings. */
export const MOST_UNREAD_bytes = 4 * 2 ** 20;

/**
 * Lets a screen go that does not read its event line, before what waits for it fills the memory: the framework writes on
 * whether anyone reads or not. It asks again from the last it heard when it wakes.
 */
export function letGoUnread(request: Pick<IncomingMessage, 'url'>, response: ServerResponse): void {
  if (request.url?.split('?')[0] !== EVENT_LINE) return;
  const write = response.write.bind(response) as (...of: unknown[]) => boolean;
  response.write = ((...of: unknown[]) => {
    if (response.destroyed) return false;
    if (response.writableLength <= MOST_UNREAD_bytes) return write(...of);
    response.destroy();
    return false;
  }) as ServerResponse['write'];
}
