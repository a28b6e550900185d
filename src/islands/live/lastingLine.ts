/** After so long a line that was given up is asked for again. */
const AGAIN_ms = 1000;

/**
 * Hears events of a server until it is closed. A line that breaks is opened again by the browser itself; one that is answered
 * with anything but events, as by a server that is still starting, is given up by the browser, and opened anew here.
 */
export function lastingLine(
  url: string,
  heard: Readonly<Record<string, (data: unknown) => void>>,
): { close: () => void } {
  let line: EventSource;
  let again: ReturnType<typeof setTimeout> | undefined;
  const open = (): void => {
    line = new EventSource(url);
    for (const [kind, hear] of Object.entries(heard))
      line.addEventListener(kind, (event) => hear(JSON.parse((event as MessageEvent<string>).data)));
    line.addEventListener('error', () => {
      if (line.readyState === EventSource.CLOSED) again = setTimeout(open, AGAIN_ms);
    });
  };
  open();
  return {
    close: () => {
      clearTimeout(again);
      line.close();
    },
  };
}
