/** The end at which a thread hears what it is asked and answers: a page's worker, or a thread of the server. */
export interface Port<In, Out> {
  readonly post: (message: Out, transfer?: Transferable[]) => void;
  readonly listen: (take: (message: In) => void) => void;
}

/** That of a web worker. */
export const workerPort = <In, Out>(): Port<In, Out> => ({
  post: (message, transfer = []) =>
    (self as unknown as DedicatedWorkerGlobalScope).postMessage(message, transfer),
  listen: (take) => {
    self.onmessage = (event: MessageEvent<In>) => take(event.data);
  },
});
