import type { APIContext, APIRoute } from 'astro';
import { refuse } from './respond';

/** Says one event of a kind; with its number a screen whose line broke goes on after it. */
export type TellEvent = (kind: string, data: unknown, n?: number) => void;

/** A proxy or a sleeping screen is told now and then that the line holds. */
const ALIVE_ms = 15_000;
/** A screen that does not read is let go: it asks again when it wakes. */
const MOST_UNREAD = 200;

/** Wraps an endpoint that tells events as they happen (server-sent events); the handler gives back how to stop it. */
export function eventStream(handle: (context: APIContext, tell: TellEvent) => () => void): APIRoute {
  return (context) => {
    const encoder = new TextEncoder();
    let stop: () => void = () => undefined;
    let alive: ReturnType<typeof setInterval>;
    let over = false;
    const end = (): void => {
      over = true;
      clearInterval(alive);
      stop();
    };
    const body = new ReadableStream<Uint8Array>(
      {
        start(controller) {
          const say = (text: string): void => {
            if (over) return;
            if ((controller.desiredSize ?? 0) <= 0) {
              end();
              controller.close();
            } else controller.enqueue(encoder.encode(text));
          };
          say('retry: 1000\n\n');
          alive = setInterval(() => say(': alive\n\n'), ALIVE_ms);
          const began = handle(context, (kind, data, n) =>
            say(`${n === undefined ? '' : `id: ${n}\n`}event: ${kind}\ndata: ${JSON.stringify(data)}\n\n`),
          );
          if (over) began();
          else stop = began;
        },
        cancel: end,
      },
      { highWaterMark: MOST_UNREAD },
    );
    try {
      return new Response(body, {
        headers: { 'content-type': 'text/event-stream; charset=utf-8', 'cache-control': 'no-store' },
      });
    } catch (error) {
      return refuse(error);
    }
  };
}
