import { solvePiece } from '../core/method/pieces/solve';
import type { PhaseRequest } from '../core/method/request';
import { Breath } from './breath';
import type { FromHelper, ToHelper } from './pieceProtocol';

/** Solves pieces of plans for a planning worker. A request is kept until the next one comes. */
let known: { readonly id: number; readonly request: PhaseRequest } | null = null;
const dropped = new Set<number>();
const breath = new Breath();

const post = (message: FromHelper): void =>
  (self as unknown as DedicatedWorkerGlobalScope).postMessage(message);

self.onmessage = ({ data }: MessageEvent<ToHelper>) => {
  switch (data.type) {
    case 'request':
      known = { id: data.requestId, request: data.request };
      break;
    case 'drop':
      dropped.add(data.pieceId);
      break;
    case 'solve':
      void run(data);
      break;
  }
};

async function run({ pieceId, requestId, piece }: Extract<ToHelper, { type: 'solve' }>): Promise<void> {
  try {
    if (known?.id !== requestId) throw new Error(`request ${requestId} is not here`);
    const steps = solvePiece(known.request, piece);
    let next = steps.next();
    while (!next.done) {
      if (next.value) post({ type: 'progress', pieceId, progress: next.value });
      if (breath.due()) {
        await breath.taken();
        if (dropped.delete(pieceId)) return;
      }
      next = steps.next();
    }
    post({ type: 'done', pieceId, answer: next.value });
  } catch (error) {
    post({ type: 'failed', pieceId, message: error instanceof Error ? error.message : String(error) });
  }
}
